# frozen_string_literal: true

module Stairwell
  module Score
    # A clef a hand reads from, by its name ("treble", "bass"), from a place on.
    Clef = Stairwell.value(:hand, :name, bar: 1, beat: 1r)
  end
end
