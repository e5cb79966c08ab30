# frozen_string_literal: true

module Stairwell
  module Practice
    # Says where a step is and how its minutes come about.
    class Wording
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
        return "the whole piece" if spans.sum(&:size) == @map.bars.size

        spans.map { |span| "#{one(span)}#{beats(span)}" }.join(" and ")
      end

      # @return [String] such as "2½ min: 5 × 24 counts at 60, 8 s between; 2 good days"
      def arithmetic(minutes, repetitions, counts, tempo, days, seconds: nil)
        once = tempo ? "#{Roadmap.number(counts)} counts at #{tempo}" : "#{seconds} s"
        "#{Units.minutes(minutes)}: #{repetitions} × #{once}, " \
          "#{Constants::RESET_SECONDS} s between; #{days} good #{(days == 1) ? "day" : "days"}"
      end

      private

      # Where it begins or ends inside a bar.
      def beats(span)
        said = [("from beat #{Roadmap.number(span.from_beat)}" if span.from_beat), ("to beat #{Roadmap.number(span.to_beat)}" if span.to_beat)].compact
        ", #{said.join(" ")}" if said.any?
      end

      def one(span)
        from, to = [span.from, span.to].map { |index| @layout.address(index) }
        return bars(span) if @layout.assumed? || from.nil? || to.nil?
        return "page #{from.page}, line #{from.line}, #{within(from, to)}" if [from.page, from.line] == [to.page, to.line]
        return lines(from, to) if whole_lines?(from, to) && from.page == to.page

        "#{from} to #{(from.page == to.page) ? "line #{to.line}, bar #{to.bar}" : to}"
      end

      def bars(span)
        from, to = [span.from, span.to].map { |index| @map.bar(index).name }
        (from == to) ? "bar #{from}" : "bars #{from}–#{to}"
      end

      def within(from, to)
        held = @rows[[from.page, from.line]].size
        return "all #{held} bars" if held > 1 && to.bar - from.bar + 1 == held

        (from.bar == to.bar) ? "bar #{from.bar}" : "bars #{from.bar}–#{to.bar}"
      end

      def whole_lines?(from, to)
        from.bar <= 1 && to.bar == @rows[[to.page, to.line]].count { |bar| !bar.pickup? }
      end

      def lines(from, to) = "page #{from.page}, lines #{from.line}–#{to.line}"
    end
  end
end
