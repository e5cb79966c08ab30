# frozen_string_literal: true

module Stairwell
  module Practice
    # What tires a hand: wide stretches and octaves, full chords, notes that are repeated fast. It
    # is played less often on a day.
    class Strain
      # @param map [Score::Map]
      def initialize(map)
        @map = map
      end

      # @param bars [Array<Integer>]
      # @param hands [Symbol] :right, :left or :both
      # @param tempo [Integer, nil] beats per minute
      # @return [Boolean]
      def at?(bars, hands, tempo)
        return false unless @map.notes?

        of = (hands == :both) ? Sections::Likeness::HANDS : [hands]
        of.any? { |hand| heavy?(bars, hand) || (tempo && repeated_fast?(bars, hand, tempo)) }
      end

      private

      # Octaves and more, or four keys and more at once.
      def heavy?(bars, hand)
        bars.any? do |bar|
          (@heavy ||= {}).fetch([bar, hand]) do |key|
            @heavy[key] = strikes(bar, hand).any? do |keys|
              keys.size >= Constants::FULL_CHORD || keys.max - keys.min >= Constants::WIDE_STRETCH
            end
          end
        end
      end

      # The same key again and again, faster than so many times a second.
      def repeated_fast?(bars, hand, tempo)
        run = 1
        timed(bars, hand, tempo).each_cons(2) do |(at, keys), (later, next_keys)|
          run =
            ((later - at) * Constants::FAST_REPEATED <= 1 && (keys & next_keys).any?) ? run + 1 : 1
          return true if run >= Constants::REPEATED
        end
        false
      end

      # @return [Array<Array<Integer>>] MIDI keys struck together, in the order of the bar
      def strikes(bar, hand) = struck(bar, hand).map(&:last)

      def struck(bar, hand)
        @map
          .notes
          .dig(bar, hand)
          .to_a
          .reject(&:tied)
          .group_by(&:onset)
          .sort
          .map { |onset, notes| [onset, notes.map { |note| note.pitch.midi }] }
      end

      # @return [Array<Array(Rational, Array<Integer>)>] seconds since the first bar, and keys
      def timed(bars, hand, tempo)
        start = 0r
        bars.flat_map do |index|
          bar = @map.bar(index)
          whole = 60 / (tempo * bar.meter.count_length)
          at = start
          start += bar.length * whole
          struck(index, hand).map { |onset, keys| [at + onset * whole, keys] }
        end
      end
    end
  end
end
