# frozen_string_literal: true

module Stairwell
  module Planning
    # What helps when a piece is late, each with its date.
    class Options
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param from [Date]
      # @param next_lesson [Date]
      # @param without [Hash{Symbol => Array<Task>}] the tasks as they would be
      #   with another choice: :slower_tempo, :no_pedal, :no_memory, :fewer_sections
      def initialize(tasks, practice, from, next_lesson, without: {}, warm_ups: [])
        @tasks = tasks
        @practice = practice
        @from = from
        @next_lesson = next_lesson
        @without = without
        @warm_ups = warm_ups
      end

      WORDS = {
        slower_tempo: Phrase["planning.options.a_target_tempo_slower"], no_pedal: Phrase["planning.options.leave_the_pedal_out"], no_memory: Phrase["planning.options.play_it_from_the_book"], fewer_sections: Phrase["planning.options.fewer_sections_by_then"]
      }.freeze

      # @return [Array<Option>] those that help, the soonest first
      def to_a
        now = finish(@tasks, @practice)
        [*more_days, more_minutes, more_begin, *changed].compact.filter_map { |change, words, tasks, practice|
          date = finish(tasks, practice)
          next if date.nil? || (now && date >= now)

          Option.new(change: change, words: words, date: date, days_sooner: now && (now - date).to_i)
        }.sort_by { |one| [one.date, one.change] }
      end

      private

      def finish(tasks, practice) = Planning.finish(tasks: tasks, practice: practice, from: @from, next_lesson: @next_lesson, warm_ups: @warm_ups).date

      # The weekday that helps most; of equals the one farthest from the others.
      def more_days
        free = (0..6).to_a - @practice.weekdays
        best = free.min_by { |day| [finish(@tasks, with_day(day)) || Date.new(9999), -gap(day)] }
        best ? [["day_#{best}", Phrase["planning.options.practise_on_too", day: Phrase.weekday(best)], @tasks, with_day(best)]] : []
      end

      def with_day(day) = @practice.with(weekdays: (@practice.weekdays + [day]).sort)

      def gap(day) = @practice.weekdays.map { |other| [(day - other) % 7, (other - day) % 7].min }.min

      def more_minutes
        more = @practice.with(minutes: @practice.minutes + Constants::MORE_MINUTES, by_day: @practice.by_day.transform_values { |minutes| minutes + Constants::MORE_MINUTES })
        ["minutes_#{Constants::MORE_MINUTES}", Phrase["planning.options.more_minutes_a_day", count: Constants::MORE_MINUTES], @tasks, more]
      end

      def more_begin
        count = @practice.begin_per_day + 1
        ["begin_#{count}", Phrase["planning.options.steps_begin_a_day", count: count], @tasks, @practice.with(begin_per_day: count)] if count <= Constants::MOST_BEGIN
      end

      def changed = @without.map { |key, tasks| [key.to_s, WORDS.fetch(key), tasks, @practice] }
    end
  end
end
