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
    # Clean repetitions in a row that go a rung up, failures in a row that go down, and how
    # many rungs down. Own choice.
    CLEAN_GOES_UP, FAILED_GOES_DOWN, RUNGS_DOWN = 3, 2, 2
    # Share of the target tempo a tempo ladder begins at where nothing slower is said. Own
    # choice.
    LADDER_FROM = 6/10r

    # Steps that may begin on one day, for a child and for others. Own choice.
    BEGIN_PER_DAY = {child: 2, other: 3}.freeze
    # Where it is not said, one for so many minutes of a day, within these bounds. Own choice.
    BEGIN_MINUTES, USUAL_BEGIN = 7, (2..5)

    # == Formats

    # Share of a voice that stands on a staff to which it belongs. Own choice.
    VOICE_AT_HOME = 3/4r

    # == Roadmap

    # Seconds a grace note sounds before its note. Own choice.
    GRACE_SECONDS = 0.08

    # == Sections

    # Semitones of a leap that is hard wherever it stands. Own choice: an octave.
    WIDE_LEAP = 12
    # Bars that sound alike of which the first ones are compared. Own choice.
    MOST_TWINS = 32
    # Sections that share something of which the first ones are compared. Own choice.
    MOST_COMPARED = 32
    # Bars a suggested section may have. Own choice.
    SECTION_BARS = (2..8)
    # What a bar away from four costs a suggested section, squared. Own choice.
    LENGTH_COST = 1r
    # What any break between suggested sections costs. Own choice.
    BREAK_COST = 6r
    # How much less a break costs at what places. Own choice.
    CHEAPER_BREAK = {repeat: 5r, ending: 4r, change: 3r, returns: 4r, differs: 2r, rest: 2r, line: 1r}.freeze

    # == Practice

    # Shares of the target tempo in the routines that ship. Own choice.
    SLOWLY = 5/10r
    ALONE = 6/10r
    FASTER = 8/10r
    AT_TARGET = 1r
    # How much slower the easier form of a step is, where it has a pulse. Own choice:
    # about two rungs of the metronome scale.
    EASIER_TEMPO = 85/100r
    # What a target tempo may be, beats per minute. Own choice.
    TARGET_TEMPOS = (20..400)
    # Seconds of a warm-up. Own choice.
    WARM_UP_SECONDS = {five_finger: 60, scale: 90, chords: 60, progression: 60}.freeze

    # == Planning

    # Minutes more a day that are offered when a piece is late. Own choice.
    MORE_MINUTES = 5
    # Steps that may begin on one day at the most. Own choice.
    MOST_BEGIN = 10
    # Minutes of a lesson where nothing else is said: the usual length for a child, common
    # practice, no source.
    LESSON_MINUTES = 30
    # Own choice: events of a calendar file with holidays, and lines of a list of students.
    MOST_EVENTS = 2_000
    MOST_STUDENT_LINES = 200
    # Own choice: who practises on a day has done so by then.
    PRACTISED_BY = "18:00"
    # Own choice: a lesson further away is as good as none, and nobody plans toward it.
    DAYS_LOOKED_AHEAD = 420
    # Own choice: the most days on which one may practise between today and the lesson that a
    # plan goes to. Where it is further off, a plan goes to the end of the calendar week, which
    # begins on a Monday (ISO 8601).
    LONGEST_PLAN = 14
    WEEK_BEGINS = 1
    # Practice days after which a plan to the end stops looking. Own choice: some ten
    # years.
    MOST_PRACTICE_DAYS = 4_000
    # Days without practice after which it stops, too. Own choice: two of the longest stretches.
    LONGEST_GAP = 2 * LONGEST_STRETCH
    # Futures a forecast draws. Own choice: enough for a share to be right to about three
    # in a hundred.
    FUTURES = 200
    # Share of futures in which the cautious date holds. Own choice.
    CAUTIOUS_SHARE = 0.85
    # Paces beside the student's own that a forecast plans out; others lie between them. Own
    # choice.
    FORECAST_PACES = [0.6, 0.8, 1.0, 1.25, 1.6, 2.2].freeze
    # What is usual of students nobody knows yet, and as how many days it counts beside what
    # was seen of one: practice on about 70 % of days, 15 % struggles. Own choice.
    USUAL = {kept: [0.7, 8], went: [0.85, 12]}.freeze
    # Logarithm of the good days that one estimated takes: lessons set back, a ninth
    # more. Own choice.
    USUAL_PACE = 0.11
    # As how many days, or steps, the usual counts beside what a studio's students did. Own
    # choice.
    USUAL_WEIGHT = 40
    # Days of one week resemble each other: so many count as one. Own choice: what weekly
    # spells with a correlation of 0.2 come to over five days.
    ALIKE_DAYS = 1.8
    # How students' paces differ, and what single steps of one student take beside the
    # estimate (standard deviations of logarithms). Own choice.
    PACE_DIFFERS, STEPS_DIFFER = 0.2, 0.5
    # Of the steps that are left, one in so many stands in the longest row, on whose luck the
    # end depends. Own choice.
    STEPS_IN_ROW = 4.5
    # Steps of a kind after which its own pace counts as much as the student's. Own choice.
    KIND_STEPS = 6
    # Days of a good or a bad spell, and how far it is from the long run (standard deviation
    # of the log odds). Own choice.
    SPELL_DAYS, SPELL = 14, 0.8
    # Share of days on which nobody does less in a forecast, so that it ends. Own choice.
    LEAST_ADHERENCE = 0.05
    # Dates that are taken as known, and held as often as they say, before the first; what a
    # share less that held comes to (so that half as many double the way), and its bounds. Own
    # choice.
    DATES_ASSUMED = 20
    WIDER_BY = 1.6
    WIDER_BOUNDS = (0.7..2.5)
    # Weeks of practice that say how a student practises in the long run. Own choice.
    LONG_RUN_WEEKS = 16
    # Share of a day's minutes that stays, at least, when a day went badly. Own choice.
    KEPT_OF_A_DAY = 1/2r
    # Share of a day that reviews may take together. Own choice.
    REVIEWS_OF_A_DAY = 1/4r
    # What a minute of it is worth where a day has minutes left, beside each other; in the order
    # in which it stands within the day. Own choice.
    WORTH = {older: 8, steady: 6, first_look: 3, again: 4, hard_again: 10, slow_run: 5}.freeze
    # Times a week the same is played slowly from the start. Own choice.
    SLOW_RUNS = 2
    # Repetitions of one step on one day at the most, and of what is strenuous. Own choice: more
    # is no better, and tires a hand.
    MOST_REPETITIONS = 12
    MOST_STRENUOUS = {child: 3, other: 5}.freeze
    # What is strenuous besides an octave: keys at once in one hand; the same key struck so many
    # times in a row, so many times a second. Own choice.
    FULL_CHORD, REPEATED, FAST_REPEATED = 4, 4, 5
    # Repetitions of what is learnt, and of a step that is only looked at. Own choice.
    OLDER_REPETITIONS, FIRST_LOOKS = 3, 2
    # Minutes of one thing that is added at the least, and minutes of a day for each thing that
    # is added. Own choice: a day of many small things is no longer a plan.
    LEAST_MORE, ADDED_EVERY = 1, 5
    # Share of its minutes from which a day counts as filled: below it small things are added on,
    # and of a week it is said what keeps it from holding more of what is needed. Own choice.
    FILLED = 3/4r

    # == Progress

    # Average results that are taken as heard before the first. Own choice.
    RESULTS_ASSUMED = 5
    # Taps of a step on a day from which its times say something; share of the playing time
    # below which boxes were ticked in one go. Own choice.
    TAPS_NEEDED, AT_ONCE = 3, 1/4r
    # Days of a step as which the estimate counts beside those that were timed, and within what a
    # student's times are taken for true. Own choice.
    TIMES_ASSUMED, TIMES_BOUNDS = 6, (1/2r..3r)
    # Days after which it is said what a student takes, and by how much it must differ. Own choice.
    TIMES_TOLD, TIMES_DIFFER = 4, 15/100r
    # By how much it must differ to be said of a step's minutes: what shows in a decimal.
    TIMES_SAID = 5/100r
    # Days with boxes ticked in one go from which that is said. Own choice.
    AT_ONCE_TOLD = 3
    # Bounds of a pace. Own choice.
    PACE_BOUNDS = (1/2r..2r)
    # Days a review may be late before it needs attention. Own choice.
    REVIEW_LATE = 7
    # Lessons without gain that need attention. Own choice.
    LESSONS_WITHOUT_GAIN = 2
    # Days between two reviews of what is steady but not secure: at least two in a week.
    # Own choice.
    REVIEW_DAYS = 3
    # Days between the reviews of what is secure, growing. Own choice.
    SECURE_REVIEW_DAYS = [2, 4, 7, 14, 28, 56].freeze
    # Share of the step's tempo from which a playing counts as at tempo. Own choice.
    AT_TEMPO = 95/100r
    # Bars in which stumbles are weighed. Own choice.
    STUMBLES_IN_BARS = 8

    # == The studio

    # Sections besides the next one that are weighed for being introduced. Own choice.
    OTHERS_INTRODUCED = 2
    # Changes of a week that are told. Own choice.
    CHANGES_TOLD = 4
    # Weeks of practice that say how a student practises now. Own choice.
    HABIT_WEEKS = 6
    # Lessons a shaky bar is to stumble at before it becomes a spot. Own choice.
    SHAKY_LESSONS = 2
    # Letters of a title or a book that are kept. Own choice.
    TITLE_LETTERS = 200
    # Weeks of a student that are shown. Own choice: a term.
    PAST_WEEKS = 12
    # The most minutes a day may have. Own choice.
    MOST_DAILY_MINUTES = 240
    # What a slower target tempo, offered when a piece is late, is of the one before. Own
    # choice.
    SLOWER_TARGET = 9/10r
    # Days a tap may be late: a phone that was offline. Own choice.
    LATE_TAP = 35
    # Changes by hand that a week holds. Own choice.
    MOST_OVERRIDES = 200
    # Times a week a piece is played that is kept ready for a date. Own choice.
    KEPT_TIMES = 2
    # Lines of a recap that are told one by one; the rest is on the sheet. Own choice:
    # more is not read.
    RECAP_LINES = 6

    # == The command line

    # Beats per minute the ladder of the command line may reach. Own choice.
    LADDER_TEMPOS = (1..400)
  end
end
