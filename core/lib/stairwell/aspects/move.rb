# frozen_string_literal: true

module Stairwell
  module Aspects
    # How a hand comes to another place: at which bar and beat it is there (`at` and `from`, when
    # its last touch before was struck, in whole notes from the beginning), `steps` of the staff up
    # or down, `far` in semitones from key to key, the counts it has for that (`time`), whether a
    # finger goes over or under (`crossing`), its `guide`, what it holds meanwhile, and the finger
    # and key it comes to (`said`: printed or typed).
    Move =
      Stairwell.value(
        :hand,
        :bar,
        :beat,
        :at,
        :from,
        :steps,
        :far,
        :time,
        :crossing,
        :guide,
        :held,
        :finger,
        :pitch,
        :said
      ) do
        # @return [Boolean] whether it can be made without hurry
        def time? = time >= Constants::TIME_TO_MOVE

        # @param other [Move] of the other hand
        # @return [Boolean] whether both are under way at once
        def meets?(other) = from < other.at && other.from < at
      end

    # The finger that leads a hand to its new place: from which key to which.
    Guide =
      Stairwell.value(:finger, :from, :to, :said) do
        # @return [Boolean] whether it stays on its key
        def keeps? = from == to
      end
  end
end
