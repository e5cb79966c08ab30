# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # Students and the pieces they have been given.
      class Students
        COLUMNS = %i[name practice_days minutes_a_day begin_per_day lesson_weekday lesson_time hand_order hand_span has_pedal warm_ups absent].freeze
        # Days an absence may last. Own choice: a year and some.
        LONGEST = 400

        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>] with the teacher's name, in order of the week
        def list
          @desk[:students].join(:accounts, id: :teacher_id).select_all(:students)
            .select_append(Sequel[:accounts][:name].as(:teacher)).order(:lesson_weekday, :lesson_time, Sequel[:students][:name]).all
        end

        # @return [Hash]
        # @raise [Problem] 404
        def find(id) = @desk[:students].first(id: id) || raise(Problem.not_found("student"))

        # @return [Hash]
        def add(values) = @desk.add(:students, teacher_id: @desk.account_id, **columns(values))

        # @return [Hash]
        # @raise [Problem] 409 when the row was changed since the client saw it
        def change(id, values, seen:)
          changed = @desk[:students].where(id: id, version: seen).returning.update(version: seen + 1, **columns(values)).first
          return changed if changed

          kept = find(id)
          raise Problem.stale(kept[:name], kept: Views::Student.settings(kept), sent: values)
        end

        # @return [Array<Hash>] the newest result of "where next?" for each piece
        def drills(id)
          newest = @desk[:drill_results].where(student_id: id).distinct(:piece_id).order(:piece_id, Sequel.desc(:made_at))
          newest.from_self(alias: :drill_results).join(:pieces, studio_id: :studio_id, id: :piece_id)
            .select(:title, :day, :asked, :correct).order(:title).map { |row| row.merge(day: row[:day].to_s) }
        end

        # @param student [Hash] row
        # @return [Planning::Practice]
        def self.practice(student)
          Planning::Practice.new(weekdays: student[:practice_days].to_a, minutes: student[:minutes_a_day].to_r, begin_per_day: student[:begin_per_day], absent: away(student))
        end

        # @return [Array<Date>] days on which there is no practice
        def self.away(student)
          student[:absent].to_a.flat_map do |one|
            from, to = [one["from"], one["to"]].map { |text| Date.iso8601(text) }
            (from..[to, from + LONGEST].min).to_a
          end
        end

        private

        def columns(values)
          found = values.slice(*COLUMNS)
          found[:practice_days] = Sequel.pg_array(found[:practice_days].uniq.sort, :integer) if found[:practice_days]
          if found[:absent]
            check_absences(found[:absent])
            found[:absent] = Sequel.pg_jsonb(found[:absent])
          end
          found
        end

        # @raise [Problem] 422 for dates that do not exist or run backwards
        def check_absences(all)
          wrong = all.find { |one| Date.iso8601(one[:from]) > Date.iso8601(one[:to]) }
          raise Problem.new(422, "The absence from #{wrong[:from]} ends before it begins. Turn the two dates round.", code: "absence", field: "absent") if wrong
        rescue Date::Error
          raise Problem.new(422, "One of the dates of absence does not exist. Correct it.", code: "absence", field: "absent")
        end
      end

      # What was given to students: a piece, its steps, and how it goes.
      class Assignments
        # One student's piece with the progress computed from its rows.
        Given = Stairwell.value(:row, :title, :progress)

        def initialize(desk)
          @desk = desk
        end

        # @param student_ids [Array<Integer>, nil] nil for the whole studio
        # @return [Hash{Integer => Array<Given>}] by student id; three queries,
        #   however many students
        def by_student(student_ids = nil)
          rows = of(:assignments, student_ids).join(:pieces, studio_id: :studio_id, id: :piece_id)
            .select_all(:assignments).select_append(:title).order(Sequel[:assignments][:id]).all
          events = events(student_ids)
          rows.group_by { |row| row[:student_id] }.transform_values do |given|
            given.map do |row|
              steps = row[:steps].map { |step| Practice::Step.from_data(step.to_hash) }
              Given.new(row: row, title: row[:title], progress: Progress.piece(steps, events.fetch(row[:id], [])))
            end
          end
        end

        # @return [Array<Given>]
        def of_student(id) = by_student([id]).fetch(id, [])

        # @return [Hash]
        # @raise [Problem] 409 when the student already has the piece
        def add(steps:, **values)
          @desk.add(:assignments, steps: Sequel.pg_jsonb(steps.map(&:to_data)), given_by: @desk.account_id, **values)
        rescue Sequel::UniqueConstraintViolation
          raise Problem.new(409, "This student already has this piece.", code: "given_already", field: "piece_id")
        end

        private

        def of(table, student_ids)
          rows = @desk[table]
          student_ids ? rows.where(Sequel[table][:student_id] => student_ids) : rows
        end

        def events(student_ids)
          marks = of(:practice_marks, student_ids).all.group_by { |row| row[:assignment_id] }
          heard = of(:lesson_results, student_ids).all.group_by { |row| row[:assignment_id] }
          (marks.keys | heard.keys).to_h do |id|
            [id, marks.fetch(id, []).map { |row| mark(row) } + heard.fetch(id, []).map { |row| heard(row) }]
          end
        end

        def mark(row)
          Progress::Mark.new(key: row[:key], step_id: row[:step_id], date: row[:day], kind: row[:kind].to_sym, at: row[:made_at], undoes: row[:undoes])
        end

        def heard(row)
          Progress::Heard.new(step_id: row[:step_id], date: row[:day], result: row[:result].to_sym, at: row[:made_at])
        end
      end
    end
  end
end
