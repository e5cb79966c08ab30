# frozen_string_literal: true

module Stairwell
  module Score
    # A key signature: fifths (sharps positive, flats negative) and mode.
    # `bar` is the index from which it holds.
    Key =
      Stairwell.value(:fifths, mode: "major", bar: 1) do
        # @return [String] the tonic, such as "F#" or "Bb"
        def tonic = Key::TONICS.fetch((mode == "minor") ? fifths + 3 : fifths)

        # @param step [String] a letter
        # @return [Integer] what the signature does to it, in semitones
        def alter(step)
          place = Key::SHARPS.index(step)
          return (place < fifths) ? 1 : 0 if fifths >= 0

          (6 - place < -fifths) ? -1 : 0
        end

        def to_s = "#{tonic} #{mode}"

        # @return [Phrase] as people say it, such as "B♭ major"
        def name = Phrase["keys.#{mode}", tonic: Names.of(tonic)]
      end

    Key::SHARPS = %w[F C G D A E B].freeze
    # Tonics on the line of fifths; C is 0.
    Key::TONICS = (-7..10).zip(%w[Cb Gb Db Ab Eb Bb F C G D A E B F# C# G# D# A#]).to_h.freeze
    Key::MODES = %w[major minor].freeze

    # @param text [String] such as "G major"
    # @return [Key, nil] nil when it names no key with at most seven signs
    def Key.parse(text, bar: 1)
      tonic, mode = text.strip.split(/\s+/, 2)
      return unless tonic

      mode = (mode || "major").downcase
      place = Key::TONICS.key(tonic[0].upcase + tonic[1..].to_s.downcase)
      return unless place && Key::MODES.include?(mode)

      fifths = (mode == "minor") ? place - 3 : place
      new(fifths: fifths, mode: mode, bar: bar) if fifths.between?(-7, 7)
    end
  end
end
