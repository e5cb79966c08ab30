# frozen_string_literal: true

module Stairwell
  # Those of the rows of a week.
  module Constants
    # Rows of a week besides warm-ups, sight-reading and other work: for a child who can't read, a
    # child, anyone else. Own choice: what a family can hold in the head.
    ROWS = { no_reader: 3, child: 5, other: 6 }.freeze
    # More than any week has: what lies in no row comes after those that do.
    MANY_ROWS = 1_000
    # Rows a teacher may set. Own choice.
    ROWS_SET = (1..12)
    # Hard places of a piece that have a row, where the student reads. Own choice.
    HARD_PLACES = 2
    # Bars of the sections that are new in one row, and the same for who can't read. Own choice:
    # about what is introduced at one lesson.
    NEW_BARS, NEW_BARS_UNREAD = 8, 4
    # Times a day: what is usual (common practice, no source), where several things share a row or
    # the minutes are short, and of what only has to be played again (own choice).
    USUAL_TIMES, FEWER_TIMES, OFTEN_ENOUGH = 5, 3, 2
    # Seconds of one stage after which a short day is a good one, however few times that was. Own
    # choice: a long section isn't played three times on a short day.
    ENOUGH_SECONDS = 90
    # Stages of one row on one day, and sections of one layer. Own choice.
    STAGES_AT_ONCE, SECTIONS_AT_ONCE = 2, 4
    # The last practice day of a week on which it's played from the beginning. Own choice: twice a
    # week.
    RUN_DAYS = 5
    # Weeks after which a plan to the end stops looking. Own choice: two years.
    MOST_WEEKS = 104
    # Days before a date to which one plans backwards on which no section is begun. Own choice.
    NOTHING_NEW = 2
    # The target tempo for which one settles then, as a share. Own choice.
    SLOWER_BY_THEN = 5 / 6r
    # Rows that are for a day with little time. Own choice.
    SHORT_DAY_ROWS = 2
  end
end
