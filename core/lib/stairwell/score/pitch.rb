# frozen_string_literal: true

module Stairwell
  module Score
    # A spelled pitch: step "C".."B", alter in semitones, octave as in
    # scientific pitch notation (C4 is middle C).
    Pitch = Stairwell.value(:step, :octave, alter: 0) do
      # @return [Integer] the MIDI note number; 60 is middle C
      def midi = 12 * (octave + 1) + Pitch::SEMITONES.fetch(step) + alter

      # @return [Integer] place on the staff, counted in scale steps from C0
      def staff_step = 7 * octave + Pitch::STEPS.index(step)

      def to_s = "#{step}#{Pitch::SIGNS.fetch(alter)}#{octave}"

      # @return [String] as people write it, such as "B♭3"
      def name = "#{Names.of("#{step}#{Pitch::SIGNS.fetch(alter)}")}#{octave}"
    end

    Pitch::STEPS = %w[C D E F G A B].freeze
    Pitch::SEMITONES = {"C" => 0, "D" => 2, "E" => 4, "F" => 5, "G" => 7, "A" => 9, "B" => 11}.freeze
    Pitch::SIGNS = {-2 => "bb", -1 => "b", 0 => "", 1 => "#", 2 => "##"}.freeze

    # @param text [String] such as "F#4" or "Bb3"
    # @return [Pitch]
    # @raise [UnreadableError] when it is not a pitch
    def Pitch.parse(text)
      found = /\A([A-G])(bb|b|##|#|)(-?\d)\z/.match(text)
      raise UnreadableError, Phrase["score.pitch.is_not_a_pitch_such_as", text: text] unless found

      new(step: found[1], alter: Pitch::SIGNS.key(found[2]), octave: found[3].to_i)
    end

    # A sounding note: onset from the start of its bar and length, both in
    # whole notes. `tied` says that it only holds on a note struck before;
    # `finger` is 1 for the thumb; `touch` its articulations in words; `graces`
    # the pitches of short notes before it.
    Note = Stairwell.value(:onset, :length, :pitch, tied: false, finger: nil, articulation: [], graces: [])

    # A clef a hand reads from, by its name ("treble", "bass"), from a place on.
    Clef = Stairwell.value(:hand, :name, bar: 1, beat: 1r)

    # A key signature: fifths (sharps positive, flats negative) and mode.
    # `bar` is the index from which it holds.
    Key = Stairwell.value(:fifths, mode: "major", bar: 1) do
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

      # @return [String] as people write it, such as "B♭ major"
      def name = "#{Names.of(tonic)} #{mode}"
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
