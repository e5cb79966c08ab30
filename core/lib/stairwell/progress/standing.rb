# frozen_string_literal: true

module Stairwell
  module Progress
    # Where a step stands: `state` is :waiting, :open, :begun, :steady or
    # :secure; `credited` good days of `good_days` in all; `last_result` the last
    # result that said something, and when; `days` {Date => {repetitions:, struggle:}}.
    # `steady_on` is the day all its good days were there, `good_dates` the days
    # that were good, `reviews` how often it came back since it was secure, and
    # `introduced` whether the teacher has shown what it takes.
    Standing = Stairwell.value(:step, :state, :credited, :good_days, :last_result, :days, steady_on: nil, good_dates: [], reviews: 0, introduced: true) do
      def done? = %i[steady secure].include?(state)
    end
  end
end
