# frozen_string_literal: true

module Stairwell
  module Practice
    # Says where a step is and how its minutes come about.
    class Wording
      # @param usual [Integer, nil] the tempo by its share of the target, where another holds
      # @return [String] such as "2½ min: 5 × 24 counts at 60, 8 s between; 2 good days"
      def self.arithmetic(minutes, repetitions, counts, tempo, days, seconds: nil, usual: nil)
        once =
          (
            if tempo
              Phrase["practice.wording.counts_at", counts: Roadmap.number(counts), tempo: tempo]
            else
              Phrase["units.seconds", count: seconds]
            end
          )
        said =
          Phrase[
            "practice.wording.arithmetic",
            minutes: Units.minutes(minutes),
            repetitions: repetitions,
            once: once,
            between: Constants::RESET_SECONDS,
            days: Phrase["counts.good_days", count: days]
          ]
        if usual && usual != tempo
          Phrase["practice.wording.held", said: said, tempo: tempo, usual: usual]
        else
          said
        end
      end

      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @layout = map.layout
        @rows = @layout.lines.to_h { |page, line, bars| [[page, line], bars] }
      end

      # @param spans [Array<Score::Span>]
      # @return [String] such as "page 12, line 3, all four bars"; bar numbers
      #   where the page was not described
      def place(spans)
        return Phrase["practice.wording.the_whole_piece"] if spans.sum(&:size) == @map.bars.size

        Phrase.list(
          spans.map { |span| Phrase.list([one(span), *beats(span)], by: :comma) },
          by: :and_each
        )
      end

      private

      # Where it begins or ends inside a bar.
      def beats(span)
        from, to = [span.from_beat, span.to_beat].map { |beat| beat && Roadmap.number(beat) }
        return Phrase["practice.wording.from_beat_to_beat", from: from, to: to] if from && to

        if from
          Phrase["practice.wording.from_beat", beat: from]
        else
          to && Phrase["practice.wording.to_beat", beat: to]
        end
      end

      def one(span)
        from, to = [span.from, span.to].map { |index| @layout.address(index) }
        return bars(span) if @layout.assumed? || from.nil? || to.nil?
        if [from.page, from.line] == [to.page, to.line]
          return(
            Phrase[
              "practice.wording.page_line",
              page: from.page,
              line: from.line,
              within: within(from, to)
            ]
          )
        end
        return lines(from, to) if whole_lines?(from, to) && from.page == to.page

        Phrase[
          "practice.wording.from_to",
          from: from.said,
          to:
            (
              if from.page == to.page
                Phrase["practice.wording.line_bar", line: to.line, bar: to.bar]
              else
                to.said
              end
            )
        ]
      end

      def bars(span)
        from, to = [span.from, span.to].map { |index| @map.bar(index).name }
        if from == to
          Phrase["practice.wording.bar", bar: from]
        else
          Phrase["practice.wording.bars", from: from, to: to]
        end
      end

      def within(from, to)
        held = @rows[[from.page, from.line]].size
        if held > 1 && to.bar - from.bar + 1 == held
          return Phrase["practice.wording.all_bars", count: held]
        end

        if from.bar == to.bar
          Phrase["practice.wording.bar", bar: from.bar]
        else
          Phrase["practice.wording.bars", from: from.bar, to: to.bar]
        end
      end

      def whole_lines?(from, to)
        from.bar <= 1 && to.bar == @rows[[to.page, to.line]].count { |bar| !bar.pickup? }
      end

      def lines(from, to) =
        Phrase["practice.wording.page_lines", page: from.page, from: from.line, to: to.line]
    end
  end
end
