# frozen_string_literal: true

module Stairwell
  module Aspects
    # With which fingers scales are played.
    module ScaleFingers
      # The usual fingers of one octave up, by tonic, right hand then left.
      # Published in handbooks of scales, for example J. F. Cooke, Mastering the
      # Scales and Arpeggios, 1913 (from memory). Harmonic minor.
      THUMB_FIRST = %w[12312345 54321321].freeze
      MAJOR = {
        **%w[C G D A E].to_h { |tonic| [tonic, THUMB_FIRST] },
        "B" => %w[12312345 43214321],
        "F#" => %w[23412312 43213214],
        "Gb" => %w[23412312 43213214],
        "C#" => %w[23123412 32143213],
        "Db" => %w[23123412 32143213],
        "Ab" => %w[34123123 32143213],
        "Eb" => %w[31234123 32143213],
        "Bb" => %w[41231234 32143213],
        "F" => %w[12341234 54321321],
        "Cb" => %w[12312345 43214321]
      }.freeze
      MINOR = {
        **%w[A E D G C].to_h { |tonic| [tonic, THUMB_FIRST] },
        "B" => %w[12312345 43214321],
        "F#" => %w[34123123 43213214],
        "C#" => %w[34123123 32143213],
        "G#" => %w[34123123 32143213],
        "Ab" => %w[34123123 32143213],
        "D#" => %w[31234123 21432132],
        "Eb" => %w[31234123 21432132],
        "A#" => %w[41231234 21321432],
        "Bb" => %w[41231234 21321432],
        "F" => %w[12341234 54321321]
      }.freeze

      # @param key [Score::Key]
      # @return [Array(Array<Integer>, Array<Integer>)] of an octave up, right and left hand
      def self.of(key) =
        ((key.mode == "minor") ? MINOR : MAJOR)
          .fetch(key.tonic)
          .map { |text| text.chars.map(&:to_i) }
    end
  end
end
