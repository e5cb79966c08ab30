# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What a family wrote on its sheet.
      class Messages
        # @param tables [Tables]
        # @param student_id [Integer]
        def initialize(tables, student_id)
          @tables = tables
          @rows = tables[:messages].where(student_id: student_id)
          @student_id = student_id
        end

        # @param tables [Tables]
        # @return [Hash{Integer => Integer}] how many nobody has read, by student
        def self.unread(tables) =
          tables[:messages]
            .where(read_at: nil)
            .group_and_count(:student_id)
            .as_hash(:student_id, :count)

        # @return [Boolean] whether there is room for one more
        def room? = @rows.where(read_at: nil).count < Limits::MESSAGES_UNREAD

        # @return [Boolean] whether it was new; the same key twice counts once
        def add(**row) = @tables.add_once(:messages, student_id: @student_id, **row)

        # @return [Array<Hash>] the newest, oldest first, with who read it as :reader
        def newest(limit)
          @rows
            .reverse(:id)
            .limit(limit)
            .left_join(:accounts, id: :read_by)
            .select_all(:messages)
            .select_append(Sequel[:accounts][:name].as(:reader))
            .all
            .reverse
        end

        # @param by [Integer, nil] account that has read it; nil puts it back
        # @return [void]
        # @raise [MissingError]
        def read(id, by)
          marked =
            @rows.where(id: id).update(
              read_by: by,
              read_at: by && Sequel.function(:clock_timestamp)
            )
          raise MissingError, Phrase["missing.message"] if marked.zero?
        end
      end
    end
  end
end
