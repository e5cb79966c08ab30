# frozen_string_literal: true

require_relative "practice/metronome"
require_relative "practice/routine"
require_relative "practice/routine_check"
require_relative "practice/routines"
require_relative "practice/step"
require_relative "practice/estimate"
require_relative "practice/wording"
require_relative "practice/targets"
require_relative "practice/steps"

module Stairwell
  # How it is learned: routines made of stages, and the steps they give on the
  # sections, seams and whole of one piece, each with its estimate.
  module Practice
    # @param map [Score::Map]
    # @param routine [Routine]
    # @param choices [Choices]
    # @return [Array<Step>] in the order of the piece
    # @raise [ContradictionError] when the map has no section to learn
    def self.steps(map, routine: HAND_BY_HAND, choices: Choices.new)
      Steps.new(map, routine, choices).to_a
    end
  end
end
