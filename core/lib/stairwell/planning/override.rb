# frozen_string_literal: true

module Stairwell
  module Planning
    # One thing the teacher decided about a week, over the planner's head.
    #
    # - `kind` :on – the item `id` stands on `date`, with so many `repetitions`
    #   or `minutes` where these are said
    # - `kind` :off – it does not stand on `date`, or on no day where that is nil
    # - `kind` :added – a thing of the teacher's own, with `title` and `minutes`
    Override = Stairwell.value(:kind, :id, date: nil, repetitions: nil, minutes: nil, title: nil)
  end
end
