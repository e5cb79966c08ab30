# frozen_string_literal: true

module Stairwell
  module Score
    # Where a hand is put: finger (1 the thumb) and key. A `guide` is the finger that leads it
    # there.
    Start = Stairwell.value(:hand, :finger, :pitch, bar: 1, beat: 1r, guide: false)
  end
end
