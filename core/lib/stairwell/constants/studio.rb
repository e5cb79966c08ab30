# frozen_string_literal: true

module Stairwell
  # Those of students and their weeks in a studio.
  module Constants
    # Sections besides the next one that are weighed for being introduced. Own choice.
    OTHERS_INTRODUCED = 2
    # Days between telling that what is kept of one who left will be erased, and erasing it. Own
    # choice.
    NOTICE_OF_ERASING = 30
    # Changes of a week that are told. Own choice.
    CHANGES_TOLD = 4
    # Weeks of practice that say how a student practises now. Own choice.
    HABIT_WEEKS = 6
    # Lessons a shaky bar is to stumble at before it becomes a spot. Own choice.
    SHAKY_LESSONS = 2
    # Students, and the share of those who learnt a page, from which a bar or a section is spoken
    # of. Own choice.
    TELLING_STUDENTS, TELLING_SHARE = 2, { bar: 1 / 3r, section: 1 / 2r }.freeze
    # Bars that are drilled from the beginning because others stumbled there. Own choice.
    MOST_KNOWN_SPOTS = 4
    # A page has more moves than a student is used to where a hand leaves its position so many times
    # as often; it is faster where a hand strikes so many times as many notes a second. Own choice.
    MORE_MOVES, FASTER_THAN_KNOWN = 3 / 2r, 6 / 5r
    # Letters of a title or a book that are kept. Own choice.
    TITLE_LETTERS = 200
    # Weeks of a student that are shown. Own choice: a term.
    PAST_WEEKS = 12
    # The most minutes a day may have. Own choice.
    MOST_DAILY_MINUTES = 240
    # What a slower target tempo, offered when a piece is late, is of the one before. Own
    # choice.
    SLOWER_TARGET = 9 / 10r
    # Days a tap may be late: a phone that was offline. Own choice.
    LATE_TAP = 35
    # Changes by hand that a week holds. Own choice.
    MOST_OVERRIDES = 200
    # Words of a recap at the most, titles that are named as going well, and stages of a row that
    # are named one by one. Own choice: more isn't read.
    RECAP_WORDS, RECAP_TITLES, RECAP_STAGES = 120, 3, 4
  end
end
