# frozen_string_literal: true

module Stairwell
  module Aspects
    # Broken triads on a white key that run over an octave and more from their root, with the
    # fingers that handbooks give them: J. F. Cooke, Mastering the Scales and Arpeggios, 1913 (from
    # memory).
    class ArpeggioRuns
      BLACK = [1, 3, 6, 8, 10].freeze
      # Semitones between neighbours of a triad, the fourth over its top among them.
      NEIGHBOURS = (3..5)
      MAJOR, MINOR, FIFTH = 4, 3, 7
      private_constant :BLACK, :NEIGHBOURS, :MAJOR, :MINOR, :FIFTH

      # @param line [Line]
      def initialize(line)
        @line = line
      end

      # @return [Hash{Touch => Integer}] by identity
      def fingers
        runs.each_with_object({}.compare_by_identity) do |run, found|
          up = run.sort_by { |touch| touch.keys.first }
          third = third(up) or next

          up.each { |touch| found[touch] = finger(touch, up, third) }
        end
      end

      private

      def runs
        Runs.of(@line, Constants::ARPEGGIO_RUN) do |one, other|
          (other.keys.first - one.keys.first).then do |step|
            step <=> 0 if NEIGHBOURS.cover?(step.abs)
          end
        end
      end

      # @return [Integer, nil] semitones of the third over the root, where it is such a triad and
      #   begins with its root
      def third(up)
        root = up.first.keys.first
        above = up.map { |touch| (touch.keys.first - root) % 12 }.uniq.sort
        [MAJOR, MINOR].find { |third| above == [0, third, FIFTH] } unless BLACK.include?(root % 12)
      end

      def finger(touch, up, third)
        above = (touch.keys.first - up.first.keys.first) % 12
        return root(touch, up) if above.zero?
        return FIFTHS.fetch(@line.hand) if above == FIFTH
        return 2 if @line.hand == :right

        # A great third onto a black key lies nearer to the third finger.
        (third == MAJOR && BLACK.include?(touch.keys.first % 12)) ? 3 : 4
      end

      FIFTHS = { right: 3, left: 2 }.freeze
      private_constant :FIFTHS

      # The outer end has the little finger, all other roots the thumb.
      def root(touch, up)
        outer = (@line.hand == :right) ? up.last : up.first
        touch.equal?(outer) ? 5 : 1
      end
    end
  end
end
