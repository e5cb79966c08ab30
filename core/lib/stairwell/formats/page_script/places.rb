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

            raise Stumble.new(
                    Phrase[
                      "formats.page_script.places.there_are_bars_no_bar",
                      bars: @bars.size,
                      index: index
                    ],
                    at
                  )
          end
          number =
            scan.take!(/\d{1,5}/, Phrase["formats.page_script.places.a_bar_such_as_or_p"]).to_i
          @numbers.fetch(number) do
            raise Stumble.new(
                    Phrase[
                      "formats.page_script.places.there_is_no_bar_the_piece",
                      number: number,
                      range: range
                    ],
                    at
                  )
          end
        rescue UnreadableError => error
          raise Stumble.new(error.message, at)
        end

        # @return [Array(Integer, Rational)] `12 beat 3`; the beat is nil where
        #   none is said
        def position!(scan)
          bar = bar!(scan)
          return bar, nil unless scan.take(/beat\b/i)

          at = scan.column
          beat = scan.counts!
          counts = @bars[bar - 1].counts
          unless beat >= 1 && beat < counts + 1
            raise Stumble.new(
                    Phrase[
                      "formats.page_script.places.bar_has_counts_no_beat",
                      name: @bars[bar - 1].name,
                      counts: Roadmap.number(counts),
                      beat: Roadmap.number(beat)
                    ],
                    at
                  )
          end

          [bar, beat]
        end

        # @return [Score::Span] `9-13`, `12 beat 3 - 13 beat 1`, or one bar
        def span!(scan)
          at = scan.column
          from, from_beat = position!(scan)
          to, to_beat = scan.take(/[-–]/) ? position!(scan) : [from, from_beat]
          if to < from || (to == from && to_beat && from_beat && to_beat < from_beat)
            raise Stumble.new(
                    Phrase["formats.page_script.places.the_span_ends_before_it_begins"],
                    at
                  )
          end

          Score::Span.new(from: from, to: to, from_beat: from_beat, to_beat: to_beat)
        end

        # @return [Array<Score::Span>] spans with commas between
        def spans!(scan)
          found = [span!(scan)]
          while scan.take(/,/)
            found << span!(scan)
            if found.size > Score::Bounds::PLACES
              scan.stumble(
                Phrase["formats.page_script.places.too_many", most: Score::Bounds::PLACES]
              )
            end
          end
          found
        end

        private

        def range =
          Phrase[
            "formats.page_script.places.bars_to",
            first: @bars.first.name,
            last: @bars.last.name
          ]
      end
    end
  end
end
