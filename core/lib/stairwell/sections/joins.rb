# frozen_string_literal: true

module Stairwell
  module Sections
    # Looks at joins on the page and, where they are known, in the notes.
    class Joins
      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @layout = map.layout
      end

      # @param join [Join]
      # @return [JoinFacts]
      def facts(join)
        JoinFacts.new(
          join: join,
          rest_counts: rest(join),
          leap: {
            right: leap(join, :right, :max),
            left: leap(join, :left, :min)
          },
          time: Likeness::HANDS.to_h { |hand| [hand, time(join, hand)] },
          turn: @layout.turn?(join.from_bar, join.to_bar),
          jump: join.to_bar != join.from_bar + 1
        )
      end

      private

      def notes(bar, hand) = @map.notes.dig(bar, hand).to_a

      # @return [Rational, nil] nil without notes
      def rest(join)
        return unless @map.notes?

        before, after =
          [join.from_bar, join.to_bar].map do |bar|
            Likeness::HANDS.flat_map { |hand| notes(bar, hand) }
          end
        from, to = @map.bar(join.from_bar), @map.bar(join.to_bar)
        ends = before.map { |note| note.onset + note.length }.max || 0r
        begins = after.map(&:onset).min || to.length
        from.meter.counts([from.length - ends, 0r].max) + to.meter.counts(begins)
      end

      # Counts a hand has to move: in which it rests, what its last note is longer than one (it may
      # be let go), and what a fermata adds.
      # @return [Rational, nil] nil where it does not play on both sides
      def time(join, hand)
        before, after = notes(join.from_bar, hand), notes(join.to_bar, hand)
        return if before.empty? || after.empty?

        from, to = @map.bar(join.from_bar), @map.bar(join.to_bar)
        last = before.max_by { |note| [note.onset, note.length] }
        held = @map.markings.fermatas.select { |one| one.bar == join.from_bar }.sum(0r, &:added)
        from.meter.counts([from.length - last.onset - last.length, 0r].max) +
          [from.meter.counts(last.length) - 1, 0r].max + held +
          to.meter.counts(after.map(&:onset).min)
      end

      # From the last outer note of a hand to its first.
      def leap(join, hand, outer)
        before, after = notes(join.from_bar, hand), notes(join.to_bar, hand)
        return if before.empty? || after.empty?

        last = before.map(&:onset).max
        first = after.map(&:onset).min
        pitch = ->(all, onset) do
          all
            .select { |note| note.onset == onset }
            .map { |note| note.pitch.midi }
            .public_send(outer)
        end
        (pitch.call(after, first) - pitch.call(before, last)).abs
      end
    end
  end
end
