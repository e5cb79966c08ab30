# frozen_string_literal: true

module Stairwell
  module Studio
    # A week as it was planned and as it was practised: `boxes` a day each,
    # `practised` and `planned` days, `minutes` and `planned_minutes`, and `steps`
    # with how often they were done and asked for.
    PastWeek =
      Stairwell.value(
        :starts,
        :next_lesson,
        :boxes,
        :planned,
        :practised,
        :minutes,
        :planned_minutes,
        :steps
      )
  end
end
