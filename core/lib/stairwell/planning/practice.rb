# frozen_string_literal: true

module Stairwell
  module Planning
    # How a student practises: weekdays (0 is Sunday, as Date#wday), minutes a
    # day (`by_day` by weekday where they differ), how many steps may begin on
    # one day, and dates on which there is no practice.
    Practice = Stairwell.value(:weekdays, :minutes, begin_per_day: Constants::BEGIN_PER_DAY[:other], by_day: {}, absent: []) do
      # @param date [Date]
      # @return [Rational] minutes
      def budget(date) = by_day.fetch(date.wday, minutes)

      # @return [Rational] the most minutes of any practice day
      def most = weekdays.map { |day| by_day.fetch(day, minutes) }.max

      # @return [Boolean]
      def on?(date) = weekdays.include?(date.wday) && !absent.include?(date)
    end
  end
end
