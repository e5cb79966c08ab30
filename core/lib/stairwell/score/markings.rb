# frozen_string_literal: true

module Stairwell
  module Score
    # What a page says beside its notes and signs, and what a teacher says of
    # it. Spans may begin and end inside a bar (Span#from_beat, #to_beat).

    # Everything of the above for one piece. `dismissed` are spots that
    # were suggested and are none. `pedal`, `hard` and `ritardandi` are spans,
    # `tempos` are {TempoChange} behind the first bar, `harmony` chords by degree and `patterns` of
    # a hand ({Told}), `parts` large ones with their names ({Told}), `ornaments` spans of one beat,
    # `introduces` texts, `track` a number.
    Markings =
      Stairwell.value(
        fermatas: [],
        ritardandi: [],
        pass_notes: [],
        starts: [],
        hands: [],
        dynamics: [],
        pedal: [],
        ornaments: [],
        verses: [],
        introduces: [],
        octaves: [],
        spots: [],
        dismissed: [],
        hard: [],
        joins: [],
        section_notes: [],
        tempos: [],
        harmony: [],
        patterns: [],
        parts: [],
        track: nil
      )
  end
end
