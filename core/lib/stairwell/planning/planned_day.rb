# frozen_string_literal: true

module Stairwell
  module Planning
    # One practice day, empty ones too; `budget` is the minutes it has.
    PlannedDay = Stairwell.value(:date, :minutes, :budget, items: [], warm_ups: []) do
      # @return [Array<PlannedItem>] steps and reviews
      def steps = items.select(&:step?)
    end
  end
end
