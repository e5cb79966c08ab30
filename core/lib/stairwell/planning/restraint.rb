# frozen_string_literal: true

module Stairwell
  module Planning
    # A plan that takes whatever fits, day after day, may be done later with more minutes, one
    # more day or more beginnings: a step that fits now holds up one that matters more. Then less
    # is taken on than the days would hold. Of all that gives no more than the practice does
    # (shorter days, fewer beginnings) that one is looked for under which all is done soonest;
    # none is tried whose lower bound is no sooner than what is found.
    class Restraint
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param from [Date]
      # @param next_lesson [Date]
      # @param more [Hash] for {Horizon}
      def initialize(tasks, practice, from, next_lesson, **more)
        @tasks = tasks = Bundles.new(tasks, practice, more.fetch(:warm_ups, [])).tasks
        @practice = practice
        @from = from
        @next_lesson = next_lesson
        @more = more.merge(needs: Needs.new(tasks.map { |task| task.with(introduced: true) }))
      end

      # @return [Practice] itself where nothing less is sooner
      def practice
        @best, @date = @practice, nil
        @practice
          .begin_per_day
          .downto(1) do |count|
            shorter_and_shorter(@practice.with(begin_per_day: count))
            break if @date.nil?
          end
        @best
      end

      private

      # Days half a minute shorter than the longest one that was used: any longer would be the same
      # plan. Halves are what days are given in, so that what shorter days find longer ones find
      # too.
      def shorter_and_shorter(practice)
        tries.times do
          horizon = Horizon.new(@tasks, practice, **@more)
          return unless @date.nil? || sooner?(practice, horizon.bound)

          date = horizon.finish(@from, @next_lesson, before: @date).date
          @best, @date = practice, date if date && (@date.nil? || date < @date)
          return unless horizon.used && @date

          practice = practice.at_most((horizon.used * 2).ceil / 2r - 1 / 2r)
        end
      end

      # What costs most is tried less often.
      def tries =
        @tries ||=
          (
            Constants::RESTRAINTS * Constants::RESTRAINED_STEPS /
              [@tasks.count { |task| task.remaining.positive? }, 1].max
          ).clamp(1, Constants::RESTRAINTS)

      # Whether so many days might be over before what is known.
      def sooner?(practice, days) = (@from...@date).count { |date| practice.planned?(date) } >= days
    end
  end
end
