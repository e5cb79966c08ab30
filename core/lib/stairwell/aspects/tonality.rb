# frozen_string_literal: true

module Stairwell
  module Aspects
    # Tells major from minor where both have the same signature: by how long each note of the scale
    # sounds, the last bass note, and the raised seventh.
    class Tonality
      # How well each of the twelve notes fits a key, from its tonic up. C. L. Krumhansl and E. J.
      # Kessler, "Tracing the dynamic changes in perceived tonal organization in a spatial
      # representation of musical keys", Psychological Review 89 (1982), probe-tone ratings (from
      # memory).
      PROFILES = {
        "major" => [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88],
        "minor" => [6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17]
      }.freeze
      # All of them with up to six signs.
      KEYS =
        (-6..6)
          .flat_map do |fifths|
            Score::Key::MODES.map { |mode| Score::Key.new(fifths: fifths, mode: mode) }
          end
          .freeze
      # What was found: the key, and of :close, :leading and :notes what speaks for it.
      Found = Stairwell.value(:key, :why)

      # @param notes [Hash{Integer => Hash{Symbol => Array<Score::Note>}}] of the bars in which a
      #   signature holds
      def initialize(notes)
        @notes = notes
        @sounding = notes.values.flat_map(&:values).flatten
      end

      # @param claimed [Score::Key] as the file has it
      # @return [Found, nil] the other mode, where the notes clearly say so
      def other(claimed)
        return if @sounding.size < Constants::TONALITY_NOTES

        mode = (Score::Key::MODES - [claimed.mode]).first
        other = claimed.with(mode: mode)
        if fit(other) > fit(claimed) + Constants::TONALITY_CLEAR
          Found.new(key: other, why: why(other))
        end
      end

      # @param home [Score::Key]
      # @yieldparam key [Score::Key]
      # @yieldreturn [Boolean] whether it can be that one
      # @return [Score::Key, nil] the one of all keys that is clearly nearer to the notes than
      #   `home`
      def elsewhere(home, &)
        return if @sounding.size < Constants::TONALITY_NOTES

        best = KEYS.select(&).max_by { |key| fit(key) } or return
        best if fit(best) > fit(home) + Constants::TONALITY_CLEAR
      end

      private

      def fit(key)
        alike(key) + (closes?(key) ? Constants::TONALITY[:close] : 0) +
          ((key.mode == "minor" && leads?(key)) ? Constants::TONALITY[:leading] : 0)
      end

      def why(key) =
        [(:close if closes?(key)), (:leading if key.mode == "minor" && leads?(key)), :notes].compact

      # Correlation of what sounds with the profile.
      def alike(key)
        from = tonic(key)
        heard = Array.new(12) { |step| lengths.fetch((from + step) % 12, 0.0) }
        one, other =
          [heard, PROFILES.fetch(key.mode)].map do |all|
            all.map { |value| value - (all.sum / 12.0) }
          end
        spread = Math.sqrt(one.sum { |value| value**2 } * other.sum { |value| value**2 })
        spread.zero? ? 0.0 : one.zip(other).sum { |a, b| a * b } / spread
      end

      # @return [Hash{Integer => Float}] whole notes by pitch class
      def lengths =
        @lengths ||=
          @sounding
            .group_by { |note| note.pitch.midi % 12 }
            .transform_values { |all| all.sum(&:length).to_f }

      # The lowest note at the end is the tonic.
      def closes?(key)
        last =
          @notes.select { |_, hands| hands.each_value.any?(&:any?) }.max&.last&.values&.flatten.to_a
        onset = last.map(&:onset).max
        ending =
          last.select do |note|
            note.onset == onset ||
              note.onset + note.length >= last.map { |one| one.onset + one.length }.max
          end
        ending.map { |note| note.pitch.midi }.min&.%(12) == tonic(key)
      end

      # The seventh is raised at least as long as it is not.
      def leads?(key)
        raised, plain = [11, 10].map { |step| lengths.fetch((tonic(key) + step) % 12, 0.0) }
        raised.positive? && raised >= plain
      end

      def tonic(key) = Score::Pitch.parse("#{key.tonic}4").midi % 12
    end
  end
end
