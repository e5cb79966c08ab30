# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Dates that were promised, the first of each calendar week of a piece.
      class PromisedDates
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param student_ids [Array<Integer>]
        # @return [Hash{Integer => Array<Studio::Promised>}] by student
        def of(student_ids)
          week =
            Sequel.function(:date_trunc, "week", Sequel[:promised_dates][:day].cast(:timestamp))
          rows =
            @tables[:promised_dates]
              .where(Sequel[:promised_dates][:student_id] => student_ids)
              .exclude(likely: nil)
              .exclude(cautious: nil)
              .join(:assignments, studio_id: :studio_id, id: :assignment_id)
              .distinct(:assignment_id, week)
              .order(:assignment_id, week, Sequel[:promised_dates][:id])
              .select(
                Sequel[:promised_dates][:student_id],
                :assignment_id,
                Sequel[:promised_dates][:day],
                :likely,
                :cautious,
                :stretch,
                :ended,
                :ended_on
              )
              .all
          rows
            .group_by { |row| row[:student_id] }
            .transform_values { |all| all.map { |row| value(row) } }
        end

        private

        def value(row)
          Studio::Promised.new(
            **row.slice(:assignment_id, :day, :likely, :cautious, :stretch),
            ended: !row[:ended].nil?,
            done_on: (row[:ended_on] if row[:ended] == "passed")
          )
        end
      end
    end
  end
end
