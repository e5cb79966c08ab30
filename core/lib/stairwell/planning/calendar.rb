# frozen_string_literal: true

module Stairwell
  module Planning
    # The student's practice days between two lessons.
    module Calendar
      # @param practice [Practice]
      # @param from [Date] the first day that may be practised
      # @param next_lesson [Date] excluded
      # @return [Array<Date>]
      # @raise [ContradictionError] when the student practises on no weekday
      def self.days(practice, from, next_lesson)
        raise ContradictionError, Phrase["planning.calendar.there_is_no_practice_day_choose"] if practice.weekdays.empty?

        (from...next_lesson).select { |date| practice.on?(date) }
      end

      # @param day [Date] the day of a lesson or of planning
      # @param weekday [Integer] 0 to 6
      # @param away [Array<Date>] days without lessons
      # @return [Date] the next lesson after it
      def self.next_lesson(day, weekday, away)
        first = next_weekday(day, weekday)
        Constants::MOST_LESSONS_MISSED.times.map { |week| first + 7 * week }.find { |date| !away.include?(date) } || first
      end

      # @param day [Date] the day of a lesson or of planning
      # @param weekday [Integer] 0 to 6
      # @return [Date] the next such weekday after it
      def self.next_weekday(day, weekday) = day + ((weekday - day.wday - 1) % 7) + 1
    end
  end
end
