# frozen_string_literal: true

module Stairwell
  module Studio
    # A day as one box on a chart: how many of its repetitions (or steps) were done,
    # of how many, and whether it was a struggle.
    DayBox = Stairwell.value(:date, :planned, :of, :repetitions, :struggle)
  end
end
