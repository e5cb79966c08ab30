# frozen_string_literal: true

module Stairwell
  module Roadmap
    # The complement rule (common practice): a pickup and the last bar together
    # fill one bar, and so do two short bars that follow each other in playing
    # order. It finds most entry errors.
    class Arithmetic
      # @return [Array<Diagnostic>]
      def self.check(map, visits) = new(map, visits).check

      def initialize(map, visits)
        @map = map
        @visits = visits
        @wording = Wording.new(map)
      end

      def check
        return [] if @visits.empty?

        (long_bars + pickup + short_bars).uniq(&:bar)
      end

      private

      def long_bars
        @map
          .bars
          .select(&:long?)
          .map do |bar|
            notice(
              bar,
              bar.counts,
              Phrase["roadmap.arithmetic.it_is_longer_than_its_meter", meter: bar.meter],
              full(bar)
            )
          end
      end

      # First and last bar as played. A pickup that meets no short bar at the
      # end is reported there, where the missing counts are.
      def pickup
        first, last = [@visits.first, @visits.last].map { |visit| @map.bar(visit.bar) }
        return [] unless first.short?

        sum = first.length + last.length
        # A full last bar whose notes are known was not entered wrongly: the page is an excerpt.
        if sum == last.meter.bar_length || last.meter.free ||
             (last.full? && @map.notes.key?(last.index))
          return []
        end

        [
          notice(
            last,
            last.meter.counts(sum),
            Phrase["roadmap.arithmetic.pickup_and_last_bar_together_should"],
            rest_of(first, last)
          )
        ]
      end

      # A bar that is filled up on one of its passes is as it should be.
      def short_bars
        short =
          @visits
            .each_index
            .select { |at| @map.bar(@visits[at].bar).short? && !edge?(at) }
            .group_by { |at| @visits[at].bar }
        short
          .reject { |_, times| times.any? { |at| filled?(at) } }
          .keys
          .map do |index|
            bar = @map.bar(index)
            notice(
              bar,
              bar.counts,
              Phrase["roadmap.arithmetic.it_is_short_and_neither_the"],
              full(bar)
            )
          end
      end

      def edge?(at)
        @map.bars.first.short? && (at.zero? || at == @visits.size - 1)
      end

      def filled?(at)
        bar = @map.bar(@visits[at].bar)
        beside =
          [(@visits[at - 1] if at.positive?), @visits[at + 1]].compact.map do |visit|
            @map.bar(visit.bar)
          end
        beside.any? { |other| other.short? && other.length + bar.length == bar.meter.bar_length }
      end

      def full(bar) =
        counts(
          Phrase["roadmap.arithmetic.make_it_a_full_bar"],
          bar,
          bar.meter.counts(bar.meter.bar_length)
        )

      def rest_of(first, last)
        left = last.meter.counts(last.meter.bar_length - first.length)
        if left.positive? && last.index != first.index
          counts(
            Phrase["roadmap.arithmetic.give_the_last_bar_counts", number: Roadmap.number(left)],
            last,
            left
          )
        end
      end

      def counts(words, bar, counts) = Mend.new(words: words, put: [[:counts, [bar.index, counts]]])

      def notice(bar, found, why, mend)
        Diagnostic.new(
          code: :complement,
          bar: bar.index,
          grave: false,
          mend: mend,
          message:
            Phrase[
              "roadmap.arithmetic.at_there_are_counts_where_are",
              bar: @wording.bar(bar.index),
              found: Roadmap.number(found),
              expected: Roadmap.number(bar.meter.counts(bar.meter.bar_length)),
              why: why
            ]
        )
      end
    end

    # @param rational [Rational]
    # @return [String] an exact number: "128", "95/2"
    def self.number(rational)
      exact = rational.to_r
      (exact.denominator == 1) ? exact.numerator.to_s : exact.to_s
    end
  end
end
