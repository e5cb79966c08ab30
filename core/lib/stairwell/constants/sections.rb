# frozen_string_literal: true

module Stairwell
  # Those of where sections begin and end, and how they resemble each other.
  module Constants
    # Counts in which a hand can leave its position without hurry. Own choice.
    TIME_TO_MOVE = 1
    # Semitones of a leap that is hard wherever it stands. Own choice: an octave.
    WIDE_LEAP = 12
    # Bars that sound alike of which the first ones are compared. Own choice.
    MOST_TWINS = 32
    # Bars that share most with one, with which it is compared. Own choice.
    MOST_LIKE = 16
    # Sections that share something of which the first ones are compared. Own choice.
    MOST_COMPARED = 32
    # What a section of so many bars costs when sections are suggested; four are best. Own choice.
    SECTION_LENGTHS = {
      2 => 1.0,
      3 => 0.25,
      4 => 0.0,
      5 => 0.6,
      6 => 0.3,
      7 => 0.75,
      8 => 1.0
    }.freeze
    # What a cut between suggested sections must be worth, and in how many rounds places of a return
    # are made to be cut alike, each for so much. Own choice.
    CUT_LEAST, CUT_ROUNDS, CUT_ALIKE = 0.9, 4, 0.5
    # What tells where a phrase begins: a rest before it, a close, a bass that rests on tonic or
    # dominant, a return, a breath or a slur that ends, another accompaniment; a word that is not
    # over speaks against it. The wait of the tune, as a multiple of what is usual, is worth 1 at
    # this length. Own choice.
    HEARD = {
      rest: 0.4,
      close: 0.5,
      half_close: 0.25,
      returns: 1.0,
      breath: 1.0,
      slur: 0.5,
      inside_word: 3.0,
      texture: 0.3
    }.freeze
    LONG_WAIT = 2.0
    # Upbeats of later phrases where the piece has none, in counts; at how many of its cuts one must
    # be heard, and how much more strongly than the bar line. Own choice.
    UPBEATS = [1r, 1 / 2r, 1 / 3r].freeze
    UPBEAT_TIMES, UPBEAT_HEARD = 2, 0.3
    # What where the page breaks anyway is worth: a repeat, a segno or a coda; an ending; a double
    # bar or a change of key or meter; a line, which is all there is where no notes are known. Own
    # choice.
    PAGE_BREAKS = { sign: 1.5, ending: 1.0, change: 1.0, line: 0.15, bare_line: 1.4 }.freeze
    # What a bar is worth that comes back with its tune alone, moved, or in rhythm, beside
    # literally; from what on, in how many bars, it is a return; how many bars of it tell all it
    # can; how much more each tells that comes back at once. Own choice.
    RETURNS = { tune: 0.85, moved: 0.75, rhythm: 0.3 }.freeze
    RETURN_LEAST, RETURN_BARS, RETURN_TELLS, AT_ONCE_TELLS = 0.5, 2, 4, 2.0
    # What a break of the page must be worth that ends a large part. Own choice: a sign, a double
    # bar, a change of key or meter.
    PART_SIGN = 1.0
    # How many bars come back, nearly as they were, where a large part begins. Own choice: more than
    # a section.
    PART_BARS, PART_WORTH = 6, 0.9
    # Notes from which a key is told from its notes; what a bass that ends on the tonic, and a
    # raised seventh, are worth beside the likeness to a profile; by how much one mode must be
    # clearer. Own choice.
    TONALITY_NOTES, TONALITY_CLEAR = 16, 0.15
    TONALITY = { close: 0.25, leading: 0.25 }.freeze
    # By how many bars that differ one hand alone is farther than both. Own choice.
    HAND_RANK = 100
  end
end
