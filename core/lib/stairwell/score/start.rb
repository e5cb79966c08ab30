# frozen_string_literal: true

module Stairwell
  module Score
    # Where a hand is put: finger (1 the thumb) and key.
    Start = Stairwell.value(:hand, :finger, :pitch, bar: 1, beat: 1r)
  end
end
