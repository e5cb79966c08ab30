# frozen_string_literal: true

module Stairwell
  module Practice
    # The traditional metronome scale.
    module Metronome
      SCALE = Constants::METRONOME

      # The rungs from a steady tempo up to an aim; both are always rungs.
      #
      # @param from [Integer] counts a minute
      # @param to [Integer]
      # @return [Array<Integer>]
      def self.ladder(from, to) = [from, *SCALE.select { |mark| mark > from && mark < to }, to].uniq

      # @param tempo [Numeric] counts a minute
      # @return [Integer] the fastest mark that is not above it; below the
      #   scale the whole number itself
      def self.at_most(tempo)
        SCALE.reverse.find { |mark| mark <= tempo } || [tempo.floor, 1].max
      end
    end
  end
end
