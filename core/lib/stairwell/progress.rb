# frozen_string_literal: true

require_relative "progress/mark"
require_relative "progress/lesson_result"
require_relative "progress/simplified"
require_relative "progress/asked"
require_relative "progress/introduction"
require_relative "progress/events"
require_relative "progress/standing"
require_relative "progress/fold"
require_relative "progress/experience"
require_relative "progress/closure"
require_relative "progress/piece"
require_relative "progress/pace"
require_relative "progress/timing"
require_relative "progress/tempos"
require_relative "progress/reviews"
require_relative "progress/tasks"
require_relative "progress/offer"
require_relative "progress/stairs"
require_relative "progress/staircase"
require_relative "progress/concern"
require_relative "progress/attention"

module Stairwell
  # How it goes: states and credits computed from what was only ever added to,
  # practice marks and lesson results.
  module Progress
    # @param steps [Array<Practice::Step>]
    # @param events [Array<Mark, LessonResult, Simplified, Asked, Introduction>] of one student's
    #   piece, in any order
    # @param introduce_first [Boolean] whether a section opens only when it was introduced
    # @return [Piece]
    def self.piece(steps, events, introduce_first: false) =
      Piece.new(steps, events, introduce_first: introduce_first)
  end
end
