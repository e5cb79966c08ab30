# frozen_string_literal: true

module Stairwell
  module Score
    # What is typed of a stretch in a few words: a chord by its degree, the pattern of a hand, the
    # name of a large part.
    Told = Stairwell.value(:span, :words, hand: nil)
  end
end
