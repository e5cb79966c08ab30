# frozen_string_literal: true

module Stairwell
  module Practice
    # The traditional metronome scale.
    module Metronome
      SCALE = Constants::METRONOME

      # @param tempo [Numeric] counts a minute
      # @return [Integer] the fastest mark that is not above it; below the
      #   scale the whole number itself
      def self.at_most(tempo)
        SCALE.reverse.find { |mark| mark <= tempo } || [tempo.floor, 1].max
      end
    end
  end
end
