# frozen_string_literal: true

module Stairwell
  module Planning
    # How a student practises: weekdays (0 is Sunday, as Date#wday), minutes a
    # day (`by_day` by weekday where they differ), how many steps may begin on
    # one day, dates on which there is no practice, weekdays of lessons, on which nothing is
    # planned, and the lessons to come at which something is shown (where none is said, one
    # every week).
    Practice =
      Stairwell.value(
        :weekdays,
        :minutes,
        begin_per_day: Constants::BEGIN_PER_DAY[:other],
        by_day: {
        },
        absent: [],
        lesson_days: [],
        lessons: []
      ) do
        # @param date [Date]
        # @return [Rational] minutes
        def budget(date) = by_day.fetch(date.wday, minutes)

        # @param task [Task]
        # @return [Task] as little of it as stands on a day
        def least(task) = task.shrinks? ? task.least : task

        # @param most [Rational] minutes
        # @return [Practice] with no day longer than that
        def at_most(most) =
          with(
            minutes: [minutes, most].min,
            by_day: by_day.transform_values { |minutes| [minutes, most].min }
          )

        # @return [Rational] the most minutes of any practice day
        def most = weekdays.map { |day| by_day.fetch(day, minutes) }.max

        # @param number [Integer] 1 is the next one
        # @param next_lesson [Date]
        # @return [Date] of that lesson
        def lesson(number, next_lesson) =
          lessons[number - 1] ||
            ((lessons.last || next_lesson) + 7 * (number - [lessons.size, 1].max))

        # @param lesson [Date]
        # @return [Date] the one after it
        def lesson_after(lesson) = lessons.find { |date| date > lesson } || (lesson + 7)

        # @return [Boolean]
        def on?(date) = weekdays.include?(date.wday) && !absent.include?(date)

        # @param date [Date]
        # @return [Boolean] whether something can be planned for it as far as one sees ahead
        def planned?(date) = on?(date) && !lesson_days.include?(date.wday)
      end

    # @param minutes [Integer] a day
    # @return [Integer] steps that may begin on a day where nobody said how many
    def Practice.usual_begin(minutes) =
      (minutes / Constants::BEGIN_MINUTES).clamp(Constants::USUAL_BEGIN)
  end
end
