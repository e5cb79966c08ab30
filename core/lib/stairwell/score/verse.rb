# frozen_string_literal: true

module Stairwell
  module Score
    # A verse of words to sing.
    Verse = Stairwell.value(:number, :span)
  end
end
