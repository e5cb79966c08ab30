# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What the studio page shows of each student: computed from a record, kept with its
      # version, and fresh while the record has no newer one and the day is the same.
      class Summaries
        # @param tables [Tables]
        # @param today [Date]
        def initialize(tables, today)
          @tables = tables
          @today = today
        end

        # @return [Hash{Integer => Hash}] by student: :summary, :fresh
        def all
          @tables[:student_summaries]
            .join(:students, studio_id: :studio_id, id: :student_id)
            .select(:student_id, :summary, Sequel.as(fresh, :fresh))
            .to_h { |row| [row[:student_id], row] }
        end

        # @param limit [Integer]
        # @return [Array<Integer>] students whose summary is missing or not fresh
        def stale(limit)
          Students
            .here(@tables)
            .left_join(:student_summaries, studio_id: :studio_id, student_id: :id)
            .where(Sequel.|({ Sequel[:student_summaries][:student_id] => nil }, Sequel.~(fresh)))
            .order(Sequel[:students][:id])
            .limit(limit)
            .select_map(Sequel[:students][:id])
        end

        # A newer one is never written over by an older.
        # @param version [Integer] of the record it was made from
        # @param summary [Hash] JSON-ready
        # @return [void]
        def keep(student_id, version, summary)
          values = {
            summary: Sequel.pg_jsonb(summary),
            computed_on: @today,
            record_version: version
          }
          kept = Sequel[:student_summaries]
          @tables.db[:student_summaries].insert_conflict(
            target: %i[studio_id student_id],
            update: values,
            update_where: Sequel.|(kept[:record_version] <= version, kept[:computed_on] < @today)
          ).insert(studio_id: @tables.studio_id, student_id: student_id, **values)
        end

        # @return [Array<Hash>] :seen and :promises of each student who is here
        def seen =
          Students
            .here(@tables)
            .join(:student_summaries, studio_id: :studio_id, student_id: :id)
            .select(
              Sequel.lit("summary -> 'seen'").as(:seen),
              Sequel.lit("summary -> 'promises'").as(:promises)
            )
            .all

        private

        def fresh
          kept = Sequel[:student_summaries]
          Sequel.&(
            { kept[:record_version] => Sequel[:students][:record_version] },
            { kept[:computed_on] => @today }
          )
        end
      end
    end
  end
end
