# frozen_string_literal: true

module Stairwell
  module Progress
    # What a piece shows of how its student learns: days, tries and seconds that steps took. Of a
    # {Piece}.
    module Experience
      # How many good days steps took and what was estimated, those under way too: what was
      # credited counts as far as it goes. What an easier form took was not estimated.
      # @return [Hash{Symbol => Planning::Habit::Learnt}] by kind of step
      def learnt
        standings
          .values
          .select { |one| one.good_dates.any? }
          .group_by { |one| one.step.kind }
          .transform_values do |all|
            own = all.reject { |one| Practice::Simplification.form?(one.step.id) }
            Planning::Habit::Learnt.new(
              taken: all.sum(0r) { |one| one.good_dates.size.to_r },
              gained:
                own.sum(0r) { |one| Rational(one.step.good_days * one.credited, one.good_days) },
              steps: own.size
            )
          end
      end

      # @return [Array(Integer, Integer)] days on which a step was tried before it was done, and
      #   those of them that were good
      def tried
        standings
          .values
          .map do |one|
            [
              one.days.keys.count { |date| one.steady_on.nil? || date <= one.steady_on },
              one.good_dates.size
            ]
          end
          .inject([0, 0]) { |sum, one| sum.zip(one).map(&:sum) }
      end

      # @return [Array<Timing::Day>] what the taps of each step and day say of its time
      def timed
        @timed ||=
          @steps.flat_map do |step|
            standing = standings.fetch(step.id)
            taps =
              @marks.fetch(step.id, []).select { |mark| mark.kind == :repetition && mark.tapped_at }
            taps
              .group_by(&:date)
              .filter_map do |date, marks|
                Timing.day(step, date, marks.map(&:tapped_at), done: standing.done_before(date))
              end
          end
      end

      # What one estimated day takes in this piece, by the steps that were heard: the logarithms of
      # days taken beside estimates, each off by {Constants::HEARD_OFF}, drawn toward what is usual
      # for pieces, {Constants::PIECES_DIFFER} around 1.
      # @return [Float]
      def pace
        @pace ||=
          begin
            seen = heard_logs
            weight = 1 / Constants::HEARD_OFF**2
            Math.exp(
              seen.sum(0.0) * weight / ((1 / Constants::PIECES_DIFFER**2) + (seen.size * weight))
            )
          end
      end

      # @return [Array<Array(Integer, Integer)>] of each step that became steady
      #   by practice: the good days it took, and its estimate
      def days_taken
        standings
          .values
          .select { |one| one.done? && one.good_dates.any? }
          .map { |one| [one.good_dates.size, one.step.good_days] }
      end

      private

      # Of steps that a teacher heard and that are done: days on which they were played, one at
      # least.
      def heard_logs
        standings
          .values
          .select { |one| one.done? && results_of(one.step.id).any? }
          .reject { |one| Practice::Simplification.form?(one.step.id) }
          .map do |one|
            days = one.days.keys.count { |date| one.steady_on.nil? || date <= one.steady_on }
            Math.log([days, 1].max.fdiv(one.step.good_days))
          end
      end
    end
  end
end
