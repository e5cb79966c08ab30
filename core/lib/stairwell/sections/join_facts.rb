# frozen_string_literal: true

module Stairwell
  module Sections
    # What makes a join easy or hard: the counts in which nobody plays, how far
    # each hand leaps (semitones, nil where it does not play on both sides) and the counts it has
    # for that, whether the page turns or the music jumps.
    JoinFacts =
      Stairwell.value(:join, :rest_counts, :leap, :time, :turn, :jump) do
        # A turn, a jump, or a hand that has to move and has no time for it. That the music goes on
        # without a rest is as it should be.
        # @return [Boolean]
        def hard? = turn || jump || hurries.any?

        # @return [Array<Symbol>] hands that move and have no time for it
        def hurries = moves.select { |hand| time.fetch(hand) < Constants::TIME_TO_MOVE }

        # @return [Array<Symbol>] hands that leave their position
        def moves = leap.compact.select { |_, far| far > Constants::HAND_POSITION }.keys
      end
  end
end
