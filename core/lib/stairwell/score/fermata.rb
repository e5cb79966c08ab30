# frozen_string_literal: true

module Stairwell
  module Score
    # A note of `counts` written counts is held for `held`; nil for twice as
    # long (common practice).
    Fermata =
      Stairwell.value(:bar, :counts, beat: 1r, held: nil) do
        # @return [Rational] counts added to the printed ones
        def added = (held || counts * 2) - counts
      end
  end
end
