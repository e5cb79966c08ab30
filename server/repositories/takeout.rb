# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What a studio holds, as plain rows for other programs.
      class Takeout
        # @param tables [Tables]
        # @param student_id [Integer, nil] one alone
        def initialize(tables, student_id = nil)
          @tables = tables
          @student_id = student_id
        end

        # @return [Array<Hash>] those who have gone too
        def students
          of(:students, :id)
            .join(:accounts, { id: :teacher_id })
            .order(Sequel[:students][:name], Sequel[:students][:id])
            .select_all(:students)
            .select_append(Sequel[:accounts][:name].as(:teacher))
            .all
        end

        # @return [Array<Hash>] the last word of each step on each day
        def results
          last =
            of(:lesson_results).distinct(:student_id, :day, :assignment_id, :step_id).order(
              :student_id,
              :day,
              :assignment_id,
              :step_id,
              Sequel.desc(:made_at)
            )
          with_piece(last.as(:heard), :heard)
            .exclude(result: "not_heard")
            .join(:accounts, { id: Sequel[:heard][:recorded_by] })
            .order(Sequel[:heard][:day], Sequel[:students][:name], Sequel[:heard][:made_at])
            .select(
              Sequel[:heard][:day],
              Sequel[:students][:name].as(:student),
              Sequel[:pieces][:title].as(:piece),
              title(:heard),
              :step_id,
              :result,
              :cause,
              :bar,
              :stumbles,
              Sequel[:heard][:tempo],
              :note,
              Sequel[:accounts][:name].as(:heard_by)
            )
            .all
        end

        # @return [Array<Hash>] by day and step, without what was taken back
        def practice
          undone = @tables[:practice_marks].where(kind: "undo").select(:undoes)
          counted =
            of(:practice_marks)
              .exclude(kind: "undo")
              .exclude(assignment_id: nil)
              .exclude(key: undone)
              .group(:student_id, :day, :assignment_id, :step_id)
              .select(
                :student_id,
                :day,
                :assignment_id,
                :step_id,
                *%w[repetition struggle hurts].map do |kind|
                  Sequel.function(:count).*.filter(kind: kind).as(kind.to_sym)
                end
              )
          with_piece(counted.as(:marks), :marks)
            .order(Sequel[:marks][:day], Sequel[:students][:name], :step_id)
            .select(
              Sequel[:marks][:day],
              Sequel[:students][:name].as(:student),
              Sequel[:pieces][:title].as(:piece),
              title(:marks),
              :step_id,
              :repetition,
              :struggle,
              :hurts
            )
            .all
        end

        # @return [Array<Hash>] every piece that was ever given
        def repertoire
          of(:assignments)
            .join(:pieces, { studio_id: :studio_id, id: :piece_id })
            .join(
              :students,
              { studio_id: Sequel[:assignments][:studio_id], id: Sequel[:assignments][:student_id] }
            )
            .order(Sequel[:students][:name], :assigned_at)
            .select(
              Sequel[:students][:name].as(:student),
              Sequel[:pieces][:title].as(:piece),
              :book,
              Sequel.cast(:assigned_at, :date).as(:assigned_on),
              :due_on,
              :ended,
              :ended_on,
              :keep_for
            )
            .all
        end

        private

        def of(table, column = :student_id) =
          @student_id ? @tables[table].where(Sequel[table][column] => @student_id) : @tables[table]

        def with_piece(rows, name)
          @tables
            .db
            .from(rows)
            .join(:assignments, { studio_id: @tables.studio_id, id: Sequel[name][:assignment_id] })
            .join(
              :pieces,
              { studio_id: Sequel[:assignments][:studio_id], id: Sequel[:assignments][:piece_id] }
            )
            .join(
              :students,
              { studio_id: Sequel[:assignments][:studio_id], id: Sequel[name][:student_id] }
            )
        end

        # A smaller form is called as the step it is of.
        def title(name)
          Sequel.lit(
            "(SELECT step -> 'title' FROM jsonb_array_elements(assignments.steps) AS step WHERE step ->> 'id' = split_part(?, ?, 1) LIMIT 1)",
            Sequel[name][:step_id],
            Practice::Simplification::MARK
          ).as(:title)
        end
      end
    end
  end
end
