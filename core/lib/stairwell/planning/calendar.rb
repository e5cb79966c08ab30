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
        if practice.weekdays.empty?
          raise ContradictionError, Phrase["planning.calendar.there_is_no_practice_day_choose"]
        end

        (from...next_lesson).select { |date| practice.on?(date) }
      end

      # Up to which day a plan goes: the next lesson, or, where that is far off, the end of
      # the calendar week. Days without practice on the way make it no further.
      # @param from [Date] the day of a lesson or of planning
      # @param lesson [Date, nil] the next one after it
      # @param practice [Practice]
      # @return [Date] excluded
      def self.plan_end(from, lesson, practice)
        if lesson &&
             (from + 1...lesson).count { |date| !practice.absent.include?(date) } <
               Constants::LONGEST_PLAN
          return lesson
        end

        next_weekday(from, Constants::WEEK_BEGINS)
      end

      # @param day [Date] the day of a lesson or of planning
      # @param weekday [Integer] 0 to 6
      # @return [Date] the next such weekday after it
      def self.next_weekday(day, weekday) = day + ((weekday - day.wday - 1) % 7) + 1
    end
  end
end
