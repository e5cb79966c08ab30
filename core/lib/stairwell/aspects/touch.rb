# frozen_string_literal: true

module Stairwell
  module Aspects
    # What a hand strikes at once: the bar and beat, `at` and `ends` in whole notes from the
    # beginning of the page (`ends` through ties), and the notes from the thumb's side outward.
    Touch =
      Struct.new(:bar, :beat, :at, :ends, :notes) do
        # @return [Array<Score::Pitch>]
        def pitches = notes.map(&:pitch)

        # @return [Array<Integer>] MIDI notes
        def keys = @keys ||= notes.map { |note| note.pitch.midi }

        # @return [Boolean] whether one key is struck
        def single? = notes.one?
      end
  end
end
