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
  end
end
