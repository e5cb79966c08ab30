# frozen_string_literal: true

module Stairwell
  module Progress
    # Where a step stands: `state` is :waiting, :open, :begun, :steady or
    # :secure; `credited` good days of `good_days` in all; `last_result` the last
    # result that said something, and when; `days` {Date => {repetitions:, struggle:}}.
    # `steady_on` is the day all its good days were there, `good_dates` the days
    # that were good, `reviews` how often it came back since it was secure, and
    # `introduced` whether the teacher has shown what it takes. `fallen` is one that was
    # heard "not yet" and has not caught up; what rests on it, directly or not, `waits_for_fallen`.
    Standing =
      Stairwell.value(
        :step,
        :state,
        :credited,
        :good_days,
        :last_result,
        :days,
        steady_on: nil,
        good_dates: [],
        reviews: 0,
        introduced: true,
        fallen: false,
        waits_for_fallen: false
      ) do
        def done? = %i[steady secure].include?(state)

        # @param date [Date]
        # @return [Integer] good days before it, and days on which it was played since it was steady
        def done_before(date)
          return good_dates.count { |good| good < date } unless steady_on && steady_on < date

          good_days + days.each_key.count { |day| day > steady_on && day < date }
        end

        # @return [Boolean] whether it was begun or done and waits for what has fallen behind
        def held? = waits_for_fallen && (done? || state == :begun)
      end
  end
end
