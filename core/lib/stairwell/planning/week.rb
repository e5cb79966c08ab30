# frozen_string_literal: true

module Stairwell
  module Planning
    # Fills the days one after another. On each day the tasks that may stand
    # there are taken by the longest remaining chain of good days; among equals
    # those begun, then hard places, then the order of the piece. A day is left
    # only when nothing that could stand on it fits any more.
    class Week
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param dates [Array<Date>]
      def initialize(tasks, practice, dates)
        @tasks = tasks
        @practice = practice
        @dates = dates
        @needs = Needs.new(tasks)
        @by_id = tasks.to_h { |task| [task.id, task] }
        @rank = tasks.each_with_index.to_h { |task, at| [task.id, at] }
        @done = tasks.to_h { |task| [task.id, task.credited] }
        @begun = tasks.to_h { |task| [task.id, task.begun?] }
        @reasons = Reasons.new(@by_id, practice)
      end

      # @return [Plan]
      def plan
        @blockers = blockers
        days = @dates.map { |date| fill(date) }
        Plan.new(days: days, left_out: left_out(days))
      end

      private

      # What can never be done as things are: tasks longer than a whole day,
      # and what still needs them.
      # @return [Hash{String => Task}] the task that is too long, by id
      def blockers
        @needs.in_order.each_with_object({}) do |task, found|
          next if task.remaining.zero?

          blocker = (task.minutes > @practice.minutes) ? task : found.values_at(*task.needs, *task.after).compact.first
          found[task.id] = blocker if blocker
        end
      end

      def fill(date)
        @finished = finished = @tasks.select { |task| finished?(task) }.map(&:id)
        @chains = @needs.chains { |task| [task.good_days - @done[task.id], 0].max }
        chosen = []
        left = @practice.minutes
        starts = 0
        while (task = best(finished, chosen, left, starts))
          starts += 1 unless @begun[task.id]
          chosen << task
          left -= task.minutes
        end
        items = in_sitting(chosen).map { |task| item(task) }
        chosen.each do |task|
          @done[task.id] += 1
          @begun[task.id] = true
        end
        Day.new(date: date, items: items)
      end

      def finished?(task) = @done[task.id] >= task.good_days

      def best(finished, chosen, left, starts)
        today = chosen.map(&:id)
        @tasks.select { |task|
          !finished.include?(task.id) && !today.include?(task.id) && task.minutes <= left &&
            (@begun[task.id] || starts < @practice.begin_per_day) && (task.needs - finished).empty? &&
            (task.after - finished - today).empty? && !@blockers.key?(task.id)
        }.min_by { |task| [-@chains[task.id], @begun[task.id] ? 0 : 1, task.hard ? 0 : 1, @rank[task.id]] }
      end

      # Hard places first while one is fresh, the rest in the order of the
      # piece, and each after what must come before it in the sitting.
      def in_sitting(chosen)
        waiting = chosen.sort_by { |task| [task.hard ? 0 : 1, @rank[task.id]] }
        ids = chosen.map(&:id)
        ordered = []
        until waiting.empty?
          ordered << waiting.delete(waiting.find { |task| (task.after & ids - ordered.map(&:id)).empty? })
        end
        ordered
      end

      def item(task)
        Item.new(
          id: task.id, minutes: task.minutes, repetitions: task.repetitions, begins: !@begun[task.id],
          why: @reasons.standing(task, day: @done[task.id] + 1, chain: @chains[task.id])
        )
      end

      def left_out(days)
        standing = days.flat_map { |day| day.items.map(&:id) }.uniq
        @tasks.reject { |task| task.remaining.zero? || standing.include?(task.id) }.map do |task|
          blocker = @blockers[task.id]
          LeftOut.new(id: task.id, fits: blocker.nil?, why: blocker ? @reasons.never(task, blocker) : why_left(task, days))
        end
      end

      # Seen from the last day of the week: what it waited for until then.
      def why_left(task, days)
        today = days.last&.items.to_a.map(&:id)
        open = days.empty? ? [] : (task.needs - @finished) | (task.after - @finished - today)
        open.any? ? @reasons.waiting(open) : @reasons.crowded(task, @dates)
      end
    end
  end
end
