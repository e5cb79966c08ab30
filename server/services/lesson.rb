# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # A lesson: what was practised this week, what is heard today, and the
      # week that follows from it.
      class Lesson
        def initialize(desk)
          @desk = desk
          @students = Models::Students.new(desk)
          @assignments = Models::Assignments.new(desk)
          @weeks = Models::Weeks.new(desk)
        end

        # @return [Hash] :student, :heard, :week, :practised
        def show(id)
          student = @students.find(id)
          given = @assignments.of_student(id)
          under_way = @weeks.under_way([id])[id]&.fetch(:plan)&.to_hash
          {
            student: Views::Student.settings(student), today: @desk.today.to_s, practised: Practised.of(under_way, given).to_h,
            heard: heard(under_way, given, results_today(id)),
            next_week: PlanWeek.new(@desk).preview(student, from: @desk.today + 1, given: given)
          }
        end

        # @param key [String] from the client; the same one twice counts once
        # @return [Hash] the next week, planned anew
        # @raise [Problem] 404 for a step the student does not have
        def hear(id, assignment_id:, step_id:, result:, key:)
          student = @students.find(id)
          check(id, assignment_id, step_id)
          @desk.db[:lesson_results].insert_conflict.insert(
            studio_id: @desk.studio_id, student_id: id, key: key, assignment_id: assignment_id, step_id: step_id,
            day: @desk.today, result: result, heard_by: @desk.account_id
          )
          PlanWeek.new(@desk).call(student, from: @desk.today + 1)
        end

        private

        def check(student_id, assignment_id, step_id)
          row = @desk[:assignments].first(id: assignment_id, student_id: student_id)
          raise Problem.not_found("piece of this student") unless row
          raise Problem.not_found("step in this piece") unless row[:steps].any? { |step| step["id"] == step_id }
        end

        def results_today(id)
          @desk[:lesson_results].where(student_id: id, day: @desk.today).order(:made_at)
            .to_h { |row| [[row[:assignment_id], row[:step_id]], row[:result]] }
        end

        # The steps of the week that ends, and others that were begun, in the
        # order of the pieces.
        def heard(week, given, results)
          planned = planned_days(week)
          given.flat_map { |one|
            one.progress.standings.values.filter_map do |standing|
              key = [one.row[:id], standing.step.id]
              next unless planned.key?(key) || results.key?(key) || standing.state == :begun

              Views::Student.standing(standing).merge(
                assignment_id: one.row[:id], piece: one.title, result: results[key], days: boxes(week, planned.fetch(key, []), standing)
              )
            end
          }
        end

        def planned_days(week)
          return {} unless week

          week["days"].each_with_object(Hash.new { |all, key| all[key] = [] }) do |day, found|
            day["items"].each { |item| found[[item["assignment_id"], item["step_id"]]] << Date.parse(day["date"]) }
          end
        end

        # Every practice day of the week, so that the boxes of all steps line up,
        # and other days on which the step was practised.
        def boxes(week, planned, standing)
          days = week ? week["days"].map { |day| Date.parse(day["date"]) } : []
          practised = standing.days.keys.select { |date| date >= (days.min || (@desk.today - 6)) }
          (days | practised).sort.map do |date|
            day = standing.days.fetch(date, {repetitions: 0, struggle: false})
            {date: date.to_s, planned: planned.include?(date), of: standing.step.repetitions, **day}
          end
        end
      end

      # On how many of a week's practice days something was practised.
      class Practised
        # @param week [Hash, nil] as stored
        # @param given [Array<Models::Assignments::Given>]
        def self.of(week, given) = new(week, given)

        def initialize(week, given)
          @planned = week ? week["days"].map { |day| Date.parse(day["date"]) } : []
          @practised = given.flat_map { |one| one.progress.standings.values.flat_map { |standing| standing.days.keys } }.uniq
        end

        # @return [Hash] :done and :of, in days
        def to_h = {done: (@planned & @practised).size, of: @planned.size}
      end
    end
  end
end
