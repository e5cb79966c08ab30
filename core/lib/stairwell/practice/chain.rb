# frozen_string_literal: true

module Stairwell
  module Practice
    # What a teacher has played in one go in a key: scales, chords by degree such as "I IV V7 I",
    # or anything else in words, with commas between; one hand after the other.
    module Chain
      HANDS = %i[right left both].freeze
      # Degrees as they are written for chords of three notes and of four.
      DEGREES = %w[I II III IV V VI VII].freeze
      CHORD = /\A([IV]+|[iv]+)(7)?\z/
      # Fifths of a key that is a semitone higher, and those that need the fewest signs.
      SEMITONE, FEWEST = 7, (-5..6)
      private_constant :DEGREES, :CHORD, :SEMITONE, :FEWEST

      module_function

      # @param title [String] as it was typed
      # @param key [Score::Key, nil]
      # @param hands [Array<Symbol>] of {HANDS}, in their order
      # @return [Phrase] what it is called
      def title(title, key: nil, hands: [])
        said = key ? Phrase["practice.chain.in_key", title: title, key: key.name] : title
        if hands.any?
          Phrase[
            "practice.chain.hands",
            said: said,
            hands: Phrase.list(hands.map { |hand| Phrase["practice.chain.#{hand}"] }, by: :comma)
          ]
        else
          said
        end
      end

      # @param title [String]
      # @param key [Score::Key]
      # @return [Array<String>] notes of its scales and chords, from the bottom up
      def notes(title, key)
        title.split(",").flat_map { |part| chords(part.split, Score::Scale.new(key).names) || [] }
      end

      # @param keys [Array<Score::Key>]
      # @param higher [Integer, nil] semitones by which it goes up each week
      # @param week [Integer] from 0
      # @return [Score::Key, nil] of that week: the next of them, and round again
      def key(keys, week, higher: nil)
        return keys[week % keys.size] if keys.any? && higher.nil?

        keys.first && up(keys.first, higher * week)
      end

      # @param key [Score::Key]
      # @param semitones [Integer]
      # @return [Score::Key] as much higher, with the fewest signs
      def up(key, semitones) =
        key.with(fifths: ((key.fifths + (SEMITONE * semitones) - FEWEST.min) % 12) + FEWEST.min)

      def chords(words, scale)
        return [scale.join(" ")] if words.map(&:downcase) == ["scale"]
        return if words.empty? || !words.all? { |word| DEGREES.include?(word[CHORD, 1]&.upcase) }

        words.map { |word| "#{word}: #{chord(word, scale).join(" ")}" }
      end

      def chord(word, scale)
        root = DEGREES.index(word[CHORD, 1].upcase)
        [0, 2, 4, *(6 if word[CHORD, 2])].map { |third| scale[(root + third) % 7] }
      end

      private_class_method :chords, :chord
    end
  end
end
