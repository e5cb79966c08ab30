# frozen_string_literal: true

module Stairwell
  module Planning
    # When everything is done: the date, how many practice days until then, and
    # how many it takes at the very least. Date and days are nil where
    # something can never be done. `groups` says the same for parts of the work,
    # [date, days] by group.
    Finish = Stairwell.value(:date, :days, :lower_bound, groups: {})
  end
end
