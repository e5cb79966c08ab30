# frozen_string_literal: true

module Stairwell
  module Planning
    # Goes on week after week on the same pattern until nothing is left. What is not
    # introduced yet is introduced at the lessons to come, one after another; reviews and
    # other work are left aside.
    class Horizon
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param warm_ups [Array<WarmUp>]
      # @param group [Proc, nil] of a task's id, such as the piece it belongs to
      # @param kept [Numeric] share of the days that are practised: lessons come while fewer
      #   were, so that what they show waits for fewer of them
      # @param needs [Needs, nil] of the tasks, all introduced, where they are known
      def initialize(tasks, practice, warm_ups: [], group: nil, kept: 1, needs: nil)
        @needs = needs
        @group = group
        @tasks = Bundles.new(tasks, practice, warm_ups).tasks
        @practice = practice
        @warm_ups = warm_ups
        @warm = warm_ups.sum(0r, &:minutes)
        @kept = kept
      end

      # @return [Rational, nil] minutes of the longest day of the plan that was made last; nil where
      #   there is none
      attr_reader :used

      # @return [Integer] practice days that no plan can undercut
      def bound = @bound ||= lower_bound(introduced, needs)

      # @param from [Date]
      # @param next_lesson [Date]
      # @param before [Date, nil] it need not be looked for on that day or later
      # @return [Finish]
      def finish(from, next_lesson, before: nil)
        @before = before
        if Blockers.new(introduced, needs, @practice, @warm_ups).never?
          return Finish.new(date: nil, days: nil, lower_bound: bound)
        end

        date, days = walk(needs, from, next_lesson)
        Finish.new(date: date, days: days, lower_bound: bound, groups: @ends)
      end

      # Where each step would stand.
      # @param from [Date]
      # @param next_lesson [Date]
      # @return [Hash{String => Array(Date, Date)}] first and last day of what is
      #   left of each step; nothing for a step that never stands
      def schedule(from, next_lesson)
        @spans = {}
        walk(needs, from, next_lesson)
        sittings = @tasks.select { |task| task.parts.any? }
        sittings.each_with_object(@spans) do |task, all|
          (span = all.delete(task.id)) && task.parts.each { |part| all[part.id] = span }
        end
      end

      private

      def introduced = needs.tasks

      def needs = @needs ||= Needs.new(@tasks.map { |task| task.with(introduced: true) })

      def walk(needs, from, next_lesson)
        @from, @next_lesson = from, next_lesson
        in_time = @before && (from...@before).count { |date| @practice.planned?(date) }
        ledger = Ledger.new(needs, @practice)
        days = idle = 0
        @used = @warm
        date = from
        left = groups
        @opened = { 0 => 0 }
        @closed = closed(shown = 0)
        @ends =
          left
            .select { |_, count| count.zero? }
            .transform_values { Ending.new(date: from, days: 0) }
        return from, 0 if ledger.empty?

        while days < Constants::MOST_PRACTICE_DAYS
          if @practice.planned?(date)
            shown = shown_by(shown, days)
            days += 1
            idle = 0
            room = [@practice.budget(date) - @warm, 0r].max
            chosen = ledger.choose(room, without: @closed)
            return nil, nil if in_time && days - 1 + ledger.days_left > in_time

            ledger.add(chosen)
            @used = [@used, @warm + chosen.sum(0r, &:minutes)].max
            if @spans
              chosen.each { |task| @spans[task.id] = [@spans.fetch(task.id, [date]).first, date] }
            end
            close(chosen, left, ledger, date, days) if @group
            return date, days if ledger.empty?
          end
          date += 1
          idle += 1
          return nil, nil if idle > Constants::LONGEST_GAP || (@before && date >= @before)
        end
        [nil, nil]
      end

      # @return [Integer] lessons that have shown something by then
      def shown_by(shown, days)
        return shown if shown == last_lesson

        before = shown
        shown += 1 while shown < last_lesson && days >= sessions_until(shown + 1)
        return shown if shown == before

        ((before + 1)..shown).each { |number| @opened[number] = days }
        @closed = closed(shown)
        shown
      end

      # @return [Integer] the lesson that shows the last of it
      def last_lesson =
        @last_lesson ||=
          @tasks.reject { |task| task.introduced || task.remaining.zero? }.map(&:lesson).max || 0

      # Practice days until a lesson, as far as they are kept.
      def sessions_until(number)
        @sessions_until ||= {}
        @sessions_until[number] ||= (@from...@practice.lesson(number, @next_lesson)).count do |date|
          @practice.planned?(date)
        end * @kept
      end

      # @param shown [Integer] lessons
      # @return [Set<String>, nil] what stands nowhere yet
      def closed(shown)
        return if shown >= last_lesson

        tasks = @tasks.map { |task| task.with(introduced: task.introduced || task.lesson <= shown) }
        Blockers.new(tasks, Needs.new(tasks), @practice, @warm_ups).ids
      end

      # @return [Hash{Object => Integer}] tasks with work left, by group
      def groups
        return {} unless @group

        @tasks
          .group_by { |task| @group.call(task.id) }
          .transform_values { |tasks| tasks.count { |task| task.remaining.positive? } }
      end

      # The groups of which the last stood on the day.
      def close(chosen, left, ledger, date, days)
        chosen
          .select { |task| ledger.over?(task.id) }
          .map { |task| @group.call(task.id) }
          .each { |group| @ends[group] = ending(group, date, days) if (left[group] -= 1).zero? }
      end

      def ending(group, date, days)
        number = lessons_of[group]
        return Ending.new(date: date, days: days) if number.zero?

        Ending.new(
          date: date,
          days: days,
          tail: days - @opened.fetch(number, 0),
          opened: @practice.lesson(number, @next_lesson)
        )
      end

      # @return [Hash{Object => Integer}] by group, the lesson that shows the last of it
      def lessons_of
        @lessons_of ||=
          @tasks
            .group_by { |task| @group.call(task.id) }
            .transform_values do |tasks|
              tasks.reject { |task| task.introduced || task.remaining.zero? }.map(&:lesson).max || 0
            end
      end

      # The largest of what no plan can undercut.
      def lower_bound(tasks, needs)
        left = tasks.select { |task| task.remaining.positive? }
        room = @practice.most - @warm
        return 0 if left.empty?
        return left.map(&:remaining).max unless room.positive?

        days = left.flat_map { |task| @practice.least(task).days_left }
        [
          needs.chains(tasks.map(&:remaining)).max,
          (days.sum / room).ceil,
          (left.count { |task| !task.begun? }.to_r / @practice.begin_per_day).ceil,
          days.count { |minutes| minutes * 2 > room }
        ].max
      end
    end
  end
end
