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
          .select { |standing| standing.good_dates.any? }
          .group_by { |standing| standing.step.kind }
          .transform_values do |all|
            own = all.reject { |standing| Practice::Simplification.form?(standing.step.id) }
            Planning::Habit::Learnt.new(
              taken: all.sum(0r) { |standing| standing.good_dates.size.to_r },
              gained:
                own.sum(0r) do |standing|
                  Rational(standing.step.good_days * standing.credited, standing.good_days)
                end,
              steps: own.size
            )
          end
      end

      # @return [Array(Integer, Integer)] days on which a step was tried before it was done, and
      #   those of them that were good
      def tried
        standings
          .values
          .map do |standing|
            [
              standing.days.keys.count do |date|
                standing.steady_on.nil? || date <= standing.steady_on
              end,
              standing.good_dates.size
            ]
          end
          .inject([0, 0]) { |sum, counts| sum.zip(counts).map(&:sum) }
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
          .select { |standing| standing.done? && standing.good_dates.any? }
          .map { |standing| [standing.good_dates.size, standing.step.good_days] }
      end

      private

      # Of steps that a teacher heard and that are done: days on which they were played, one at
      # least.
      def heard_logs
        standings
          .values
          .select { |standing| standing.done? && results_of(standing.step.id).any? }
          .reject { |standing| Practice::Simplification.form?(standing.step.id) }
          .map do |standing|
            days =
              standing.days.keys.count do |date|
                standing.steady_on.nil? || date <= standing.steady_on
              end
            Math.log([days, 1].max.fdiv(standing.step.good_days))
          end
      end
    end
  end
end
