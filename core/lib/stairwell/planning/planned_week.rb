# frozen_string_literal: true

module Stairwell
  module Planning
    # A week from lesson to lesson as it was planned, readable without anything
    # beside it. Days before `planned_from` have gone by and stand as they were
    # planned then; `budget` is the student's usual minutes a day. Where no lesson is near it
    # goes to the end of the calendar week: `next_lesson` is that day, and `with_lesson` false.
    PlannedWeek =
      Stairwell.value(
        :starts,
        :planned_from,
        :next_lesson,
        :budget,
        days: [],
        left_out: [],
        unmet: [],
        limits: [],
        rows: [],
        with_lesson: true
      ) do
        # @param date [Date]
        # @return [PlannedDay, nil]
        def day(date) = days.find { |one| one.date == date }

        # @return [Array<Date>]
        def dates = days.map(&:date)

        # @param from [Date]
        # @return [PlannedWeek] without the days before that date
        def rest(from) = with(days: days.reject { |day| day.date < from })

        # @return [Hash{Array(Integer, String) => Hash{Date => Integer}}] of each step the days on
        #   which it stands, and how many repetitions these ask for
        def asked
          days.each_with_object({}) do |day, found|
            day.steps.each { |item| (found[item.key] ||= {})[day.date] = item.repetitions }
          end
        end

        # @param row [PlannedRow]
        # @return [Array<Array(Integer, Date, Array)>] its cells: the number of the practice day,
        #   its date, and what is played there
        def cells(row) =
          days.each_with_index.filter_map do |day, at|
            items = day.in_row(row.id)
            [at + 1, day.date, items] if items.any?
          end

        # @param date [Date]
        # @return [Boolean] whether its lesson is past
        def over?(date) = next_lesson < date

        # @param earlier [PlannedWeek, nil] the plan before this one
        # @return [PlannedWeek] with the days of the same week that have gone by, as
        #   they were planned; also where its lesson was on another day then
        def after(earlier)
          gone =
            (
              if earlier &&
                   (earlier.next_lesson == next_lesson || earlier.next_lesson > planned_from)
                earlier.days.select { |day| day.date < planned_from }
              else
                []
              end
            )
          return self if gone.empty?

          stood = earlier.rows.select { |row| gone.any? { |day| day.in_row(row.id).any? } }
          with(
            starts: gone.first.date,
            days: gone + days,
            rows: rows + stood.reject { |row| rows.any? { |other| other.id == row.id } }
          )
        end
      end
  end
end
