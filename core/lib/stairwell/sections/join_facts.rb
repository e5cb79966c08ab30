# frozen_string_literal: true

module Stairwell
  module Sections
    # What makes a join easy or hard: the counts in which nobody plays, how far
    # each hand leaps (semitones, nil where it does not play on both sides),
    # whether the page turns or the music jumps.
    JoinFacts = Stairwell.value(:join, :rest_counts, :leap, :turn, :jump) do
      # No rest, a leap beyond a hand position, a turn or a jump.
      # @return [Boolean]
      def hard? = turn || jump || rest_counts&.zero? || leap.values.compact.any? { |far| far > Constants::HAND_POSITION } || false
    end
  end
end
