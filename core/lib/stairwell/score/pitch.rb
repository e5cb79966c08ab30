# frozen_string_literal: true

module Stairwell
  module Score
    # A spelled pitch: step "C".."B", alter in semitones, octave as in
    # scientific pitch notation (C4 is middle C).
    Pitch =
      Stairwell.value(:step, :octave, alter: 0) do
        # @return [Integer] the MIDI note number; 60 is middle C
        def midi = 12 * (octave + 1) + Pitch::SEMITONES.fetch(step) + alter

        # @return [Integer] place on the staff, counted in scale steps from C0
        def staff_step = 7 * octave + Pitch::STEPS.index(step)

        def to_s = "#{step}#{Pitch::SIGNS.fetch(alter)}#{octave}"

        # @return [String] as people write it, such as "B♭3"
        def name = "#{Names.of("#{step}#{Pitch::SIGNS.fetch(alter)}")}#{octave}"
      end

    Pitch::STEPS = %w[C D E F G A B].freeze
    Pitch::SEMITONES = {
      "C" => 0,
      "D" => 2,
      "E" => 4,
      "F" => 5,
      "G" => 7,
      "A" => 9,
      "B" => 11
    }.freeze
    Pitch::SIGNS = { -2 => "bb", -1 => "b", 0 => "", 1 => "#", 2 => "##" }.freeze

    # @param text [String] such as "F#4" or "Bb3"
    # @return [Pitch]
    # @raise [UnreadableError] when it is not a pitch
    def Pitch.parse(text)
      found = /\A([A-G])(bb|b|##|#|)(-?\d)\z/.match(text)
      raise UnreadableError, Phrase["score.pitch.is_not_a_pitch_such_as", text: text] unless found

      new(step: found[1], alter: Pitch::SIGNS.key(found[2]), octave: found[3].to_i)
    end
  end
end
