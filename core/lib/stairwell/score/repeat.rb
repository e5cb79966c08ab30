# frozen_string_literal: true

module Stairwell
  module Score
    # Repeat bar lines. `from` is nil where the page has no opening sign,
    # `times` nil where it does not say how often.
    Repeat = Stairwell.value(:to, from: nil, times: nil)
  end
end
