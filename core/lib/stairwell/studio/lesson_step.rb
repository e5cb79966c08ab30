# frozen_string_literal: true

module Stairwell
  module Studio
    # A step as it comes up at a lesson: how it stands, what was heard of it today
    # (nil where nothing was), its boxes, why it is to be heard first (nil where
    # it is not), and when something hurt at it (nil where nothing did since the last lesson). `row`
    # is that of the week it lies in (nil where it lies in none), and `reached` says whether that
    # row has come to it, so that it's what is heard.
    LessonStep =
      Stairwell.value(
        :piece,
        :standing,
        :boxes,
        heard: nil,
        first: nil,
        hurt_on: nil,
        row: nil,
        reached: true
      ) do
        # @return [Practice::Step]
        def step = standing.step

        # @return [String] as the planner names it
        def task_id = piece.prefix + step.id
      end
  end
end
