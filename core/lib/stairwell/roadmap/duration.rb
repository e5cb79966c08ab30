# frozen_string_literal: true

module Stairwell
  module Roadmap
    # How long bars sound, in counts at the full tempo.
    class Duration
      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @held = map.markings.fermatas.group_by(&:bar).transform_values { |all| all.sum(0r, &:added) }
        @slower = slower
      end

      # @param visits [Array<Visit>]
      # @return [Rational, Float] exact where no ritardando is played
      def counts(visits)
        visits.sum(0r) { |visit| @slower.fetch(visit.bar) { @map.bar(visit.bar).counts } + @held.fetch(visit.bar, 0) }
      end

      private

      # A tempo that falls evenly over the counts of a span from 1 to 1 − d
      # takes, from share a to share b of them, the integral of 1 / (1 − d x).
      def slower
        drop = 1 - Constants::RITARDANDO
        @map.markings.ritardandi.each_with_object({}) do |span, found|
          whole = span.bars.sum(0r) { |bar| @map.bar(bar).counts }
          done = 0r
          span.bars.each do |bar|
            a, b = done / whole, (done += @map.bar(bar).counts) / whole
            found[bar] = whole / drop * Math.log((1 - drop * a) / (1 - drop * b))
          end
        end
      end
    end
  end
end
