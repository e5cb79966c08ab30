# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Taps on a sheet, and what was counted of them.
      class Marks
        # @param tables [Tables]
        # @param student_id [Integer]
        def initialize(tables, student_id)
          @tables = tables
          @rows = tables[:practice_marks].where(student_id: student_id)
          @student_id = student_id
        end

        # Whether a step is, or was, one of the student's; today only of what is in hand.
        # @param assignment_id [Integer, nil] nil for what is no step: what begins a day, and extra
        #   work
        # @param today [Boolean]
        # @return [Boolean]
        def step?(assignment_id, step_id, today:)
          return beside?(step_id) unless assignment_id

          own = @tables[:assignments].where(student_id: @student_id, id: assignment_id)
          own = own.where(ended: nil) if today
          # A simplification is a form of a step, and there may be more of either than is needed.
          step =
            step_id.delete_suffix(Planning::More::MARK).split(Practice::Simplification::MARK).first
          own.where(Sequel.lit("steps @> ?::jsonb", JSON.generate([{ id: step }]))).any?
        end

        # @return [Boolean] whether it was new; the same key twice counts once
        def add(**row) = @tables.add_once(:practice_marks, student_id: @student_id, **row)

        # @return [Array<Hash>] rows of a step on a day
        def of(assignment_id, step_id, day) =
          @rows.where(assignment_id: assignment_id, step_id: step_id, day: day).order(:made_at).all

        # @param day [Date]
        # @param since [Date]
        # @return [Array(Array<Hash>, Array<Hash>)] rows of all steps on a day, and of what is no
        #   step since another
        def of_sheet(day, since)
          @rows
            .where(Sequel[:day] >= since)
            .where(Sequel.|({ day: day }, { assignment_id: nil }))
            .order(:made_at)
            .all
            .partition { |row| row[:assignment_id] }
        end

        # @param row [Hash]
        # @return [Progress::Mark]
        def self.value(row) =
          Progress::Mark.new(
            key: row[:key],
            step_id: row[:step_id],
            date: row[:day],
            kind: row[:kind].to_sym,
            at: row[:made_at],
            undoes: row[:undoes],
            asked: row[:asked]
          )

        # What stood in a plan of the student's and was no step.
        PLANNED =
          "jsonb_path_exists(plan, '$.days[*].*[*] ? (@.id == $id && !(@.kind == \"step\"))', jsonb_build_object('id', CAST(:id AS text)))"
        private_constant :PLANNED

        # Repetitions and struggles by step and day, without those that were taken back.
        # @param since [Date]
        # @return [Array<Hash>]
        def counted(since)
          undone = @rows.where(kind: "undo").select(:undoes)
          @rows
            .where(Sequel[:day] >= since)
            .exclude(kind: "undo")
            .exclude(key: undone)
            .group(:assignment_id, :step_id, :day)
            .select(
              :assignment_id,
              :step_id,
              :day,
              Sequel.function(:count).*.filter(kind: "repetition").as(:repetitions),
              Sequel.function(:count).*.filter(kind: "struggle").as(:struggles)
            )
            .all
        end

        private

        def beside?(id) =
          @tables[:week_plans]
            .where(student_id: @student_id)
            .where(Sequel.lit(PLANNED, id: id))
            .any?
      end
    end
  end
end
