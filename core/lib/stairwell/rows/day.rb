# frozen_string_literal: true

module Stairwell
  module Rows
    # A practice day of a week, and the minutes there are.
    Day = Stairwell.value(:date, :minutes)
  end
end
