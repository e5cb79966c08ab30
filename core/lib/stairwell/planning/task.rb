# frozen_string_literal: true

module Stairwell
  module Planning
    # A step as the planner sees it: what it costs a day, how many good days it
    # still takes, and what it waits for. `needs` must have all their good days
    # on earlier days; `after` may stand earlier the same day. One that is not
    # `introduced` stands nowhere; a higher `priority` comes first, `because` of what
    # is said there.
    Task = Stairwell.value(
      :id, :minutes, :good_days,
      title: nil, repetitions: Constants::REPETITIONS, credited: 0, begun: false, hard: false, join: false, introduced: true,
      priority: 0, because: nil, needs: [], after: []
    ) do
      # @return [Integer] good days still needed, never below 0
      def remaining = [good_days - credited, 0].max

      def begun? = begun || credited.positive?

      def name = title || id
    end

    # Something learnt that comes back once, from its due date on.
    Review = Stairwell.value(:id, :due, :minutes, title: nil, repetitions: 1) do
      def name = title || id
    end

    # What begins every day.
    WarmUp = Stairwell.value(:id, :minutes, title: nil)

    # Sight-reading, theory, listening …: so many times a week.
    ExtraWork = Stairwell.value(:id, :minutes, :times, title: nil)

    # What is known so far, from the start without stopping: once, on the last
    # practice day of the week.
    Run = Stairwell.value(:id, :minutes, title: nil)

    # How a student practises: weekdays (0 is Sunday, as Date#wday), minutes a
    # day (`by_day` by weekday where they differ), how many steps may begin on
    # one day, and dates on which there is no practice.
    Practice = Stairwell.value(:weekdays, :minutes, begin_per_day: Constants::BEGIN_PER_DAY[:other], by_day: {}, absent: []) do
      # @param date [Date]
      # @return [Rational] minutes
      def budget(date) = by_day.fetch(date.wday, minutes)

      # @return [Rational] the most minutes of any practice day
      def most = weekdays.map { |day| by_day.fetch(day, minutes) }.max

      # @return [Boolean]
      def on?(date) = weekdays.include?(date.wday) && !absent.include?(date)
    end

    # One thing to do on a day, with its reason. `kind` is :warm_up, :step,
    # review, :extra_work, :run or :added. `pinned` where the teacher put it there; `breaks`
    # says what that breaks.
    Item = Stairwell.value(:id, :minutes, :why, kind: :step, title: nil, repetitions: nil, begins: false, pinned: false, breaks: nil)
    # One practice day, empty ones too.
    Day = Stairwell.value(:date, :items) do
      # @return [Rational]
      def minutes = items.sum(0r, &:minutes)
    end
    # A step that stands on no day this week, and why. `fits` is false when it
    # never will as things are.
    LeftOut = Stairwell.value(:id, :why, fits: true)
    # `unmet` are the teacher's overrides that lead nowhere, [Override, reason].
    Plan = Stairwell.value(:days, :left_out, unmet: [])

    # When everything is done: the date, how many practice days until then, and
    # how many it takes at the very least. Date and days are nil where
    # something can never be done. `groups` says the same for parts of the work,
    # [date, days] by group.
    Finish = Stairwell.value(:date, :days, :lower_bound, groups: {})
  end
end
