# frozen_string_literal: true

module Stairwell
  module Studio
    # A step as it comes up at a lesson: how it stands, what was heard of it today
    # (nil where nothing was), its boxes, and why it is to be heard first (nil where
    # it is not).
    LessonStep = Stairwell.value(:piece, :standing, :boxes, heard: nil, first: nil) do
      # @return [Practice::Step]
      def step = standing.step

      # @return [String] as the planner names it
      def task_id = piece.prefix + step.id
    end
  end
end
