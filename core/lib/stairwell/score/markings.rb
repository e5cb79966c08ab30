# frozen_string_literal: true

module Stairwell
  module Score
    # What a page says beside its notes and signs, and what a teacher says of
    # it. Spans may begin and end inside a bar (Span#from_beat, #to_beat).

    # A note of `counts` written counts is held for `held`; nil for twice as
    # long (common practice).
    Fermata = Stairwell.value(:bar, :counts, beat: 1r, held: nil) do
      # @return [Rational] counts added to the printed ones
      def added = (held || counts * 2) - counts
    end

    # Something that holds on some passes only: "second time, left hand softer".
    # `hand` is :right, :left or nil for both.
    PassNote = Stairwell.value(:passes, :span, :text, hand: nil)

    # Where a hand is put: finger (1 the thumb) and key.
    Start = Stairwell.value(:hand, :finger, :pitch, bar: 1, beat: 1r)

    # How the hands share a span (nil for the whole piece): :right or :left
    # only, :alternating, :together.
    Hands = Stairwell.value(:use, span: nil)
    Hands::USES = {right: "right only", left: "left only", alternating: "alternating", together: "together"}.freeze

    # Loud and soft: words or letters for a place or a span.
    Dynamic = Stairwell.value(:span, :words)

    # A verse of words to sing.
    Verse = Stairwell.value(:number, :span)

    # A few notes that need work of their own.
    Spot = Stairwell.value(:span, hand: nil, text: nil)

    # What a teacher says of a join between two sections.
    Join = Stairwell.value(:from, :to, :text)

    # What a teacher notes for a section: :fingering or :articulation, in words.
    SectionNote = Stairwell.value(:section, :kind, :text)
    SectionNote::KINDS = %i[fingering articulation].freeze

    # An octave line: the hand plays an octave away from where it is written;
    # `up` is false for one that lies lower.
    Octave = Stairwell.value(:span, hand: nil, up: true)

    # Everything of the above for one piece. `dismissed` are spots that
    # were suggested and are none. `pedal`, `hard` and `ritardandi` are spans,
    # `ornaments` spans of one beat, `introduces` texts, `track` a number.
    Markings = Stairwell.value(
      fermatas: [], ritardandi: [], pass_notes: [], starts: [], hands: [], dynamics: [], pedal: [], ornaments: [],
      verses: [], introduces: [], octaves: [], spots: [], dismissed: [], hard: [], joins: [], section_notes: [], track: nil
    )
  end
end
