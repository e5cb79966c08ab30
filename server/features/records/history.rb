# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Who did what in the studio, for its owner.
      class History
        # What can be asked for apart, by the right it takes; and what was only looked at or taken
        # away.
        KINDS = {
          "lessons" => Rights::OPERATIONS[:hear],
          "students" => Rights::OPERATIONS[:change],
          "pages" => Rights::OPERATIONS[:teach],
          "studio" => Rights::OPERATIONS[:run] - Rights::TAKING + ["endKeeping"],
          "taken" => Rights::TAKING,
          "read" => Rights::READING
        }.freeze

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @param before [Integer, nil]
        # @param kind [String, nil] of {KINDS}
        # @param account [Integer, nil]
        # @param student [Integer, nil]
        # @return [Array<Hash>] see the contract's Happened, the newest first
        def list(before: nil, kind: nil, account: nil, student: nil)
          only = {
            operation: kind && KINDS.fetch(kind),
            account_id: account,
            student_id: student
          }.compact
          @context
            .read { |tables| Repositories::History.new(tables).list(before: before, **only) }
            .map { |row| happened(row) }
        end

        # @param operation [String] of the contract
        # @return [Phrase] what it does, after who did it
        def self.said(operation) =
          operation
            .gsub(/[A-Z]/) { |letter| "_#{letter.downcase}" }
            .then { |name| Phrase["server.history.#{name}"] }

        private

        def happened(row)
          row.slice(:id, :student_id, :student, :piece_id, :piece).merge(
            at: row[:at].iso8601,
            who: row[:who] || Phrase["server.history.itself"].to_s,
            what: History.said(row[:operation]).to_s
          )
        end
      end
    end
  end
end
