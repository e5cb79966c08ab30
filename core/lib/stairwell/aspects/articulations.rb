# frozen_string_literal: true

module Stairwell
  module Aspects
    # How notes are touched, by their value and in patterns.
    class Articulations
      # Notes of a value of a hand, nearly all of which have the same articulation.
      ByValue = Stairwell.value(:hand, :length, :articulation, :count)
      # Slurs over as few notes, and where.
      Pairs = Stairwell.value(:hand, :count, :bars)
      SAID = %w[staccato tenuto accent slurred staccatissimo detached\ legato].freeze

      # @param map [Score::Map]
      def initialize(map)
        @map = map
      end

      # @param bars [Array<Integer>] only there
      # @return [Array<ByValue>] by hand, short values first
      def by_value(bars = @map.bars.map(&:index))
        %i[right left].flat_map { |hand| of(hand, bars) }
      end

      # @return [Array<Pairs>] two-note slurs, one for each hand that has some
      def pairs(bars = @map.bars.map(&:index))
        ends = @map.phrasing.slurs.to_set
        %i[right left].filter_map do |hand|
          found = slurs(hand, bars, ends).select { |run| run.size == 2 }
          if found.size >= Constants::PATTERN_TIMES
            Pairs.new(hand: hand, count: found.size, bars: found.map { |run| run.first.bar }.uniq)
          end
        end
      end

      private

      def of(hand, bars)
        notes = bars.flat_map { |bar| @map.notes.dig(bar, hand).to_a.reject(&:tied) }
        notes
          .group_by(&:length)
          .sort
          .filter_map do |length, all|
            name, count =
              (SAID & all.flat_map(&:articulation))
                .map { |one| [one, all.count { |note| note.articulation.include?(one) }] }
                .max_by(&:last)
            if count && count >= Constants::PATTERN_TIMES &&
                 count >= Constants::NEARLY_ALL * all.size
              ByValue.new(hand: hand, length: length, articulation: name, count: count)
            end
          end
      end

      def slurs(hand, bars, ends)
        touches = Line.new(@map, hand).touches.select { |touch| bars.include?(touch.bar) }
        runs =
          touches.slice_when do |one, other|
            !slurred?(one) || !slurred?(other) || ends.include?([other.bar, onset(other)])
          end
        runs.select { |run| run.all? { |touch| slurred?(touch) } }
      end

      def onset(touch) = (touch.beat - 1) * @map.bar(touch.bar).meter.count_length

      def slurred?(touch) = touch.notes.any? { |note| note.articulation.include?("slurred") }
    end
  end
end
