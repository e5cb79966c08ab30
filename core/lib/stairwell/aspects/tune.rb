# frozen_string_literal: true

module Stairwell
  module Aspects
    # In which hand the tune is.
    class Tune
      # A stretch of bars: `hand` has the tune; `over` is whether the other one accompanies it.
      Stretch = Stairwell.value(:from, :to, :hand, :over)

      # @param map [Score::Map]
      def initialize(map)
        @map = map
      end

      # @return [Array<Stretch>] in printed order
      def stretches
        found = @map.bars.filter_map { |bar| [bar.index, hand(bar.index)] if plays?(bar.index) }
        smooth(found)
          .slice_when { |(bar, hand), (later, other)| hand != other || later > bar + 1 }
          .map do |run|
            bars = run.map(&:first)
            Stretch.new(
              from: bars.first,
              to: bars.last,
              hand: run.first.last,
              over:
                bars.count { |bar| %i[right left].all? { |hand| notes(bar, hand).any? } } * 2 >
                  bars.size
            )
          end
      end

      private

      def notes(bar, hand) = @map.notes.dig(bar, hand).to_a.reject(&:tied)

      def plays?(bar) = %i[right left].any? { |hand| notes(bar, hand).any? }

      # The right hand's, unless the left one sings and the right one does not.
      def hand(bar)
        right, left = %i[right left].map { |hand| sings(bar, hand) }
        (left > right + Constants::TUNE_CLEARER) ? :left : :right
      end

      # How much a hand moves like a voice: from one key to another near it, one at a time.
      def sings(bar, hand)
        touches = notes(bar, hand).group_by(&:onset).sort.map(&:last)
        return 0.0 if touches.empty?

        single = touches.count(&:one?) / touches.size.to_f
        keys = touches.map { |all| all.map { |note| note.pitch.midi }.max }
        steps = keys.each_cons(2).count { |one, other| (other - one).abs.between?(1, 4) }
        single * [keys.uniq.size, 4].min / 4.0 * (keys.one? ? 0.5 : steps / (keys.size - 1.0))
      end

      # The left hand has it where it has most of the bars around.
      def smooth(found)
        found.each_with_index.map do |(bar, _), at|
          around =
            found[[at - Constants::TUNE_AROUND, 0].max..(at + Constants::TUNE_AROUND)].map(&:last)
          [bar, (around.count(:left) > Constants::TUNE_AROUND) ? :left : :right]
        end
      end
    end
  end
end
