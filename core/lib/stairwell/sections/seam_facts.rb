# frozen_string_literal: true

module Stairwell
  module Sections
    # What makes a seam easy or hard: the counts in which nobody plays, how far
    # each hand leaps (semitones, nil where it does not play on both sides),
    # whether the page turns or the music jumps.
    SeamFacts = Stairwell.value(:seam, :rest_counts, :leap, :turn, :jump) do
      # No rest, a leap beyond a hand position, a turn or a jump.
      # @return [Boolean]
      def hard? = turn || jump || rest_counts&.zero? || leap.values.compact.any? { |far| far > Constants::HAND_POSITION } || false
    end

    # Looks at seams on the page and, where they are known, in the notes.
    class Seams
      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @layout = map.layout
      end

      # @param seam [Seam]
      # @return [SeamFacts]
      def facts(seam)
        SeamFacts.new(
          seam: seam, rest_counts: rest(seam), leap: {right: leap(seam, :right, :max), left: leap(seam, :left, :min)},
          turn: @layout.turn?(seam.from_bar, seam.to_bar), jump: seam.to_bar != seam.from_bar + 1
        )
      end

      private

      def notes(bar, hand) = @map.notes.dig(bar, hand).to_a

      # @return [Rational, nil] nil without notes
      def rest(seam)
        return unless @map.notes?

        before, after = [seam.from_bar, seam.to_bar].map { |bar| Kinship::HANDS.flat_map { |hand| notes(bar, hand) } }
        from, to = @map.bar(seam.from_bar), @map.bar(seam.to_bar)
        ends = before.map { |note| note.onset + note.length }.max || 0r
        begins = after.map(&:onset).min || to.length
        from.meter.counts([from.length - ends, 0r].max) + to.meter.counts(begins)
      end

      # From the last outer note of a hand to its first.
      def leap(seam, hand, outer)
        before, after = notes(seam.from_bar, hand), notes(seam.to_bar, hand)
        return if before.empty? || after.empty?

        last = before.map(&:onset).max
        first = after.map(&:onset).min
        pitch = ->(all, onset) { all.select { |note| note.onset == onset }.map { |note| note.pitch.midi }.public_send(outer) }
        (pitch.call(after, first) - pitch.call(before, last)).abs
      end
    end
  end
end
