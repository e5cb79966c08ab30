# frozen_string_literal: true

module Stairwell
  module Sections
    # One thing seen when looking a piece over: under which head, in words, at
    # which bars, and the caution that belongs to it (nil for most).
    Fact = Stairwell.value(:topic, :text, bars: [], caution: nil, worked_out: false, starts: [])
  end
end
