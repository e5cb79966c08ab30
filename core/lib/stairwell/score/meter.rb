# frozen_string_literal: true

module Stairwell
  module Score
    # Meters whose count is the dotted value, three units long.
    COMPOUND = [6, 9, 12].freeze

    # A time signature. `bar` is the index from which it holds. Where none is printed it is `free`:
    # quarters are counted, and bars are as long as they are.
    Meter =
      Stairwell.value(:beats, :unit, bar: 1, free: false) do
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

        def to_s = free ? Meter::FREE : "#{beats}/#{unit}"
      end

    Meter::FREE = "free"

    # @param text [String] as {#to_s} gives
    # @return [Meter]
    def Meter.parse(text, bar: 1)
      return free(bar: bar) if text == Meter::FREE

      beats, unit = text.split("/").map(&:to_i)
      new(beats: beats, unit: unit, bar: bar)
    end

    # @return [Meter]
    def Meter.free(bar: 1) = new(beats: 4, unit: 4, bar: bar, free: true)
  end
end
