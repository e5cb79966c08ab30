# frozen_string_literal: true

require "zlib"

module Stairwell
  module Planning
    # Plays out many futures of the same plan. Of each are drawn how many days are kept in
    # the long run and how the student's pace is, both as far as they are known; then day by
    # day whether it is kept, in good and bad spells. Steps are planned out once for each of a
    # few paces, some longer and some shorter than estimated, with days that do not go well;
    # what lies between follows from these.
    class Forecast
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param habit [Habit]
      # @param seed [Integer]
      # @param under [Practice, nil] see {Planning.restrained}
      # @param stretch [Numeric] how much longer than foretold it took so far
      # @yieldparam tasks [Array<Task>, nil] with the days they really take; nil for those that were
      #   planned
      # @yieldparam kept [Numeric] share of days that are practised
      # @yieldreturn [Hash{Object => Ending}] by group, where it's planned another way than day by
      #   day
      def initialize(
        tasks,
        practice,
        habit: Habit.new,
        warm_ups: [],
        seed: 1,
        stretch: 1,
        futures: Constants::FUTURES,
        group: nil,
        under: nil,
        &endings
      )
        @tasks = tasks
        @endings = endings
        @group = group || ->(_) {}
        @practice = practice
        @under = under
        @habit = habit
        @kept, @went = habit.kept, habit.went
        @warm_ups = warm_ups
        @seed = seed
        @stretch = stretch
        @futures = futures
      end

      # @param from [Date]
      # @param next_lesson [Date]
      # @return [Outlook] dates are nil where it is never ready
      def call(from, next_lesson) =
        by_group(from, next_lesson).fetch(nil) do
          Outlook.new(planned: from, middle: from, cautious: from, futures: @futures)
        end

      # @return [Hash{Object => Outlook}] of each group by itself, planned with
      #   all the others
      def by_group(from, next_lesson)
        plan(from, next_lesson)
        @tasks.map { |task| @group.call(task.id) }.uniq.to_h { |group| [group, outlook(group)] }
      end

      private

      def plan(from, next_lesson)
        @from = from
        @practice_days = []
        @planned = endings(nil, 1, from, next_lesson)
        @at_paces =
          (
            if @tasks.count { |task| task.remaining.positive? } > Constants::MANY_STEPS
              Constants::FEWER_PACES
            else
              Constants::FORECAST_PACES
            end
          )
        @paces =
          @at_paces.map do |pace|
            endings(@tasks.map { |task| taking(task, pace) }, @kept.mean, from, next_lesson)
          end
      end

      def endings(tasks, kept, from, next_lesson)
        return @endings.call(tasks, kept) if @endings

        @under ||=
          Planning.restrained(
            tasks: @tasks,
            practice: @practice,
            from: from,
            next_lesson: next_lesson,
            warm_ups: @warm_ups
          )
        Horizon
          .new(tasks || @tasks, @under, warm_ups: @warm_ups, group: @group, kept: kept)
          .finish(from, next_lesson)
          .groups
      end

      # With the days it may really take at a pace: some steps need more good days than
      # estimated, some fewer, and not every day goes well; each the same way in each forecast.
      def taking(task, pace)
        return task if task.remaining.zero?

        random = Random.new(seed_of(task, pace))
        luck = Math.exp(Constants::STEPS_DIFFER * gauss(random) - Constants::STEPS_DIFFER**2 / 2)
        task.over(
          tries([(task.remaining * @habit.pace(task.kind) * pace * luck).round, 1].max, random)
        )
      end

      # @return [Integer] days until so many went well
      def tries(good, random)
        days = 0
        while good.positive?
          days += 1
          good -= 1 if random.rand < @went.mean
        end
        days
      end

      # @return [Integer] the same for a step of a piece, whatever number the piece was given
      def seed_of(task, pace) = Zlib.crc32("#{@seed} #{pace} #{task.id.sub(%r{\A\d+/}, "")}")

      # @return [Outlook]
      def outlook(group)
        planned = @planned[group]
        endings = @paces.map { |pace| pace[group] }
        if planned.nil? || endings.any?(&:nil?)
          return Outlook.new(planned: nil, middle: nil, cautious: nil, futures: 0)
        end

        dates = futures(endings, spread(group))
        middle, cautious = dates[at(0.5)], dates[at(Constants::CAUTIOUS_SHARE)]
        Outlook.new(
          planned: planned.date,
          middle: stretched(middle),
          cautious: stretched(cautious),
          futures: @futures
        )
      end

      def stretched(date) = @from + ((date - @from) * @stretch).round

      def at(share) = [(share * @futures).ceil - 1, 0].max

      # What is not known of the student's pace, of how often it goes well, and what the steps that
      # are left may differ by all together.
      def spread(group)
        left = @tasks.count { |task| task.remaining.positive? && @group.call(task.id) == group }
        Math.sqrt(
          (@habit.spread**2) + ((@went.deviation / @went.mean)**2) +
            (Constants::STEPS_DIFFER**2 * Constants::STEPS_IN_ROW / [left, 1].max)
        )
      end

      # @return [Array<Date>] in order
      def futures(endings, spread)
        days = endings.map(&:days).sort
        tails = endings.filter_map(&:tail).sort
        opened = endings.filter_map(&:opened).max
        random = Random.new(@seed)
        Array
          .new(@futures) do
            at = Math.exp(gauss(random) * spread)
            future(between(days, at), tails.empty? ? 0 : between(tails, at), opened, random)
          end
          .sort
      end

      # What a pace comes to, between those that were planned out.
      def between(values, pace)
        paces = @at_paces
        pace = pace.clamp(paces.first, paces.last)
        above = paces.index { |one| one >= pace }
        return values.first if above.zero?

        low, high = paces[above - 1], paces[above]
        (
          values[above - 1] + (values[above] - values[above - 1]) * (pace - low) / (high - low)
        ).round
      end

      # @param sessions [Integer] days that count until it is done
      # @param tail [Integer] those of them after the lesson that opened the last of it
      # @param opened [Date, nil] that lesson
      # @return [Date]
      def future(sessions, tail, opened, random)
        return @from unless sessions.positive?

        long_run = odds(@kept, random)
        days = 0
        until sessions <= 0 && tail <= 0
          if (days % SPELL).zero?
            rate = [
              chance(long_run + gauss(random) * Constants::SPELL),
              Constants::LEAST_ADHERENCE
            ].max
          end
          days += 1
          next if random.rand >= rate

          sessions -= 1
          tail -= 1 if opened.nil? || practice_day(days) >= opened
        end
        practice_day(days)
      end

      # Practice days of a spell, about.
      SPELL = Constants::SPELL_DAYS * 5 / 7
      private_constant :SPELL

      # @return [Float] the logarithm of the odds of a share that is known so well
      def odds(share, random) =
        Math.log(share.mean / (1 - share.mean)) +
          gauss(random) * share.deviation / (share.mean * (1 - share.mean))

      def chance(odds) = 1 / (1 + Math.exp(-odds))

      # Two uniform numbers make a normal one (Box and Muller, 1958).
      def gauss(random) =
        Math.sqrt(-2 * Math.log(1 - random.rand)) * Math.cos(2 * Math::PI * random.rand)

      # The same for all futures. Where there is none for very long, days just go by.
      # @param number [Integer] from 1
      # @return [Date]
      def practice_day(number)
        while @practice_days.size < number
          after = @practice_days.last || @from - 1
          @practice_days << (
            (after + 1..after + Constants::LONGEST_GAP).find { |date| @practice.planned?(date) } ||
              after + Constants::LONGEST_GAP
          )
        end
        @practice_days[number - 1]
      end
    end
  end
end
