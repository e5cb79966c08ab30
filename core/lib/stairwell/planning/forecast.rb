# frozen_string_literal: true

module Stairwell
  module Planning
    # Plays out many futures of the same plan. A practice day comes about with
    # the student's adherence and goes well unless it is a struggle; how much
    # slower or faster than estimated the work goes is drawn once for a future.
    # The order of work does not depend on which days are missed, so the plan is
    # made once for each pace and only the days are drawn.
    class Forecast
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param adherence [Numeric] share of practice days that are kept, 0 to 1
      # @param struggle [Numeric] share of kept days that do not count, 0 to 1
      # @param known [Integer] results from which the pace was taken
      # @param seed [Integer]
      def initialize(tasks, practice, adherence: 1, struggle: 0, known: 0, warm_ups: [], seed: 1, futures: Constants::FUTURES, group: nil)
        @tasks = tasks
        @group = group
        @practice = practice
        @chance = [(adherence * (1 - struggle)).to_f, Constants::LEAST_ADHERENCE].max
        @spread = Constants::UNKNOWN_PACE / Math.sqrt(1 + known / 5.0)
        @warm_ups = warm_ups
        @seed = seed
        @futures = futures
      end

      # @param from [Date]
      # @param next_lesson [Date]
      # @return [Outlook] dates are nil where it is never ready
      def call(from, next_lesson)
        plan(from, next_lesson)
        outlook(@finishes[1.0].date, Constants::FORECAST_PACES.map { |pace| @finishes[pace].days })
      end

      # @return [Hash{Object => Outlook}] of each group by itself, planned with
      #   all the others
      def by_group(from, next_lesson)
        plan(from, next_lesson)
        @tasks.map { |task| @group.call(task.id) }.uniq.to_h do |group|
          ends = Constants::FORECAST_PACES.map { |pace| @finishes[pace].groups[group] }
          [group, outlook(@finishes[1.0].groups[group]&.first, ends.map { |one| one&.last })]
        end
      end

      private

      def at(share) = [(share * @futures).ceil - 1, 0].max

      def plan(from, next_lesson)
        @from = from
        @practice_days = []
        @finishes = Constants::FORECAST_PACES.to_h do |pace|
          [pace, Horizon.new(@tasks.map { |task| slower(task, pace) }, @practice, warm_ups: @warm_ups, group: @group).finish(from, next_lesson)]
        end
      end

      # @param planned [Date, nil]
      # @param days [Array<Integer, nil>] practice days at each pace
      def outlook(planned, days)
        return Outlook.new(planned: nil, middle: nil, cautious: nil, futures: 0) if planned.nil? || days.any?(&:nil?)

        random = Random.new(@seed)
        dates = Array.new(@futures) { date_after(sessions(days, random), random) }.sort
        Outlook.new(planned: planned, middle: dates[at(0.5)], cautious: dates[at(Constants::CAUTIOUS_SHARE)], futures: @futures)
      end

      def slower(task, pace)
        return task if task.remaining.zero?

        task.with(good_days: task.credited + [(task.remaining * pace).round, 1].max)
      end

      # Practice days one future takes, by the pace drawn for it.
      def sessions(days, random)
        pace = Math.exp(gauss(random) * @spread).clamp(Constants::FORECAST_PACES.first, Constants::FORECAST_PACES.last)
        above = Constants::FORECAST_PACES.index { |one| one >= pace }
        return days.first if above.zero?

        low, high = Constants::FORECAST_PACES[above - 1], Constants::FORECAST_PACES[above]
        (days[above - 1] + (days[above] - days[above - 1]) * (pace - low) / (high - low)).round
      end

      # Two uniform numbers make a normal one (Box and Muller, 1958).
      def gauss(random) = Math.sqrt(-2 * Math.log(1 - random.rand)) * Math.cos(2 * Math::PI * random.rand)

      def date_after(sessions, random)
        return @from unless sessions.positive?

        days = 0
        while sessions.positive?
          days += 1
          sessions -= 1 if random.rand < @chance
        end
        practice_day(days)
      end

      # The same for all futures.
      # @param number [Integer] from 1
      # @return [Date]
      def practice_day(number)
        date = @practice_days.last || @from - 1
        while @practice_days.size < number
          date += 1
          @practice_days << date if @practice.on?(date)
        end
        @practice_days[number - 1]
      end
    end
  end
end
