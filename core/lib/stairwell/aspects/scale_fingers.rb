# frozen_string_literal: true

module Stairwell
  module Aspects
    # With which fingers scales are played.
    module ScaleFingers
      # The usual fingers of one octave up, by tonic, right hand then left.
      # Published in handbooks of scales, for example J. F. Cooke, Mastering the
      # Scales and Arpeggios, 1913 (from memory). Harmonic minor.
      THUMB_FIRST = ["12312345", "54321321"].freeze
      MAJOR = {
        **%w[C G D A E].to_h { |tonic| [tonic, THUMB_FIRST] },
        "B" => ["12312345", "43214321"], "F#" => ["23412312", "43213214"], "Gb" => ["23412312", "43213214"],
        "C#" => ["23123412", "32143213"], "Db" => ["23123412", "32143213"], "Ab" => ["34123123", "32143213"],
        "Eb" => ["31234123", "32143213"], "Bb" => ["41231234", "32143213"], "F" => ["12341234", "54321321"], "Cb" => ["12312345", "43214321"]
      }.freeze
      MINOR = {
        **%w[A E D G C].to_h { |tonic| [tonic, THUMB_FIRST] },
        "B" => ["12312345", "43214321"], "F#" => ["34123123", "43213214"], "C#" => ["34123123", "32143213"], "G#" => ["34123123", "32143213"],
        "Ab" => ["34123123", "32143213"], "D#" => ["31234123", "21432132"], "Eb" => ["31234123", "21432132"], "A#" => ["41231234", "21321432"], "Bb" => ["41231234", "21321432"], "F" => ["12341234", "54321321"]
      }.freeze

      # @param key [Score::Key]
      # @return [Array(Array<Integer>, Array<Integer>)] of an octave up, right and left hand
      def self.of(key) = ((key.mode == "minor") ? MINOR : MAJOR).fetch(key.tonic).map { |text| text.chars.map(&:to_i) }
    end
  end
end
