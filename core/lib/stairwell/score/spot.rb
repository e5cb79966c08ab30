# frozen_string_literal: true

module Stairwell
  module Score
    # A few notes that need work of their own.
    Spot = Stairwell.value(:span, hand: nil, text: nil)
  end
end
