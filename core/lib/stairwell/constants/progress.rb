# frozen_string_literal: true

module Stairwell
  # Those of what was heard and tapped.
  module Constants
    # Average results that are taken as heard before the first. Own choice.
    RESULTS_ASSUMED = 5
    # Taps of a step on a day from which its times say something; share of the playing time
    # below which boxes were ticked in one go. Own choice.
    TAPS_NEEDED, AT_ONCE = 3, 1 / 4r
    # Days of a step as which the estimate counts beside those that were timed, and within what a
    # student's times are taken for true. Own choice.
    TIMES_ASSUMED, TIMES_BOUNDS = 6, (1 / 2r..3r)
    # Days after which it is said what a student takes, and by how much it must differ. Own choice.
    TIMES_TOLD, TIMES_DIFFER = 4, 15 / 100r
    # By how much it must differ to be said of a step's minutes: what shows in a decimal.
    TIMES_SAID = 5 / 100r
    # Results with a tempo from which a kind of step begins at the tempo that went, how many of the
    # newest count, and between which shares of its usual tempo that is. Own choice.
    HELD_NEEDED, HELD_NEWEST, HELD_BOUNDS = 2, 5, [2 / 3r, 5 / 4r].freeze
    # Days with boxes ticked in one go from which that is said. Own choice.
    AT_ONCE_TOLD = 3
    # How far pieces differ from what was estimated of them, and what is heard of one step from that
    # (standard deviations of logarithms). Own choice.
    PIECES_DIFFER, HEARD_OFF = 0.3, 0.4
    # Bounds of a pace. Own choice.
    PACE_BOUNDS = (1 / 2r..2r)
    # Days a review may be late before it needs attention. Own choice.
    REVIEW_LATE = 7
    # Weeks after which it needs attention that hardly anything was practised: at most such a share
    # of the planned days, and at most such a share of the work of a piece is steady. Own choice.
    THIN_WEEKS, THIN_DAYS, THIN_WORK = 12, 2 / 5r, 1 / 5r
    # Lessons without gain that need attention. Own choice.
    LESSONS_WITHOUT_GAIN = 2
    # Days between two reviews of what is steady but not secure: at least two in a week.
    # Own choice.
    REVIEW_DAYS = 3
    # Days between the reviews of what is secure, growing. Own choice.
    SECURE_REVIEW_DAYS = [2, 4, 7, 14, 28, 56].freeze
    # Share of the step's tempo from which a playing counts as at tempo. Own choice.
    AT_TEMPO = 95 / 100r
    # Bars in which stumbles are weighed. Own choice.
    STUMBLES_IN_BARS = 8
  end
end
