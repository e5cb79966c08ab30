# frozen_string_literal: true

module Stairwell
  module Aspects
    # The rhythms of a hand's bars, and the figures in them that go wrong.
    class Rhythms
      # Bars of the same rhythm, the first of them and all.
      Rhythm = Stairwell.value(:bar, :bars)
      # A figure at a place: :tie, :dotted, :syncopation or :off_beat.
      Figure = Stairwell.value(:kind, :bar, :beat)

      # @param map [Score::Map]
      # @param hand [Symbol] :right or :left
      def initialize(map, hand)
        @map = map
        @hand = hand
        @line = Line.new(map, hand)
      end

      # @return [Integer] bars in which the hand plays
      def played = bars.size

      # @return [Array<Rhythm>] the most frequent first
      def all
        bars
          .group_by { |bar| print(bar) }
          .values
          .map { |same| Rhythm.new(bar: same.first, bars: same) }
          .sort_by { |one| [-one.bars.size, one.bar] }
      end

      # @return [Array<Figure>] in printed order, each rhythm of a bar told where it is met first
      def figures
        all.map(&:bar).sort.flat_map { |bar| figures_of(bar) }
      end

      private

      def bars = @bars ||= @map.bars.map(&:index).select { |bar| notes(bar).any? }

      def notes(bar) = @map.notes.dig(bar, @hand).to_a

      def print(bar) =
        [
          @map.bar(bar).meter.to_s,
          notes(bar).map { |note| [note.onset, note.length, note.tied] }.uniq.sort_by(&:first)
        ]

      def touches(bar) = (@by_bar ||= @line.touches.group_by(&:bar)).fetch(bar, [])

      def figures_of(bar)
        of = @map.bar(bar)
        onset = of.index.then { start(bar) }
        touches(bar)
          .each_with_index
          .filter_map do |touch, at|
            after = touches(bar)[at + 1]
            kind = kind(touch, after, of, onset)
            Figure.new(kind: kind, bar: bar, beat: touch.beat) if kind
          end
          .uniq(&:kind)
      end

      def start(bar) =
        (@starts ||= @map.bars.inject([0r]) { |all, one| all << (all.last + one.length) })[bar - 1]

      def kind(touch, after, bar, start)
        return :tie if touch.ends > start + bar.length
        return :dotted if dotted?(touch, after, bar)
        return :syncopation if syncopated?(touch, bar, start)

        :off_beat if off_beat?(touch, bar)
      end

      # A dotted note and the short one that fills the beat up.
      def dotted?(touch, after, bar)
        return false unless after && !bar.meter.compound?

        first, second = touch.ends - touch.at, after.ends - after.at
        after.at == touch.ends && first == 3 * second && weight(touch, bar) > weight(after, bar)
      end

      # A note held, or followed by silence, over a place of greater weight than its own. H. C.
      # Longuet-Higgins and C. S. Lee, "The rhythmic interpretation of monophonic music", Music
      # Perception 1 (1984) (from memory).
      def syncopated?(touch, bar, start)
        own = weight(touch, bar)
        return false if own >= 0

        finer = Rational(1, 32)
        place = touch.at - start + finer
        while start + place < touch.ends && place < bar.length
          return true if weight_at(place, bar) > own

          place += finer
        end
        false
      end

      # The first note of a bar, behind a rest, off the beat.
      def off_beat?(touch, bar) =
        touch.equal?(touches(bar.index).first) && !bar.pickup? && touch.beat % 1 != 0

      def weight(touch, bar) = weight_at(touch.at - start(bar.index), bar)

      # 0 on a beat and above; each halving below it is one less.
      def weight_at(place, bar)
        count = bar.meter.count_length
        beat = place / count
        return 1 if place.zero?
        return 0 if beat.denominator == 1

        part = bar.meter.compound? ? beat * 3 : beat
        return -1 if bar.meter.compound? && part.denominator == 1

        -Math.log2(part.denominator).ceil - (bar.meter.compound? ? 1 : 0)
      end
    end
  end
end
