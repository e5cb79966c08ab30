# frozen_string_literal: true

module Stairwell
  module Aspects
    # Chromatic scales in a hand's line: the third finger on black keys, the thumb on white ones,
    # and the second on the white key with which two of them follow each other outward from the
    # thumb. Published in handbooks of scales, for example J. F. Cooke, Mastering the Scales and
    # Arpeggios, 1913 (from memory).
    class ChromaticRuns
      BLACK = [1, 3, 6, 8, 10].freeze
      # C and F for the right hand, B and E for the left.
      SECOND = { right: [0, 5], left: [11, 4] }.freeze
      private_constant :BLACK, :SECOND

      # @param line [Line]
      def initialize(line)
        @line = line
      end

      # @return [Hash{Touch => Integer}] by identity
      def fingers
        runs.each_with_object({}.compare_by_identity) do |run, found|
          innermost =
            run.public_send((@line.hand == :right) ? :min_by : :max_by) { |touch| touch.keys.first }
          run.each { |touch| found[touch] = finger(touch.keys.first % 12, touch.equal?(innermost)) }
        end
      end

      private

      def runs
        Runs.of(@line, Constants::CHROMATIC_RUN) do |one, other|
          (other.keys.first - one.keys.first).then { |step| step if step.abs == 1 }
        end
      end

      # A run begins with the thumb where nothing lies before it.
      def finger(key, innermost)
        return 3 if BLACK.include?(key)

        (SECOND.fetch(@line.hand).include?(key) && !innermost) ? 2 : 1
      end
    end
  end
end
