# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Every student of the studio at a glance. A fixed number of queries,
      # however many students there are.
      class Overview
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>] in the order of the week's lessons
        def rows
          students = Models::Students.new(@desk).list
          given = Models::Assignments.new(@desk).by_student
          weeks = Models::Weeks.new(@desk).under_way(students.map { |row| row[:id] })
          students.map { |row| line(row, given.fetch(row[:id], []), weeks[row[:id]]) }
        end

        private

        def line(student, given, week)
          Views::Student.settings(student).slice(:id, :name, :lesson_weekday, :lesson_time).merge(
            teacher: student[:teacher], pieces: given.map { |one| piece(one) },
            practised: Practised.of(week&.fetch(:plan)&.to_hash, given).to_h, last_heard: last_heard(given)
          )
        end

        def piece(given)
          {
            title: given.title, percent: Views::Student.percent(given.progress),
            steps: given.progress.standings.values.map { |one| {title: one.step.title, state: one.state.to_s} }
          }
        end

        def last_heard(given)
          heard, one = given.filter_map { |each| each.progress.last_heard&.then { |found| [found, each] } }.max_by { |found, _| [found.date, found.at] }
          return unless heard

          step = one.progress.steps.find { |each| each.id == heard.step_id }
          {title: step.title, piece: one.title, result: heard.result.to_s, day: heard.date.to_s}
        end
      end
    end
  end
end
