# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A family's messages as the teacher reads them.
      class Messages
        # @param context [StudioContext]
        # @param id [Integer] of the student
        def initialize(context, id)
          @context = context
          @id = id
        end

        # @return [Array<Hash>] see the contract's Message
        def list = @context.read { |tables| shown(of(tables)) }

        # @param read [Boolean] false puts it back among those that wait
        # @return [Array<Hash>]
        def mark(message, read:)
          @context.write do |tables|
            messages = of(tables)
            messages.read(message, (@context.account_id if read))
            shown(messages)
          end
        end

        private

        def of(tables) =
          Repositories::Messages.new(tables, Repositories::Students.new(tables).find(@id)[:id])

        def shown(messages)
          messages
            .newest(Limits::MESSAGES_SHOWN)
            .map do |row|
              row.slice(:id, :text).merge(
                day: row[:day].to_s,
                read: !row[:read_at].nil?,
                reader: row[:reader]
              )
            end
        end
      end
    end
  end
end
