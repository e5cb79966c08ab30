# frozen_string_literal: true

module Stairwell
  # Those of weeks, dates and forecasts.
  module Constants
    # Minutes more a day that are offered when a piece is late. Own choice.
    MORE_MINUTES = [5, 10, 15].freeze
    # Of the changes that help most, one of a kind, so many are tried together, and so many at once;
    # of the sets that reach a date so many are shown. Own choice: each is foretold anew, and more
    # is no choice any more.
    OPTIONS_COMBINED, OPTIONS_TOGETHER, OPTIONS_SHOWN = 4, 3, 3
    # Steps that may begin on one day at the most. Own choice.
    MOST_BEGIN = 10
    # Minutes of a lesson where nothing else is said: the usual length for a child, common
    # practice, no source.
    LESSON_MINUTES = 30
    # Own choice: events of a calendar file with holidays, lines and columns of a list of students.
    MOST_EVENTS = 2_000
    MOST_STUDENT_LINES = 200
    MOST_STUDENT_COLUMNS = 200
    # Own choice: who practises on a day has done so by then.
    PRACTISED_BY = "18:00"
    # Own choice: a lesson further away is as good as none, and nobody plans toward it.
    DAYS_LOOKED_AHEAD = 420
    # Own choice: the most days on which one may practise between today and the lesson that a
    # plan goes to. Where it is further off, a plan goes to the end of the calendar week, which
    # begins on a Monday (ISO 8601).
    LONGEST_PLAN = 14
    WEEK_BEGINS = 1
    # Ways of taking on less that are tried where a plan might be done sooner by it. Own choice:
    # of thousands of cases none was left that more minutes, days or beginnings made later.
    RESTRAINTS = 8
    # Steps for which it is tried so often; for more of them it is tried less often. Own choice.
    RESTRAINED_STEPS = 60
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
    # Days from now after which a date is no date any more: "more than a year". Own choice.
    DATES_SAID = 365
    # Paces beside the student's own that a forecast plans out; others lie between them. Own
    # choice.
    FORECAST_PACES = [0.6, 0.8, 1.0, 1.25, 1.6, 2.2].freeze
    # Those where more than so many steps are left: what they take by luck evens out, and each pace
    # costs more. Own choice.
    MANY_STEPS, FEWER_PACES = 150, [0.6, 1.0, 1.5, 2.2].freeze
    # What is usual of students nobody knows yet, and as how many days it counts beside what
    # was seen of one: practice on about 70 % of days, 15 % struggles. Own choice.
    USUAL = { kept: [0.7, 8], went: [0.9, 12] }.freeze
    # Logarithm of the good days that one estimated takes: lessons set back, a twentieth
    # more. Own choice.
    USUAL_PACE = 0.05
    # As how many days, or steps, the usual counts beside what a studio's students did. Own
    # choice.
    USUAL_WEIGHT = 40
    # Days of one week resemble each other: so many count as one. Own choice: what weekly
    # spells with a correlation of 0.2 come to over five days.
    ALIKE_DAYS = 1.8
    # How students' paces differ, and what single steps of one student take beside the
    # estimate (standard deviations of logarithms). Own choice.
    PACE_DIFFERS, STEPS_DIFFER = 0.2, 0.3
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
    # Dates that came out as they said, which are taken as known before the first. Own choice.
    DATES_ASSUMED = 10
    # Weeks of practice that say how a student practises in the long run. Own choice.
    LONG_RUN_WEEKS = 16
    # Share of a day's minutes that stays, at least, when a day went badly. Own choice.
    KEPT_OF_A_DAY = 1 / 2r
    # Share of a day that reviews may take together. Own choice.
    REVIEWS_OF_A_DAY = 1 / 4r
    # Repetitions of one step on one day at the most, and of what is strenuous. Own choice: more
    # is no better, and tires a hand.
    MOST_REPETITIONS = 12
    MOST_STRENUOUS = { child: 3, other: 5 }.freeze
    # Shares of a section that are practised on a day, by turns, where the steps of one sitting
    # have no room even once each. Own choice.
    SHORTER = [1 / 2r, 1 / 4r].freeze
    # Share of its repetitions that a step keeps, at least, where everything in hand stands on a
    # short day. Own choice: with fewer, a day on which it is not its turn serves it better.
    FEWEST = 1 / 2r
    # What is strenuous besides an octave: keys at once in one hand; the same key struck so many
    # times in a row, so many times a second. Own choice.
    FULL_CHORD, REPEATED, FAST_REPEATED = 4, 4, 5
    # Share of its minutes from which a day counts as filled: below it small things are added on,
    # and of a week it is said what keeps it from holding more of what is needed. Own choice.
    FILLED = 3 / 4r
  end
end
