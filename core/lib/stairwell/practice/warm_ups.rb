# frozen_string_literal: true

module Stairwell
  module Practice
    # Warm-ups out of a key: the scale and its chords with the usual fingers, or
    # five fingers on five keys for the youngest.
    module WarmUps
      # Fingers of three-note chords: root position, first and second inversion.
      # Same handbooks.
      CHORDS = [
        [Phrase["practice.warm_ups.root_position"], "135", "531"],
        [Phrase["practice.warm_ups.first_inversion"], "125", "531"],
        [Phrase["practice.warm_ups.second_inversion"], "135", "521"]
      ].freeze
      # A progression by the feel of the hand, the root at the bottom of the left
      # hand: the chords on the first, fourth and fifth degree, each right-hand
      # chord as near the last as it lies. Common practice, no source.
      PROGRESSION = [
        ["I", [0, 2, 4], "135"],
        ["IV", [0, 3, 5], "125"],
        ["I", [0, 2, 4], "135"],
        ["V", [-1, 1, 4], "125"],
        ["I", [0, 2, 4], "135"]
      ].freeze
      # Keys of one sitting, in fifths from the piece's own: itself, and one
      # either side of it. Own choice.
      NEIGHBOURS = [0, 1, -1].freeze

      KINDS = Constants::WARM_UP_SECONDS.keys.freeze

      module_function

      # @param key [Score::Key]
      # @param kinds [Array<Symbol>] of {KINDS}
      # @return [Array<Exercise>]
      def of(key, kinds = %i[scale])
        kinds.flat_map { |kind| public_send(kind, key) }
      end

      # @param key [Score::Key]
      # @return [Exercise]
      def scale(key)
        right, left = Aspects::ScaleFingers.of(key)
        exercise(
          :scale,
          key,
          Phrase["practice.warm_ups.scale_right_left_both_hands", key: key.name],
          Score::Scale.new(key).names,
          { right: right, left: left }
        )
      end

      # @param key [Score::Key]
      # @return [Exercise] five keys from the tonic, a finger for each
      def five_finger(key)
        exercise(
          :five_finger,
          key,
          Phrase[
            "practice.warm_ups.five_fingers_from_to_right_left",
            from: Score::Names.of(key.tonic),
            to: Score::Scale.new(key).names[4]
          ],
          Score::Scale.new(key).names.first(5),
          { right: [1, 2, 3, 4, 5], left: [5, 4, 3, 2, 1] }
        )
      end

      # @param key [Score::Key]
      # @return [Array<Exercise>] the tonic chord in its three positions
      def chords(key)
        root, third, fifth = Score::Scale.new(key).names.values_at(0, 2, 4)
        CHORDS.each_with_index.map do |(position, right, left), turn|
          exercise(
            :chords,
            key,
            Phrase["practice.warm_ups.chord", key: key.name, position: position],
            [root, third, fifth].rotate(turn),
            { right: digits(right), left: digits(left) },
            share: CHORDS.size
          )
        end
      end

      # The same progression in several keys, for classes.
      # @param key [Score::Key]
      # @return [Array<Exercise>] of the key and its neighbours in fifths
      def progression(key)
        NEIGHBOURS
          .map { |step| key.with(fifths: key.fifths + step) }
          .select { |one| one.fifths.between?(-7, 7) }
          .map do |one|
            names = Score::Scale.new(one).names.first(7)
            chords =
              PROGRESSION.map do |degree, steps, _|
                "#{degree}: #{steps.map { |step| names[step % 7] }.join(" ")}"
              end
            exercise(
              :progression,
              one,
              Phrase[
                "practice.warm_ups.chords",
                key: one.name,
                degrees: PROGRESSION.map(&:first).join(" ")
              ],
              chords,
              {
                right: PROGRESSION.flat_map { |_, _, fingers| digits(fingers) },
                left: [5, 2, 5, 1, 5]
              }
            )
          end
      end

      def digits(text) = text.chars.map(&:to_i)

      def exercise(kind, key, title, notes, fingers, share: 1)
        minutes = (Constants::WARM_UP_SECONDS.fetch(kind) / share / 30.0).ceil / 2r
        Exercise.new(
          key: "#{kind}-#{key.tonic}-#{key.mode}",
          title: title,
          notes: notes,
          fingers: fingers,
          minutes: minutes
        )
      end
      private_class_method :digits, :exercise
    end
  end
end
