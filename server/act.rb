# frozen_string_literal: true

module Stairwell
  module Server
    # What a signed-in person asks for in one request, by its name in the contract, and whom it is
    # about. It is noted in the studio's history with the first change it keeps, in the same
    # transaction: never the one without the other.
    class Act
      PATHS = {
        student_id: %r{\A/api/students/(\d{1,18})(?:/|\z)},
        piece_id: %r{\A/api/pieces/(\d{1,18})(?:/|\z)}
      }.freeze
      WINDOW = /\A[a-z0-9]{8,40}\z/
      private_constant :PATHS, :WINDOW

      # @return [String] of the contract
      attr_reader :operation
      # @return [Hash{Symbol=>Integer}] :student_id or :piece_id, of the address
      attr_reader :about
      # @return [String, nil] the browser's window it is done in
      attr_reader :window

      # @param operation [String]
      # @param path [String] of the request
      # @param context [StudioContext]
      # @param window [String, nil]
      def initialize(operation, path, context, window: nil)
        @operation = operation
        @about = PATHS.transform_values { |pattern| path[pattern, 1]&.to_i }.compact
        @window = window && window[WINDOW]
        @context = context
        @noted = false
      end

      # @param tables [Tables] in the transaction of a change
      # @return [void]
      def note(tables)
        return if @noted

        Repositories::History.new(tables).add(
          day: @context.today,
          account_id: @context.account_id,
          operation: @operation,
          **@about
        )
        tables.db.after_commit { @noted = true }
      end

      # What changes nothing and is noted all the same, once a day: that a record was read, or taken
      # away.
      # @return [void]
      def note_once
        @context.write(about: nil) do |tables|
          Repositories::History.new(tables).add_once_a_day(
            day: @context.today,
            account_id: @context.account_id,
            operation: @operation,
            **@about
          )
        end
      end
    end
  end
end
