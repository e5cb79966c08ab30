# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # Finds bars by what people call them: a printed number, `#7` for the
      # seventh bar, or `p12 l3 b2`.
      class Places
        # @param bars [Array<Score::Bar>]
        # @param layout [Score::Layout]
        def initialize(bars, layout)
          @bars = bars
          @layout = layout
          # Where a number is printed twice, the first bar has it.
          @numbers = bars.reverse.to_h { |bar| [bar.number, bar.index] }
        end

        # @param scan [Scan]
        # @return [Integer] a bar's index
        def bar!(scan)
          at = scan.column
          if (named = scan.take(/p\s*(\d{1,5})\s*l\s*(\d{1,3})\s*b\s*(\d{1,3})/i))
            page, line, bar = named.scan(/\d+/).map(&:to_i)
            return @layout.index(page: page, line: line, bar: bar)
          end
          if (index = scan.take(/#\d{1,5}/))
            index = index[1..].to_i
            return index if index.between?(1, @bars.size)

            raise Stumble.new("there are #{@bars.size} bars, no bar ##{index}", at)
          end
          number = scan.take!(/\d{1,5}/, "a bar such as 9, or p12 l3 b2").to_i
          @numbers.fetch(number) { raise Stumble.new("there is no bar #{number}; the piece has #{range}", at) }
        rescue UnreadableError => error
          raise Stumble.new(error.message, at)
        end

        # @return [Array(Integer, Rational)] `12 beat 3`; the beat is nil where
        #   none is said
        def position!(scan)
          bar = bar!(scan)
          return [bar, nil] unless scan.take(/beat\b/i)

          at = scan.column
          beat = scan.counts!
          counts = @bars[bar - 1].counts
          raise Stumble.new("bar #{@bars[bar - 1].name} has #{Roadmap.number(counts)} counts, no beat #{Roadmap.number(beat)}", at) unless beat >= 1 && beat < counts + 1

          [bar, beat]
        end

        # @return [Score::Span] `9-13`, `12 beat 3 - 13 beat 1`, or one bar
        def span!(scan)
          at = scan.column
          from, from_beat = position!(scan)
          to, to_beat = scan.take(/[-–]/) ? position!(scan) : [from, from_beat]
          raise Stumble.new("the span ends before it begins", at) if to < from || (to == from && to_beat && from_beat && to_beat < from_beat)

          Score::Span.new(from: from, to: to, from_beat: from_beat, to_beat: to_beat)
        end

        # @return [Array<Score::Span>] spans with commas between
        def spans!(scan)
          found = [span!(scan)]
          found << span!(scan) while scan.take(/,/)
          found
        end

        private

        def range = "bars #{@bars.first.name} to #{@bars.last.name}"
      end
    end
  end
end
