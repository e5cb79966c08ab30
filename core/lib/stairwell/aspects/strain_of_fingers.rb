# frozen_string_literal: true

module Stairwell
  module Aspects
    # How hard it is for two fingers to play two keys one after another, or at once. Spans and
    # rules: R. Parncutt, J. A. Sloboda, E. F. Clarke, M. Raekallio and P. Desain, "An ergonomic
    # model of keyboard fingering for melodic fragments", Music Perception 14 (1997) (from memory),
    # as far as they are about two notes; what a whole move of the hand costs is our own choice.
    module StrainOfFingers
      # Semitones from a finger outward to another: least practicable, comfortable and relaxed, most
      # relaxed, comfortable and practicable.
      SPANS = {
        [1, 2] => [-5, -3, 1, 5, 8, 10],
        [1, 3] => [-4, -2, 3, 7, 10, 12],
        [1, 4] => [-3, -1, 5, 9, 12, 14],
        [1, 5] => [-1, 1, 7, 10, 13, 15],
        [2, 3] => [1, 1, 1, 2, 3, 5],
        [2, 4] => [1, 1, 3, 4, 5, 7],
        [2, 5] => [2, 2, 5, 6, 8, 10],
        [3, 4] => [1, 1, 1, 2, 2, 4],
        [3, 5] => [1, 1, 3, 4, 5, 7],
        [4, 5] => [1, 1, 1, 2, 3, 5]
      }.freeze
      BLACK = [1, 3, 6, 8, 10].freeze
      # What a change of place costs besides, where the thumb goes under, and each step of the scale
      # that has no finger of its own. Own choice: the model counts changes of place by three notes.
      PLACE, AWAY = 2.0, 0.5
      # Steps of the scale in as many semitones, up to a fifth.
      STEPS = [0, 1, 1, 2, 2, 3, 3, 4].freeze
      # What it costs to lift the hand to another place, and more for each semitone; the same finger
      # on the next key; another finger on the same key. Own choice.
      MOVE, FARTHER, CHANGE = 6.0, 0.25, 3.0
      # Of a chord that no hand holds so.
      IMPOSSIBLE = 50.0

      module_function

      # @param finger [Integer] 1 the thumb
      # @param other [Integer] the next one
      # @param key [Integer] MIDI note
      # @param other_key [Integer]
      # @param outward [Integer] 1 in the right hand, -1 in the left
      # @return [Float]
      def between(finger, other, key, other_key, outward)
        far = outward * (other_key - key)
        return (finger == other) ? 0.0 : CHANGE if far.zero?

        move = MOVE + FARTHER * far.abs
        return move if finger == other

        [
          span(finger, other, far) + passing(finger, other, key, other_key, far) +
            away(finger, other, far),
          move
        ].min + weak(other) + colours(finger, other, key, other_key)
      end

      # @param fingers [Array<Integer>] outward
      # @param keys [Array<Integer>] in the same order
      # @return [Float] of a chord
      def together(fingers, keys, outward)
        fingers
          .each_index
          .to_a
          .combination(2)
          .sum(0.0) do |one, other|
            far = outward * (keys[other] - keys[one])
            # Crossed as printed.
            least, *, most = SPANS[[fingers[one], fingers[other]]]
            next IMPOSSIBLE + far.abs unless least && far.between?([least, 1].max, most)

            span(fingers[one], fingers[other], far) +
              ((other == one + 1) ? away(fingers[one], fingers[other], far) : 0.0)
          end
      end

      # @return [Boolean]
      def black?(key) = BLACK.include?(key % 12)

      def span(finger, other, far)
        finger, other, far = other, finger, -far if finger > other
        _, comfortable, relaxed, wide, far_open, = SPANS.fetch([finger, other])
        thumb = (finger == 1) ? 1.0 : 2.0
        cost = 0.0
        cost += thumb * (relaxed - far) if far < relaxed
        cost += thumb * (far - wide) if far > wide
        cost += 2.0 * (comfortable - far) if far < comfortable
        cost += 2.0 * (far - far_open) if far > far_open
        cost
      end

      # A finger for each step: what is not so opens or closes the hand.
      def away(finger, other, far)
        return 0.0 if far.abs > Constants::HAND_POSITION

        AWAY * (other - finger - STEPS.fetch(far.abs) * (far <=> 0)).abs
      end

      # The thumb under another finger, or a finger over it.
      def passing(finger, other, key, other_key, far)
        return 0.0 if finger != 1 && other != 1
        return 0.0 if far.negative? != (finger == 1)

        thumb, above = (finger == 1) ? [key, other_key] : [other_key, key]
        return PLACE + 3.0 if black?(thumb) && !black?(above)

        (black?(thumb) == black?(above)) ? PLACE + 1.0 : PLACE
      end

      def weak(finger) = (finger >= 4) ? 1.0 : 0.0

      # The thumb and the fifth finger on a black key beside a white one, three and four, four on
      # black.
      def colours(finger, other, key, other_key)
        cost = 0.0
        cost += black?(key) ? 1.0 : 3.0 if other == 1 && black?(other_key)
        cost += 2.0 if finger == 1 && black?(key) && !black?(other_key)
        cost += 2.0 if other == 5 && black?(other_key) && !black?(key)
        if [finger, other].minmax == [3, 4]
          three, four = (finger == 3) ? [key, other_key] : [other_key, key]
          cost += 1.0
          cost += 1.0 if black?(four) && !black?(three)
        end
        cost
      end
      private_class_method :span, :passing, :away, :weak, :colours
    end
  end
end
