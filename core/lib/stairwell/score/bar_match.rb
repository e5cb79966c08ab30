# frozen_string_literal: true

module Stairwell
  module Score
    # Which bar of another print of a piece is which: the same where both have as many, else by the
    # notes where these are known, else by the printed numbers.
    class BarMatch
      # Pairs of bars that are compared at the most; beyond, numbers tell. Own choice: two prints of
      # 1 500 bars.
      MOST_COMPARED = 2_250_000

      # @param one [Map]
      # @param other [Map]
      def initialize(one, other)
        @one = one
        @other = other
        @to = same? ? one.bars.to_h { |bar| [bar.index, bar.index] } : matched
      end

      # @return [Boolean] whether bars stand where they stood
      def same? = @one.bars.size == @other.bars.size && @one.pickup? == @other.pickup?

      # @param index [Integer] of a bar of the one
      # @return [Integer, nil] of the other
      def [](index) = @to[index]

      # @param span [Span]
      # @return [Span, nil] of the other; beats only where the bar is as long there
      def span(span)
        bars = span.bars.filter_map { |bar| @to[bar] }
        return if bars.empty?

        from, to = bars.minmax
        Span.new(
          from: from,
          to: to,
          from_beat: (span.from_beat if as_long?(span.from, from)),
          to_beat: (span.to_beat if as_long?(span.to, to))
        )
      end

      private

      def as_long?(index, there) =
        @to[index] == there && @one.bar(index).counts == @other.bar(there).counts

      def matched
        unless @one.notes? && @other.notes? && @one.bars.size * @other.bars.size <= MOST_COMPARED
          return by_number
        end

        found = between(common)
        (found.size * 2 >= [@one.bars.size, @other.bars.size].min) ? found : by_number
      end

      def by_number
        numbers = @other.bars.reverse.to_h { |bar| [bar.number, bar.index] }
        @one.bars.select(&:number).to_h { |bar| [bar.index, numbers[bar.number]] }.compact
      end

      # Bars between two that were found stand as far from them.
      def between(pairs)
        ends = [[0, 0], *pairs, [@one.bars.size + 1, @other.bars.size + 1]]
        ends
          .each_cons(2)
          .with_object(pairs.to_h) do |((from, there), (to, there_to)), found|
            (1...(to - from)).each { |far| found[from + far] = there + far } if to - from ==
              there_to - there
          end
      end

      # The longest row of bars that both have in the same order.
      # @return [Array<Array(Integer, Integer)>]
      def common
        mine, theirs = [@one, @other].map { |map| map.bars.map { |bar| sounds(map, bar.index) } }
        lengths = Array.new(mine.size + 1) { Array.new(theirs.size + 1, 0) }
        (mine.size - 1).downto(0) do |at|
          (theirs.size - 1).downto(0) do |to|
            lengths[at][to] = (
              if mine[at] == theirs[to]
                lengths[at + 1][to + 1] + 1
              else
                [lengths[at + 1][to], lengths[at][to + 1]].max
              end
            )
          end
        end
        walk(mine, theirs, lengths)
      end

      def walk(mine, theirs, lengths)
        at = to = 0
        found = []
        while at < mine.size && to < theirs.size
          if mine[at] == theirs[to]
            found << [at += 1, to += 1]
          elsif lengths[at + 1][to] >= lengths[at][to + 1]
            at += 1
          else
            to += 1
          end
        end
        found
      end

      # What is struck in a bar, whichever hand has it: editions differ in that.
      def sounds(map, index) =
        map
          .notes
          .fetch(index, {})
          .values
          .flatten
          .reject(&:tied)
          .map { |note| [note.onset, note.pitch.midi] }
          .sort
          .hash
    end
  end
end
