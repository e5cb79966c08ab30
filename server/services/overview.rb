# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Every student of the studio at a glance. A fixed number of queries, however
      # many students there are: what a student's line shows is kept as a summary.
      class Overview
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>] in the order of the week's lessons
        def rows
          students = Models::Students.new(@desk).list
          summaries = kept(students)
          students.map { |row| line(row).merge(summaries.fetch(row[:id], BLANK), known: summaries.key?(row[:id])) }
        end

        # Makes summaries that are not fresh.
        # @return [Integer] how many are left
        def freshen
          students = Models::Students.new(@desk).list
          kept(students)
          fresh = @desk[:student_summaries].where(computed_on: @desk.today, stale: false).count
          students.size - fresh
        end

        # As long as the background has not come to a student.
        BLANK = {"pieces" => [], "practised" => {"done" => 0, "of" => 0}, "last_result" => nil, "concerns" => [], "outlooks" => []}.freeze

        private

        def kept(students)
          by_id = students.to_h { |row| [row[:id], row] }
          Models::Summaries.new(@desk).of(by_id.keys) do |ids|
            given = Models::Assignments.new(@desk).by_student(ids)
            weeks = Models::Weeks.new(@desk).under_way(ids)
            ids.to_h { |id| [id, summary(by_id[id], given.fetch(id, []), weeks[id]&.fetch(:plan)&.to_hash)] }
          end
        end

        def line(student)
          Views::Student.settings(student).slice(:id, :name, :lesson_weekday, :lesson_time, :class_name).merge(teacher: student[:teacher])
        end

        def summary(student, given, week)
          outlooks = Ahead.new(@desk, student, given).outlooks(options: false)
          {
            pieces: given.map { |one| piece(one) }, practised: Practised.of(week, given).to_h, last_result: last_result(given),
            concerns: Watch.new(@desk, student, given, week, outlooks: outlooks).concerns,
            outlooks: given.map { |one| outlooks.fetch(one.id).slice(:middle, :cautious, :due_on, :late).merge(piece: one.title) }
          }
        end

        def piece(given)
          {
            title: given.title, percent: Views::Student.percent(given.progress),
            states: given.progress.standings.values.map { |one| one.state.to_s }
          }
        end

        def last_result(given)
          heard, one = given.filter_map { |each| each.progress.last_result&.then { |found| [found, each] } }.max_by { |found, _| [found.date, found.at] }
          step = one && one.progress.steps.find { |each| each.id == heard.step_id }
          step && {title: step.title, piece: one.title, result: heard.result.to_s, day: heard.date.to_s}
        end
      end
    end
  end
end
