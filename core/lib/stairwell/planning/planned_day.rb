# frozen_string_literal: true

module Stairwell
  module Planning
    # One practice day, empty ones too; `budget` is the minutes it has.
    PlannedDay =
      Stairwell.value(:date, :minutes, :budget, items: [], warm_ups: []) do
        # @param id [String] of a row
        # @return [Array<PlannedItem, PlannedWarmUp>] its cell
        def in_row(id) = (warm_ups + items).select { |item| item.row == id }

        # @return [Array<PlannedItem>] steps and reviews
        def steps = items.select(&:step?)

        # @return [Array<PlannedItem>] all whose repetitions are tapped, what is more than needed
        #   too
        def tapped = items.select(&:tapped?)
      end
  end
end
