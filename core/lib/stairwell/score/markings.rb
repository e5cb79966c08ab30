# frozen_string_literal: true

module Stairwell
  module Score
    # What a page says beside its notes and signs, and what a teacher says of
    # it. Spans may begin and end inside a bar (Span#from_beat, #to_beat).

    # Everything of the above for one piece. `dismissed` are spots that
    # were suggested and are none. `pedal`, `hard` and `ritardandi` are spans,
    # `tempos` are {TempoChange} behind the first bar, `ornaments` spans of one beat, `introduces` texts, `track` a number.
    Markings = Stairwell.value(
      fermatas: [], ritardandi: [], pass_notes: [], starts: [], hands: [], dynamics: [], pedal: [], ornaments: [],
      verses: [], introduces: [], octaves: [], spots: [], dismissed: [], hard: [], joins: [], section_notes: [], tempos: [], track: nil
    )
  end
end
