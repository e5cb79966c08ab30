# frozen_string_literal: true

module Stairwell
  # Every number the rules rest on, with its unit and where it comes from:
  # *published* (source named), *common practice* (no source), or *own choice*.
  module Constants
    # Bars the reader and the page script accept. Own choice: more than any
    # method-book piece, little enough to answer at once.
    MOST_BARS = 5_000
    # Whole notes a bar may be long. Own choice: far more than any meter needs.
    LONGEST_BAR = 64
    # Visits the roadmap unfolds before it stops. Own choice: nested repeats
    # multiply, and nothing a person can enter may hang.
    MOST_VISITS = 100_000
    # Bytes of a score as text. Own choice.
    MOST_SCORE_BYTES = 20 * 1024 * 1024
    # Bytes a compressed score may unpack to, all entries together. Own choice.
    MOST_UNPACKED_BYTES = 40 * 1024 * 1024
    # Entries in a compressed score. Own choice.
    MOST_ENTRIES = 500
    # Bars as played that are drawn, sounded and asked about. Own choice: an hour
    # of music; what repeats run to beyond it is counted, not shown.
    MOST_SHOWN = 2_000
    # Times a repeat may say. Own choice.
    MOST_TIMES = 20

    # Minutes at a stretch beyond which a break is spoken of. Common practice: a
    # break at least every 20 to 25 minutes, short sessions for a small child;
    # the child's figure is our own choice.
    LONG_SITTING = {grown: 20, child: 15}.freeze
    # Semitones that are wide for a hand that was not measured: an octave. Own
    # choice.
    WIDE_STRETCH = 12

    # How often a repeat is played when nothing is said. Common practice.
    REPEAT_TIMES = 2

    # Bars to a line when neither the page nor the score says. Own choice.
    ASSUMED_LINE = 4

    # Tempo in beats per minute when no target tempo and no mark are known. Own choice.
    ASSUMED_TEMPO = 60

    # Share of a bar that is new by its relation to an earlier bar. Own choice.
    NEW_SHARE = {
      same: 0r, moved: 35/100r, rhythm: 60/100r, new: 1r, rest: 0r
    }.freeze

    # A hand covers a fifth without moving, in semitones. Common practice.
    HAND_POSITION = 7

    # Difficulty of a section when unsaid, on a scale of 1 to 5. Own choice.
    DIFFICULTY = 3

    # Repetitions a day. Common practice.
    REPETITIONS = 5
    # Repetitions of hard bars, spots and joins, where others get five. Own choice.
    HARD_REPETITIONS = 8
    # Seconds to get ready again between two repetitions. Own choice.
    RESET_SECONDS = 8
    # Least share of new work an estimate takes: even what is known has to be
    # put under the hands again. Own choice.
    LEAST_SHARE = 1/4r
    # Good days grow with difficulty: 0.7 + 0.1 for each point. Own choice.
    DIFFICULTY_BASE = 7/10r
    DIFFICULTY_STEP = 1/10r

    # A ritardando slows, evenly over its span, to this share of the tempo. Own
    # choice.
    RITARDANDO = 7/10r

    # The traditional metronome scale in beats a minute. Published on
    # mechanical metronomes: 40–60 by 2, 60–72 by 3, 72–120 by 4, 120–144 by
    # 6, 144–208 by 8.
    METRONOME = [
      *(40..60).step(2), *(63..72).step(3), *(76..120).step(4), *(126..144).step(6), *(152..208).step(8)
    ].freeze

    # Rungs of the metronome scale a day goes up, at the most. Own choice.
    RUNGS_A_DAY = 2
    # Share of the target tempo a tempo ladder begins at where nothing slower is said. Own
    # choice.
    LADDER_FROM = 6/10r

    # Steps that may begin on one day, for a child and for others. Own choice.
    BEGIN_PER_DAY = {child: 2, other: 3}.freeze
  end
end
