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
          @numbers = bars.to_h { |bar| [bar.number, bar.index] }
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

            raise Stumble.new("there are #{@bars.size} bars, no #{index}th", at)
          end
          number = scan.take!(/\d{1,5}/, "a bar such as 9, or p12 l3 b2").to_i
          @numbers.fetch(number) { raise Stumble.new("there is no bar #{number}; the piece has #{range}", at) }
        rescue UnreadableError => error
          raise Stumble.new(error.message, at)
        end

        # @return [Score::Span] `9-13`, or one bar
        def span!(scan)
          at = scan.column
          from = bar!(scan)
          to = scan.take(/[-–]/) ? bar!(scan) : from
          raise Stumble.new("the span ends before it begins", at) if to < from

          Score::Span.new(from: from, to: to)
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
