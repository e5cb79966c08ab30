# frozen_string_literal: true

module Stairwell
  module Score
    # What a score says of where phrases end: places, each [bar, whole notes from its beginning],
    # right behind a slur or a breath, and where a syllable begins inside a word.
    Phrasing = Stairwell.value(slurs: [], breaths: [], inside_words: [])
  end
end
