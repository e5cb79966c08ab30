# frozen_string_literal: true

module Stairwell
  module Score
    # The tempo as printed and as the teacher wants it: the word, the mark
    # (unit in whole notes, beats of that unit a minute), and the target tempo in counts
    # a minute.
    Tempo = Stairwell.value(words: nil, mark_unit: nil, mark: nil, target: nil)
  end
end
