# frozen_string_literal: true

module Stairwell
  module Progress
    # How long a student really takes for a repetition, beside the estimate: learnt from the
    # times at which boxes were tapped. Boxes that were ticked in one go say nothing of it.
    class Timing
      # A step on a day: its `kind`, what the middle of its times is of the estimate, and
      # whether its boxes were ticked in one go.
      Day = Stairwell.value(:kind, :date, :ratio, :at_once)

      # @param pieces [Array<Piece>]
      # @param before [Date] the first day that does not count
      # @return [Timing]
      def self.of(pieces, before:) =
        new(pieces.flat_map(&:timed).select { |day| day.date < before })

      # @param times [Array<Time>] of the taps of a step on a day
      # @param done [Integer] good days of it before
      # @return [Day, nil] nil where they are too few
      def self.day(step, date, times, done: 0)
        return if times.size < Constants::TAPS_NEEDED || step.tempo.nil?

        playing = step.counts * 60 / step.tempo
        gaps = times.sort.each_cons(2).map { |one, other| other - one }
        at_once = median(gaps) < Constants::AT_ONCE * playing
        Day.new(
          kind: step.kind,
          date: date,
          ratio: median(gaps) / (step.once * Practice::Estimate.first_days(done, step.new)),
          at_once: at_once
        )
      end

      # @param numbers [Array<Numeric>]
      # @return [Float] of an even number the mean of the two in the middle
      def self.median(numbers) =
        numbers.sort.then { |all| (all[(all.size - 1) / 2] + all[all.size / 2]) / 2.0 }

      # @param days [Array<Day>]
      # @param most [Rational, nil] minutes of the longest day
      def initialize(days = [], most: nil)
        @days = days
        @most = most
        timed = days.reject(&:at_once)
        @by_kind =
          timed.group_by(&:kind).transform_values { |all| all.map { |day| Math.log(day.ratio) } }
        @overall = drawn(timed.map { |day| Math.log(day.ratio) }, 0)
      end

      # Drawn to what the student takes for all, and that to the estimate.
      # @param kind [Symbol] of a step
      # @return [Rational] by which the estimate is multiplied; 1 where nothing is known
      def factor(kind) =
        (@factors ||= {})[kind] ||= Math
          .exp(drawn(@by_kind.fetch(kind, []), @overall))
          .rationalize(1 / 100r)
          .clamp(Constants::TIMES_BOUNDS)

      # @param most [Rational] minutes of the longest day
      # @return [Timing] by which no step that fits into it by the estimate grows out of it
      def within(most) = Timing.new(@days, most: most)

      # @param step [Practice::Step]
      # @param done [Integer, nil] good days of it before; nil for all later ones
      # @return [Rational] minutes of a day, exact: to get ready, and its repetitions
      def minutes(step, done = nil)
        playing = step.repetitions * step.once / 60
        minutes =
          Constants::READY +
            (
              playing * factor(step.kind) *
                (done ? Practice::Estimate.first_days(done, step.new) : 1)
            )
        (@most && minutes > @most) ? [playing, @most].max : minutes
      end

      # @param step [Practice::Step]
      # @return [Array<Rational>] minutes of its first good days, where they take longer
      def first(step) =
        step.new.zero? ? [] : Constants::FIRST_DAYS.each_index.map { |done| minutes(step, done) }

      # @return [Hash{Symbol => Rational}] factors that are worth saying
      def told =
        @by_kind
          .select { |_, all| all.size >= Constants::TIMES_TOLD }
          .to_h { |kind, _| [kind, factor(kind)] }
          .reject { |_, times| (times - 1).abs < Constants::TIMES_DIFFER }

      # @return [Array(Integer, Integer)] days on which boxes were ticked in one go, of those
      #   with enough of them to tell
      def at_once = [@days.select(&:at_once).map(&:date).uniq.size, @days.map(&:date).uniq.size]

      private

      def drawn(logs, toward)
        return toward if logs.empty?

        ((logs.size * Timing.median(logs)) + (Constants::TIMES_ASSUMED * toward)) /
          (logs.size + Constants::TIMES_ASSUMED)
      end
    end
  end
end
