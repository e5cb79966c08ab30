# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Who did what, when, to whom. Rows are only added.
      class History
        # Rows a page of it holds.
        PAGE = 100

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param row [Hash] day:, account_id: (nil where nobody did it), operation:, student_id:,
        #   piece_id:
        # @return [void]
        def add(**row) = @tables.db[:history].insert(studio_id: @tables.studio_id, **row)

        # The same, where it does not stand there for that day already.
        # @return [void]
        def add_once_a_day(**row)
          add(**row) if @tables[:history].where(row).empty?
        end

        # @param before [Integer, nil] id; what is older alone
        # @param only [Hash] account_id:, student_id:, operation: (several), any of them
        # @return [Array<Hash>] the newest first, with names as they are now; none where one is
        #   erased
        def list(before: nil, **only)
          rows = @tables[:history].where(only)
          rows = rows.where { id < before } if before
          @tables
            .db
            .from(rows.reverse(:id).limit(PAGE).as(:history))
            .left_join(:accounts, { id: Sequel[:history][:account_id] })
            .left_join(
              :students,
              { studio_id: Sequel[:history][:studio_id], id: Sequel[:history][:student_id] }
            )
            .left_join(
              :pieces,
              { studio_id: Sequel[:history][:studio_id], id: Sequel[:history][:piece_id] }
            )
            .reverse(Sequel[:history][:id])
            .select(
              Sequel[:history][:id],
              Sequel[:history][:at],
              :operation,
              :student_id,
              :piece_id,
              Sequel[:accounts][:name].as(:who),
              Sequel[:students][:name].as(:student),
              Sequel[:pieces][:title].as(:piece)
            )
            .all
        end
      end
    end
  end
end
