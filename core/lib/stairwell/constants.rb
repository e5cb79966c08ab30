# frozen_string_literal: true

require "date"

module Stairwell
  # Every number the rules rest on, with its unit and where it comes from:
  # *published* (source named), *common practice* (no source), or *own choice*.
  module Constants
    # Bars the reader and the page script accept. Own choice: more than any
    # method-book piece, little enough to answer at once.
    MOST_BARS = 5_000
    # Whole notes a bar may be long. Own choice: far more than any meter needs.
    LONGEST_BAR = 64
    # Visits the roadmap unfolds before it stops. Own choice: some ten hours of music;
    # nested repeats multiply, and nothing a person can enter may hang.
    MOST_VISITS = 20_000
    # Pages of a parcel, and how deep its JSON is. Own choice: a few method books.
    MOST_PAGES_OF_A_PARCEL = 300
    PARCEL_NESTED = 40
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
    # Opening brackets in a score as text: as many tags. Own choice: five times those of a
    # long orchestral piece.
    MOST_TAGS = 2_000_000
    # Lines of a page script, and letters of one. Own choice: everything that the largest
    # page can say has room.
    MOST_STATEMENTS = 15_000
    MOST_LETTERS = 20_000
    # Lines that were not understood of which it is said. Own choice: more are not read.
    MOST_PROBLEMS = 100

    # The first and the last date that anything may have. Own choice: wider than any
    # teacher's calendar.
    FIRST_DATE = Date.new(1990, 1, 1)
    LAST_DATE = Date.new(2200, 12, 31)
    # Stretches of holidays or absence, and days of one. Own choice: some years of terms.
    MOST_STRETCHES = 100
    LONGEST_STRETCH = 400

    # Minutes at a stretch beyond which a break is spoken of. Common practice: a
    # break at least every 20 to 25 minutes, short sessions for a small child;
    # the child's figure is our own choice.
    LONG_SITTING = { grown: 20, child: 15 }.freeze
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
    NEW_SHARE = { same: 0r, moved: 35 / 100r, rhythm: 60 / 100r, new: 1r, rest: 0r }.freeze

    # A hand covers a fifth without moving, in semitones. Common practice.
    HAND_POSITION = 7

    # Difficulty of a section when unsaid, on a scale of 1 to 5. Own choice.
    DIFFICULTY = 3
    MOST_DIFFICULT = 5

    # Repetitions a day. Common practice.
    REPETITIONS = 5
    # Repetitions of hard bars, spots and joins, where others get five. Own choice.
    HARD_REPETITIONS = 8
    # Seconds to get ready again between two repetitions. Own choice.
    RESET_SECONDS = 8
    # What a repetition takes on the first good days of what is all new, as a multiple of later
    # ones; and minutes to get ready for a step: to find the place, to set the metronome. Own
    # choice, until it is learnt from a student's taps.
    FIRST_DAYS = [2r, 15 / 10r, 12 / 10r].freeze
    READY = 1 / 2r
    # How new it is to play with both hands what each of them played before. Own choice.
    NEW_TOGETHER = 1 / 2r
    # Least share of new work an estimate takes: even what is known has to be
    # put under the hands again. Own choice.
    LEAST_SHARE = 1 / 4r
    # Good days grow with difficulty: 0.7 + 0.1 for each point. Own choice.
    DIFFICULTY_BASE = 7 / 10r
    DIFFICULTY_STEP = 1 / 10r

    # A ritardando slows, evenly over its span, to this share of the tempo. Own
    # choice.
    RITARDANDO = 7 / 10r

    # The traditional metronome scale in beats a minute. Published on
    # mechanical metronomes: 40–60 by 2, 60–72 by 3, 72–120 by 4, 120–144 by
    # 6, 144–208 by 8.
    METRONOME = [
      *(40..60).step(2),
      *(63..72).step(3),
      *(76..120).step(4),
      *(126..144).step(6),
      *(152..208).step(8)
    ].freeze

    # Rungs of the metronome scale a day goes up, at the most. Own choice.
    RUNGS_A_DAY = 2
    # Clean repetitions in a row that go a rung up, failures in a row that go down, and how
    # many rungs down. Own choice.
    CLEAN_GOES_UP, FAILED_GOES_DOWN, RUNGS_DOWN = 3, 2, 2
    # Share of the target tempo a tempo ladder begins at where nothing slower is said. Own
    # choice.
    LADDER_FROM = 6 / 10r

    # Steps that may begin on one day, for a child and for others. Own choice.
    BEGIN_PER_DAY = { child: 2, other: 3 }.freeze
    # Where it is not said, one for so many minutes of a day, within these bounds. Own choice.
    BEGIN_MINUTES, USUAL_BEGIN = 7, (2..5)

    # == Formats

    # Share of a voice that stands on a staff to which it belongs. Own choice.
    VOICE_AT_HOME = 3 / 4r

    # == Roadmap

    # Seconds a grace note sounds before its note. Own choice.
    GRACE_SECONDS = 0.08

    # Bars behind its repeat at which an ending is taken to be astray. Own choice.
    ENDING_ASTRAY = 2

    # == Practice

    # Shares of the target tempo in the routines that ship. Own choice.
    SLOWLY = 5 / 10r
    ALONE = 6 / 10r
    FASTER = 8 / 10r
    AT_TARGET = 1r
    # How much slower the easier form of a step is, where it has a pulse. Own choice:
    # about two rungs of the metronome scale.
    EASIER_TEMPO = 85 / 100r
    # What a target tempo may be, beats per minute. Own choice.
    TARGET_TEMPOS = (20..400)
    # Seconds of a warm-up. Own choice.
    WARM_UP_SECONDS = { five_finger: 60, scale: 90, chords: 60, progression: 60 }.freeze

    # == The command line

    # Beats per minute the ladder of the command line may reach. Own choice.
    LADDER_TEMPOS = (1..400)
  end
end

require_relative "constants/aspects"
require_relative "constants/sections"
require_relative "constants/planning"
require_relative "constants/progress"
require_relative "constants/rows"
require_relative "constants/studio"
