# frozen_string_literal: true

module Stairwell
  # Numbers with their units, written the same on every screen, in every message and on
  # paper.
  module Units
    module_function

    # @param value [Numeric] minutes; halves are written as people do
    # @return [Phrase] such as "2½ min"
    def minutes(value) = Phrase["units.minutes", minutes: Phrase.number(value)]
  end
end
