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
      def initialize(tasks, practice, warm_ups: [], group: nil, kept: 1)
        @group = group
        @tasks = tasks
        @practice = practice
        @warm_ups = warm_ups
        @warm = warm_ups.sum(0r, &:minutes)
        @kept = kept
      end

      # @param from [Date]
      # @param next_lesson [Date]
      # @return [Finish]
      def finish(from, next_lesson)
        introduced = @tasks.map { |task| task.with(introduced: true) }
        needs = Needs.new(introduced)
        bound = lower_bound(introduced, needs)
        return Finish.new(date: nil, days: nil, lower_bound: bound) if Blockers.new(introduced, needs, @practice, @warm_ups).never?

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
        walk(Needs.new(@tasks.map { |task| task.with(introduced: true) }), from, next_lesson)
        @spans
      end

      private

      def walk(needs, from, next_lesson)
        @from, @next_lesson = from, next_lesson
        ledger = Ledger.new(needs, @practice)
        days = idle = 0
        date = from
        left = groups
        @opened = {0 => 0}
        @closed = closed(shown = 0)
        @ends = left.select { |_, ids| ids.empty? }.transform_values { Ending.new(date: from, days: 0) }
        return [from, 0] if ledger.empty?

        while days < Constants::MOST_PRACTICE_DAYS
          if @practice.planned?(date)
            shown = shown_by(shown, days)
            days += 1
            idle = 0
            room = [@practice.budget(date) - @warm, 0r].max
            chosen = ledger.choose(room, without: @closed)
            ledger.add(chosen)
            chosen.each { |task| @spans[task.id] = [@spans.fetch(task.id, [date]).first, date] } if @spans
            close(left, ledger, date, days)
            return [date, days] if ledger.empty?
          end
          date += 1
          idle += 1
          return [nil, nil] if idle > Constants::LONGEST_GAP
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
      def last_lesson = @last_lesson ||= @tasks.reject { |task| task.introduced || task.remaining.zero? }.map(&:lesson).max || 0

      # Practice days until a lesson, as far as they are kept.
      def sessions_until(number)
        @sessions_until ||= {}
        @sessions_until[number] ||= (@from...@practice.lesson(number, @next_lesson)).count { |date| @practice.planned?(date) } * @kept
      end

      # @param shown [Integer] lessons
      # @return [Set<String>, nil] what stands nowhere yet
      def closed(shown)
        return if shown >= last_lesson

        tasks = @tasks.map { |task| task.with(introduced: task.introduced || task.lesson <= shown) }
        Blockers.new(tasks, Needs.new(tasks), @practice, @warm_ups).ids
      end

      # @return [Hash{Object => Array<String>}] ids with work left, by group
      def groups
        return {} unless @group

        @tasks.group_by { |task| @group.call(task.id) }.transform_values { |tasks| tasks.select { |task| task.remaining.positive? }.map(&:id) }
      end

      def close(left, ledger, date, days)
        left.each do |group, ids|
          next if @ends.key?(group)

          ids.reject! { |id| ledger.over?(id) }
          @ends[group] = ending(group, date, days) if ids.empty?
        end
      end

      def ending(group, date, days)
        number = lessons_of[group]
        return Ending.new(date: date, days: days) if number.zero?

        Ending.new(date: date, days: days, tail: days - @opened.fetch(number, 0), opened: @practice.lesson(number, @next_lesson))
      end

      # @return [Hash{Object => Integer}] by group, the lesson that shows the last of it
      def lessons_of
        @lessons_of ||= @tasks.group_by { |task| @group.call(task.id) }
          .transform_values { |tasks| tasks.reject { |task| task.introduced || task.remaining.zero? }.map(&:lesson).max || 0 }
      end

      # The largest of what no plan can undercut.
      def lower_bound(tasks, needs)
        left = tasks.select { |task| task.remaining.positive? }
        room = @practice.most - @warm
        return 0 if left.empty?
        return left.map(&:remaining).max unless room.positive?

        [
          needs.chains(tasks.map(&:remaining)).max, (left.sum(0r) { |task| task.minutes * task.remaining } / room).ceil,
          (left.count { |task| !task.begun? }.to_r / @practice.begin_per_day).ceil,
          left.select { |task| task.minutes * 2 > room }.sum(&:remaining)
        ].max
      end
    end
  end
end
