# frozen_string_literal: true

module Stairwell
  module Score
    # Another tempo from a bar on: the words, and the mark (unit in whole notes, beats of it a
    # minute) where one is printed.
    TempoChange = Stairwell.value(:bar, words: nil, mark_unit: nil, mark: nil)
  end
end
