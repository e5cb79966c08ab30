# frozen_string_literal: true

module Stairwell
  # Those of what hands, ears and eyes have to do.
  module Constants
    # Whole notes of silence behind which a hand begins anew. Own choice.
    LETS_GO = 1r
    # What it costs to leave the handbooks' fingers, and how many notes are a scale, a chromatic one
    # and a broken chord. Own choice: an octave; half of one; an octave.
    BESIDE_THE_HANDBOOK, SCALE_RUN, CHROMATIC_RUN, ARPEGGIO_RUN = 8.0, 8, 6, 4
    # Staff steps by which a hand opens without leaving its place. Own choice: one either way.
    OPENS = 2
    # Touches of a place of which a finger still knows its key. Own choice.
    REMEMBERED = 6
    # Bars without accidentals that keep two with some apart; bars from which another key is looked
    # for, and what share of the notes may lie outside that one. Own choice.
    ACCIDENTALS_APART, KEY_BARS, STRAY = 2, 4, 0.05
    # Places of a hand that are told one by one; rhythms of one that are told. Own choice.
    PLACES_TOLD, RHYTHMS_TOLD = 6, 2
    # Semitones no hand reaches: what is wider is a note in the wrong hand. Own choice: more than a
    # twelfth.
    LARGEST_REACH = 19
    # How often something stands to be a pattern, and what share of all is nearly all. Own choice.
    PATTERN_TIMES, NEARLY_ALL = 3, 3 / 4r
    # By how much the left hand must sing more than the right one to have the tune, from 0 to 1. Own
    # choice. Bars either side that say whose it is.
    TUNE_CLEARER, TUNE_AROUND = 0.3, 2
    # What share of the time a chord must hold to be named; what a missing root, third or seventh
    # takes from that, what a root in the bass adds, by how much halves of a bar must be clearer
    # than the bar, and what is added for the chords that are met most. Own choice.
    CHORD_CLEAR, CHORD_MISSING, CHORD_BASS, CLEARER_BY_HALVES = 0.7, 0.15, 0.1, 0.12
    CHORD_USUAL = {
      "I" => 0.12,
      "i" => 0.12,
      "V" => 0.12,
      "V7" => 0.12,
      "IV" => 0.08,
      "iv" => 0.08,
      "vi" => 0.04,
      "ii" => 0.04,
      "VI" => 0.04
    }.freeze
  end
end
