# frozen_string_literal: true

module Stairwell
  module Practice
    # How long a step takes, in exact numbers.
    module Estimate
      module_function

      # @param counts [Rational] of one repetition
      # @param tempo [Integer] beats per minute
      # @param counts [Rational] of one repetition
      # @param tempo [Integer, nil] beats per minute; nil where seconds are said
      # @param seconds [Integer, nil] of one repetition without a tempo
      # @return [Rational] seconds, with the time to get ready again
      def seconds(counts:, tempo:, seconds: nil) =
        (seconds&.to_r || counts * 60 / tempo) + Constants::RESET_SECONDS

      # @return [Rational] minutes a day, rounded up to half a minute
      def minutes(repetitions:, **one) = (repetitions * seconds(**one) / 60 * 2).ceil / 2r

      # @param done [Integer] good days before
      # @param new [Rational] how new it is, 0 to 1
      # @return [Rational] by which a repetition takes longer than it will later
      def first_days(done, new) = 1 + ((Constants::FIRST_DAYS.fetch(done, 1r) - 1) * new)

      # @param stage_days [Integer] days the stage takes on new bars
      # @param difficulty [Integer] 1 to 5
      # @param new_share [Rational] 0 to 1
      # @param pace [Rational] the student's; 1 is average
      # @return [Integer] good days in all, at least one
      def good_days(stage_days:, difficulty:, new_share:, pace:)
        ease = Constants::DIFFICULTY_BASE + Constants::DIFFICULTY_STEP * difficulty
        [1, (stage_days * ease * [new_share, Constants::LEAST_SHARE].max * pace).ceil].max
      end
    end
  end
end
