# frozen_string_literal: true

module Stairwell
  module Planning
    # A step as the planner sees it: what it costs a day, how many good days it
    # still takes, and what it waits for. `needs` must have all their good days
    # on earlier days; `after` may stand earlier the same day.
    Task = Stairwell.value(
      :id, :minutes, :good_days,
      title: nil, repetitions: Constants::REPETITIONS, credited: 0, begun: false, hard: false, needs: [], after: []
    ) do
      # @return [Integer] good days still needed, never below 0
      def remaining = [good_days - credited, 0].max

      def begun? = begun || credited.positive?

      def name = title || id
    end

    # How a student practises: weekdays (0 is Sunday, as Date#wday), minutes a
    # day, and how many steps may begin on one day.
    Practice = Stairwell.value(:weekdays, :minutes, begin_per_day: Constants::BEGIN_PER_DAY[:other])

    # One thing to do on a day, with its reason.
    Item = Stairwell.value(:id, :minutes, :repetitions, :begins, :why)
    # One practice day, empty ones too.
    Day = Stairwell.value(:date, :items) do
      # @return [Rational]
      def minutes = items.sum(0r, &:minutes)
    end
    # A step that stands on no day this week, and why. `fits` is false when it
    # never will as things are.
    LeftOut = Stairwell.value(:id, :why, fits: true)
    Plan = Stairwell.value(:days, :left_out)
  end
end
