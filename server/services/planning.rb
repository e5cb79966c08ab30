# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Plans a student's week over all their pieces, from what was heard and
      # practised so far, and around what the teacher decided by hand.
      class PlanWeek
        def initialize(desk)
          @desk = desk
          @weeks = Models::Weeks.new(desk)
          @overrides = Models::Overrides.new(desk)
        end

        # @param student [Hash] row
        # @param from [Date] the first day that may be practised
        # @return [Hash] the week as {Views::Week} shows it; nothing is saved
        def preview(student, from:, **given)
          load = Workload.new(@desk, student, from: from, **given)
          Views::Week.to_h(Planning.week(**load.week), load)
        end

        # Plans and keeps the plan. Days of the same week that have gone by, and
        # today once something was practised, stay as they were.
        # @return [Hash]
        def call(student, from: Workload.first_day(student, @desk.today))
          from += 1 if from == @desk.today && practised?(student, from)
          week = preview(student, from: from)
          week = after(@weeks.newest(student[:id])&.fetch(:plan)&.to_hash, week)
          @weeks.add(student[:id], from, Date.parse(week[:next_lesson]), week)
          Models::Summaries.new(@desk).stale(student[:id])
          week
        end

        # When days were missed or went badly, plans the rest of the week again.
        # @param plan [Hash, nil] the week under way, as stored
        # @param given [Array<Models::Assignments::Given>]
        # @return [Boolean] whether there is a new plan
        def mend(student, plan, given)
          return false unless plan && plan["next_lesson"] > @desk.today.to_s && missed?(plan, given)

          call(student, from: @desk.today)
          true
        end

        # Lets the teacher change the week by hand, and plans the rest around it.
        # @param edit [String] of {Planning::OverrideEdits}, or "set" with overrides: as
        #   they were, to undo
        # @param said [Hash] id:, date:, to:, repetitions:, minutes:, title:
        # @param starts [Date] first day of the week that is shown
        # @param seen [Integer] version of the overrides that is shown
        # @return [void]
        # @raise [Problem] 409 when it was changed meanwhile, 422 when it makes no sense
        def draw(student, edit:, starts:, seen:, overrides: nil, **said)
          from = first(starts)
          next_lesson = Workload.new(@desk, student, given: [], from: from).next_lesson
          before = @overrides.of(student[:id], next_lesson)
          after = (edit == "set") ? overrides.to_a.map { |one| @overrides.override(one) } : Planning::OverrideEdits.draw(before, edit.to_sym, **values(said))
          raise Problem.new(422, "That is more than a week holds. Take something out first.", code: "too_many", field: "overrides") if after.size > 200

          @overrides.save(student[:id], next_lesson, after, seen: seen)
          call(student, from: from)
        rescue ContradictionError => error
          raise Problem.new(422, error.message, code: "edit", field: "edit")
        end

        private

        def practised?(student, date) = @desk[:practice_marks].where(student_id: student[:id], day: date).any?

        def after(before, week)
          return week unless before && before["next_lesson"] == week[:next_lesson]

          gone = before["days"].select { |day| day["date"] < week[:planned_from] }
          gone.empty? ? week : week.merge(starts: gone.first["date"], days: gone + week[:days])
        end

        # Whether a day since the last planning lacks a good day that was planned.
        def missed?(plan, given)
          gone = plan["days"].select { |day| day["date"].between?(plan.fetch("planned_from", plan["starts"]), (@desk.today - 1).to_s) }
          gone.any? { |day| day["items"].any? { |item| item["kind"] == "step" && !good?(item, Date.parse(day["date"]), given) } }
        end

        def good?(item, date, given)
          standing = given.find { |one| one.id == item["assignment_id"] }&.progress&.standings&.fetch(item["step_id"], nil)
          standing.nil? || standing.done? || standing.good_dates.include?(date)
        end

        # Today, or tomorrow on a lesson day.
        def first(starts)
          date = day(starts)
          date.between?(@desk.today, @desk.today + 1) ? date : @desk.today
        end

        def values(said)
          said.merge(**said.slice(:date, :to).transform_values { |text| day(text) }, **said.slice(:minutes).transform_values { |number| Rational(number.to_s) })
        end

        def day(text)
          Date.iso8601(text)
        rescue Date::Error
          raise Problem.new(422, "“#{text}” is no date.", code: "date", field: "date")
        end
      end
    end
  end
end
