# frozen_string_literal: true

module Stairwell
  module Score
    # An octave line: the hand plays an octave away from where it is written;
    # `up` is false for one that lies lower.
    Octave = Stairwell.value(:span, hand: nil, up: true)
  end
end
