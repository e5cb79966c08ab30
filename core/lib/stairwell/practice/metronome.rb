# frozen_string_literal: true

module Stairwell
  module Practice
    # The traditional metronome scale.
    module Metronome
      SCALE = Constants::METRONOME

      RULE = Phrase["practice.metronome.three_times_clean_in_a_row"]

      # Where the metronome goes after what was just played.
      # @param rungs [Array<Integer>] from slow to fast
      # @param at [Integer] the rung played at
      # @param results [Array<Boolean>] clean or not, at this rung, newest last
      # @return [Integer] the next rung
      def self.next_rung(rungs, at, results)
        place = rungs.index(at)
        if results.last(Constants::CLEAN_GOES_UP).size == Constants::CLEAN_GOES_UP &&
             results.last(Constants::CLEAN_GOES_UP).all?
          return rungs[[place + 1, rungs.size - 1].min]
        end
        if results.last(Constants::FAILED_GOES_DOWN).size == Constants::FAILED_GOES_DOWN &&
             results.last(Constants::FAILED_GOES_DOWN).none?
          return rungs[[place - Constants::RUNGS_DOWN, 0].max]
        end

        at
      end

      # The rungs from a steady tempo up to a target tempo; both are always rungs.
      #
      # @param from [Integer] beats per minute
      # @param to [Integer]
      # @return [Array<Integer>]
      def self.ladder(from, to) = [from, *SCALE.select { |mark| mark > from && mark < to }, to].uniq

      # @param tempo [Numeric] beats per minute
      # @return [Integer] the fastest mark that is not above it; below the
      #   scale the whole number itself
      def self.at_most(tempo)
        SCALE.reverse.find { |mark| mark <= tempo } || [tempo.floor, 1].max
      end
    end
  end
end
