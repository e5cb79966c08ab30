# frozen_string_literal: true

module Stairwell
  module Score
    # Repeat bar lines. `from` is nil where the page has no opening sign,
    # `times` nil where it does not say how often; `again` whether it is taken in full after a
    # jump too.
    Repeat = Stairwell.value(:to, from: nil, times: nil, again: false)
  end
end
