# frozen_string_literal: true

require_relative "progress/events"
require_relative "progress/standing"
require_relative "progress/piece"
require_relative "progress/pace"
require_relative "progress/reviews"

module Stairwell
  # How it goes: states and credits computed from what was only ever added to,
  # practice marks and lesson results.
  module Progress
    # @param steps [Array<Practice::Step>]
    # @param events [Array<Mark, Heard>] of one student's piece, in any order
    # @return [Piece]
    def self.piece(steps, events) = Piece.new(steps, events)
  end
end
