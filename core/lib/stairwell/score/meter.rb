# frozen_string_literal: true

module Stairwell
  module Score
    # Meters whose count is the dotted value, three units long.
    COMPOUND = [6, 9, 12].freeze

    # A time signature. `bar` is the index from which it holds.
    Meter = Stairwell.value(:beats, :unit, bar: 1) do
      # @return [Rational] a full bar in whole notes
      def bar_length = Rational(beats, unit)

      # @return [Rational] one count in whole notes: the unit, but the dotted
      #   value in 6/8, 9/8 and 12/8 (cut time is written 2/2 and so counts
      #   half notes)
      def count_length = compound? ? Rational(3, unit) : Rational(1, unit)

      # @return [Integer] small counts in a large one: three eighths, or two quarters in cut
      #   time; one where there is no other way to count
      def small_counts
        return 3 if compound?

        (unit == 2) ? 2 : 1
      end

      # @param length [Rational] in whole notes
      # @return [Rational] the same in counts
      def counts(length) = length / count_length

      def compound? = unit == 8 && COMPOUND.include?(beats)

      def to_s = "#{beats}/#{unit}"
    end
  end
end
