# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # What was given to students: a piece, its steps, and how it goes.
      class Assignments
        # One student's piece with the progress computed from its rows.
        Given = Stairwell.value(:row, :title, :progress) do
          # @return [Integer]
          def id = row[:id]

          # @return [String] put before the ids of its steps, to plan several
          #   pieces at once
          def prefix = "#{row[:id]}/"
        end

        def initialize(desk)
          @desk = desk
        end

        # @param student_ids [Array<Integer>, nil] nil for the whole studio
        # @return [Hash{Integer => Array<Given>}] by student id; as many queries
        #   however many students
        def by_student(student_ids = nil)
          rows = of(:assignments, student_ids).where(ended: nil).join(:pieces, studio_id: :studio_id, id: :piece_id)
            .select_all(:assignments).select_append(:title).order(Sequel[:assignments][:id]).all
          events = Happened.new(@desk).by_assignment(student_ids)
          rows.group_by { |row| row[:student_id] }.transform_values do |given|
            given.map do |row|
              steps = row[:steps].map { |step| Practice::Step.from_data(step.to_hash) }
              Given.new(row: row, title: row[:title], progress: Progress.piece(steps, events.fetch(row[:id], []), introduce_first: row[:introduce_first]))
            end
          end
        end

        # @return [Array<Given>]
        def of_student(id) = by_student([id]).fetch(id, [])

        # @return [Array<Hash>] pieces that ended, the newest first
        def repertoire(student_id)
          of(:assignments, [student_id]).exclude(ended: nil).join(:pieces, studio_id: :studio_id, id: :piece_id).select_all(:assignments).select_append(:title)
            .order(Sequel.desc(:ended_on), :title).map do |row|
              row.slice(:id, :piece_id, :title, :ended).merge(given_on: row[:given_at].to_date.to_s, ended_on: row[:ended_on].to_s, keep_for: row[:keep_for]&.to_s)
            end
        end

        # @param student_id [Integer]
        # @return [Given]
        # @raise [Problem] 404
        def find(student_id, id) = of_student(student_id).find { |one| one.id == id } || raise(Problem.not_found("piece of this student"))

        # @return [Hash]
        # @raise [Problem] 409 when the student already has the piece
        def add(steps:, **values)
          @desk.add(:assignments, steps: Sequel.pg_jsonb(steps.map(&:to_data)), given_by: @desk.account_id, **values)
        rescue Sequel::UniqueConstraintViolation
          raise Problem.new(409, "This student already has this piece.", code: "given_already", field: "piece_id")
        end

        # @return [void]
        def change(id, **values)
          values[:steps] = Sequel.pg_jsonb(values[:steps].map(&:to_data)) if values[:steps]
          values[:choices] = Sequel.pg_jsonb(values[:choices]) if values[:choices]
          @desk[:assignments].where(id: id).update(values)
        end

        private

        def of(table, student_ids)
          rows = @desk[table]
          student_ids ? rows.where(Sequel[table][:student_id] => student_ids) : rows
        end
      end

      # What happened, from the tables that are only added to, as the core's
      # events.
      class Happened
        def initialize(desk)
          @desk = desk
        end

        # @param student_ids [Array<Integer>, nil] nil for the whole studio
        # @return [Hash{Integer => Array}] events by assignment
        def by_assignment(student_ids)
          found = Hash.new { |all, id| all[id] = [] }
          {practice_marks: :mark, lesson_results: :heard, introductions: :introduced, simplifications: :simplified}.each do |table, kind|
            of(table, student_ids).each { |row| found[row[:assignment_id]] << send(kind, row) }
          end
          of(:week_overrides, student_ids).select_map(:overrides).flat_map(&:to_a).each { |override| asked(override)&.then { |id, event| found[id] << event } }
          found.tap { found.default = nil }
        end

        private

        def of(table, student_ids)
          rows = @desk[table]
          student_ids ? rows.where(student_id: student_ids) : rows
        end

        def mark(row)
          Progress::Mark.new(key: row[:key], step_id: row[:step_id], date: row[:day], kind: row[:kind].to_sym, at: row[:made_at], undoes: row[:undoes])
        end

        def heard(row)
          Progress::LessonResult.new(step_id: row[:step_id], date: row[:day], result: row[:result].to_sym, at: row[:made_at])
        end

        def introduced(row) = Progress::Introduction.new(what: row[:what], introduced: row[:introduced], at: row[:made_at])

        def simplified(row) = Progress::Simplified.new(step_id: row[:step_id], form: row[:form].to_sym, bar: row[:bar], at: row[:made_at])

        # Repetitions the teacher asked for on a day, where they are others.
        def asked(override)
          return unless override["kind"] == "on" && override["repetitions"]

          assignment_id, step_id = override["id"].split("/", 2)
          [assignment_id.to_i, Progress::Asked.new(step_id: step_id, date: Date.iso8601(override["date"]), repetitions: override["repetitions"])] if step_id
        end
      end
    end
  end
end
