# frozen_string_literal: true

module Stairwell
  # Numbers with their units, written the same on every screen, in every message and on
  # paper.
  module Units
    module_function

    # @param value [Numeric] minutes, exact
    # @return [Phrase] such as "2½ min"
    def minutes(value) = Phrase["units.minutes", minutes: Phrase.number(halves(value))]

    # Sums are made of what is exact, and rounded once, when they are said.
    # @param value [Numeric] minutes, exact
    # @return [Rational] to the nearest half; what there is takes half a minute at the least
    def halves(value) = value.positive? ? [(value.to_r * 2).round / 2r, 1 / 2r].max : value.to_r
  end
end
