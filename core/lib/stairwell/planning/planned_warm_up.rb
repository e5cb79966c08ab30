# frozen_string_literal: true

module Stairwell
  module Planning
    # What begins a day: `notes` from the bottom up, with the fingers of each hand.
    PlannedWarmUp =
      Stairwell.value(
        :id,
        :title,
        :minutes,
        notes: [],
        right: [],
        left: [],
        pinned: false,
        row: nil
      )
  end
end
