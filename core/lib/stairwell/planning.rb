# frozen_string_literal: true

require_relative "planning/away"
require_relative "planning/task"
require_relative "planning/bundles"
require_relative "planning/review"
require_relative "planning/warm_up"
require_relative "planning/practice"
require_relative "planning/item"
require_relative "planning/day"
require_relative "planning/left_out"
require_relative "planning/plan"
require_relative "planning/finish"
require_relative "planning/planned_item"
require_relative "planning/planned_warm_up"
require_relative "planning/planned_row"
require_relative "planning/planned_day"
require_relative "planning/planned_left_out"
require_relative "planning/planned_unmet"
require_relative "planning/planned_limit"
require_relative "planning/planned_week"
require_relative "planning/week_document"
require_relative "planning/needs"
require_relative "planning/calendar"
require_relative "planning/blockers"
require_relative "planning/ledger"
require_relative "planning/reasons"
require_relative "planning/override"
require_relative "planning/overrides"
require_relative "planning/override_edits"
require_relative "planning/override_document"
require_relative "planning/day_extras"
require_relative "planning/more"
require_relative "planning/gaps"
require_relative "planning/sitting"
require_relative "planning/urgency"
require_relative "planning/week"
require_relative "planning/horizon"
require_relative "planning/restraint"
require_relative "planning/habit"
require_relative "planning/promises"
require_relative "planning/outlook"
require_relative "planning/forecast"
require_relative "planning/option"
require_relative "planning/options"
require_relative "planning/decisive"
require_relative "planning/skip"
require_relative "planning/plan_file"

module Stairwell
  # When: the days from one lesson to the next, filled so that every step waits
  # for what it needs and no day is longer than the student has.
  module Planning
    # What takes on less than the days would hold where all is done sooner so, see {Restraint}.
    # The other plans are made under it; who makes several gives it to each as `under`.
    #
    # @return [Practice]
    # @raise [ContradictionError] as {week}
    def self.restrained(tasks:, practice:, from:, next_lesson:, warm_ups: [])
      Calendar.days(practice, from, next_lesson)
      Restraint.new(tasks, practice, from, next_lesson, warm_ups: warm_ups).practice
    end

    # Plans the days from `from` to the day before `next_lesson`.
    #
    # @param tasks [Array<Task>] in the order of the pieces
    # @param practice [Practice] the student's days, minutes and pace of beginning
    # @param from [Date] the first day that may be practised
    # @param next_lesson [Date] excluded
    # @param beside [Hash] reviews:, warm_ups:
    # @return [Plan]
    # @raise [ContradictionError] on unknown or circular needs, or when there
    #   is no practice day at all
    def self.week(tasks:, practice:, from:, next_lesson:, under: nil, **beside)
      dates = Calendar.days(practice, from, next_lesson)
      under ||=
        restrained(
          tasks: tasks,
          practice: practice,
          from: from,
          next_lesson: next_lesson,
          warm_ups: beside.fetch(:warm_ups, [])
        )
      Week.new(tasks, practice, dates, under: under, **beside).plan
    end

    # @param minutes [Rational]
    # @return [Rational] rounded up to half a minute
    def self.halves(minutes) = (minutes * 2).ceil / 2r

    # Goes on after the week until nothing is left.
    #
    # @return [Finish]
    # @raise [ContradictionError] as {week}
    def self.finish(tasks:, practice:, from:, next_lesson:, warm_ups: [], under: nil)
      Calendar.days(practice, from, next_lesson)
      under ||=
        restrained(
          tasks: tasks,
          practice: practice,
          from: from,
          next_lesson: next_lesson,
          warm_ups: warm_ups
        )
      Horizon
        .new(tasks, under, warm_ups: warm_ups)
        .finish(from, next_lesson)
        .with(lower_bound: Horizon.new(tasks, practice, warm_ups: warm_ups).bound)
    end

    # @return [Hash{String => Array(Date, Date)}] first and last day of each step,
    #   week after week until nothing is left
    # @raise [ContradictionError] as {week}
    def self.schedule(tasks:, practice:, from:, next_lesson:, warm_ups: [], under: nil)
      Calendar.days(practice, from, next_lesson)
      under ||=
        restrained(
          tasks: tasks,
          practice: practice,
          from: from,
          next_lesson: next_lesson,
          warm_ups: warm_ups
        )
      Horizon.new(tasks, under, warm_ups: warm_ups).schedule(from, next_lesson)
    end

    # @param observed [Hash] habit:, warm_ups:, seed:, stretch:
    # @return [Outlook]
    # @raise [ContradictionError] as {week}
    def self.forecast(tasks:, practice:, from:, next_lesson:, **observed)
      Calendar.days(practice, from, next_lesson)
      Forecast.new(tasks, practice, **observed).call(from, next_lesson)
    end

    # @param group [Proc] of a task's id, such as the piece it belongs to
    # @return [Hash{Object => Outlook}] for each part of the work
    def self.forecasts(tasks:, practice:, from:, next_lesson:, group:, **observed, &endings)
      Calendar.days(practice, from, next_lesson)
      Forecast.new(tasks, practice, group: group, **observed, &endings).by_group(from, next_lesson)
    end
  end
end
