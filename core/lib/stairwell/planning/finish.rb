# frozen_string_literal: true

module Stairwell
  module Planning
    # When everything is done: the date, how many practice days until then, and
    # how many it takes at the very least. Date and days are nil where
    # something can never be done. `groups` says the same for parts of the work,
    # {Ending} by group.
    Finish = Stairwell.value(:date, :days, :lower_bound, groups: {})

    # When a part of the work is done: the date, how many practice days until then, and how
    # many since the lesson that opened the last of it (`opened`, nil where all is open).
    Ending = Stairwell.value(:date, :days, tail: nil, opened: nil)
  end
end
