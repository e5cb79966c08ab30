# frozen_string_literal: true

module Stairwell
  module Roadmap
    # How long bars sound, in counts at the full tempo.
    class Duration
      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @held = map.markings.fermatas.group_by(&:bar)
        @slower = slower
      end

      # @param visits [Array<Visit>]
      # @return [Rational, Float] exact where no ritardando is played
      def counts(visits)
        @whole ||= Hash.new { |all, bar| all[bar] = until_count(bar, @map.bar(bar).counts) }
        visits.sum(0r) { |visit| @whole[visit.bar] }
      end

      # @param bar [Integer]
      # @param count [Rational] printed counts from the start of the bar
      # @return [Rational, Float] counts at the full tempo until then, with the
      #   fermatas that are over by then held
      def until_count(bar, count)
        held =
          @held.fetch(bar, []).select { |one| one.beat - 1 + one.counts <= count }.sum(0r, &:added)
        (slowed(bar, count) + held) / @map.pace(bar)
      end

      private

      def slowed(bar, count)
        whole, before = @slower[bar]
        return count unless whole

        # A tempo that falls evenly over the counts of a span from 1 to 1 − d
        # takes, from share a to share b of them, the integral of 1 / (1 − d x).
        drop = 1 - Constants::RITARDANDO
        whole / drop * Math.log((1 - drop * before / whole) / (1 - drop * (before + count) / whole))
      end

      # @return [Hash{Integer => Array(Rational, Rational)}] by bar the counts of
      #   the ritardando it stands in, and those before the bar
      def slower
        @map
          .markings
          .ritardandi
          .each_with_object({}) do |span, found|
            bars = span.bars.filter_map { |index| @map.bar(index) }
            whole = bars.sum(0r, &:counts)
            bars.inject(0r) do |before, bar|
              found[bar.index] = [whole, before]
              before + bar.counts
            end
          end
      end
    end
  end
end
