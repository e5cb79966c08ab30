# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What was heard at past lessons, as it is read there again.
      class Results
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param lessons [Array<Hash>] :student_id, :day
        # @return [Hash{Array(Integer, Date) => Array<Hash>}] the last word of each step, by
        #   student and day: :assignment_id, :step_id, :title, :piece, :result, :note
        def of_lessons(lessons)
          return {} if lessons.empty?

          wanted = lessons.map { |row| [row[:student_id], row[:day]] }
          heard =
            @tables[:lesson_results]
              .where(%i[student_id day] => wanted)
              .distinct(:student_id, :day, :assignment_id, :step_id)
              .order(:student_id, :day, :assignment_id, :step_id, Sequel.desc(:made_at))
          rows =
            @tables
              .db
              .from(heard.as(:heard))
              .exclude(result: "not_heard")
              .join(:assignments, { studio_id: :studio_id, id: :assignment_id })
              .join(
                :pieces,
                { studio_id: Sequel[:assignments][:studio_id], id: Sequel[:assignments][:piece_id] }
              )
              .order(Sequel[:heard][:made_at])
              .select(
                Sequel[:heard][:student_id],
                Sequel[:heard][:day],
                :assignment_id,
                :step_id,
                :result,
                :note,
                Sequel[:pieces][:title].as(:piece),
                STEP_TITLE
              )
              .all
          rows
            .group_by { |row| row.values_at(:student_id, :day) }
            .transform_values { |all| all.map { |row| told(row) } }
        end

        # @param day [Date]
        # @param me [Integer] account
        # @return [Hash{Integer => String}] by student, which other teacher heard something of them
        #   last that day
        def others_on(day, me)
          last =
            @tables[:lesson_results]
              .where(day: day)
              .distinct(:student_id)
              .order(:student_id, Sequel.desc(:made_at))
              .select(:student_id, :recorded_by)
          @tables
            .db
            .from(last.as(:heard))
            .exclude(recorded_by: me)
            .join(:accounts, id: :recorded_by)
            .select_hash(:student_id, :name)
        end

        # A smaller form is called as the step it is of.
        STEP_TITLE =
          Sequel.lit(
            "(SELECT step -> 'title' FROM jsonb_array_elements(assignments.steps) AS step WHERE step ->> 'id' = split_part(heard.step_id, ?, 1) LIMIT 1)",
            Practice::Simplification::MARK
          ).as(:title)
        private_constant :STEP_TITLE

        private

        def told(row)
          title = row[:title].respond_to?(:to_hash) ? row[:title].to_hash : row[:title]
          row.slice(:assignment_id, :step_id, :result, :piece, :note).merge(
            title: title ? Phrase.unpack(title) : row[:step_id]
          )
        end
      end
    end
  end
end
