# frozen_string_literal: true

module Stairwell
  module Aspects
    # When the pedal changes.
    class Pedalling
      # Pedal goes down at these places, [bar, beat]; `pattern` is :bass (with each new bass note),
      # :after (right behind it), :bar (with each bar), or nil; `bars` those under pedal.
      Found = Stairwell.value(:places, :pattern, :bars)

      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @left = Line.new(map, :left).touches
      end

      # @param bars [Array<Integer>] only there
      # @return [Found, nil] nil where there is no pedal
      def in(bars = @map.bars.map(&:index))
        spans =
          @map
            .markings
            .pedal
            .select { |span| bars.any? { |bar| span.cover?(bar) } }
            .sort_by { |span| [span.from, span.from_beat || 1] }
        return if spans.empty?

        places = spans.map { |span| [span.from, span.from_beat || 1r] }
        Found.new(
          places: places,
          pattern: pattern(places),
          bars: spans.flat_map(&:bars).uniq & bars
        )
      end

      private

      def pattern(places)
        return if places.size < Constants::PATTERN_TIMES
        if places.all? { |_, beat| beat == 1 } &&
             places.map(&:first).each_cons(2).all? { |one, other| other == one + 1 }
          return :bar
        end
        return :bass if places.all? { |bar, beat| bass?(bar) { |touch| touch.beat == beat } }

        if places.all? { |bar, beat|
             bass?(bar) { |touch| touch.beat < beat && beat - touch.beat <= 1 }
           }
          :after
        end
      end

      def bass?(bar, &) = (@by_bar ||= @left.group_by(&:bar)).fetch(bar, []).any?(&)
    end
  end
end
