# frozen_string_literal: true

module Stairwell
  module Planning
    # Fills the days one after another: warm-ups, reviews that are due, then
    # steps by the longest remaining chain of good days (among equals those
    # begun, then hard places, then the order of the piece), then other work. A
    # day is left only when no step that could stand on it fits any more.
    class Week
      # Share of a day that reviews may take together. Own choice.
      REVIEWS = 1/4r

      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param dates [Array<Date>]
      # @param reviews [Array<Review>]
      # @param warm_ups [Array<WarmUp>]
      # @param others [Array<Other>]
      def initialize(tasks, practice, dates, reviews: [], warm_ups: [], others: [])
        @tasks = tasks
        @practice = practice
        @dates = dates
        @reviews = reviews.sort_by(&:due)
        @warm_ups = warm_ups
        @others = others.to_h { |other| [other, 0] }
        @needs = Needs.new(tasks)
        @blockers = Blockers.new(tasks, @needs, practice, warm_ups)
        @ledger = Ledger.new(@needs, practice, @blockers.ids)
        @reasons = Reasons.new(tasks.to_h { |task| [task.id, task] }, practice)
        @rank = tasks.each_with_index.to_h { |task, at| [task.id, at] }
      end

      # @return [Ledger] what is done when the week is over
      attr_reader :ledger

      # @return [Plan]
      def plan
        days = @dates.each_with_index.map { |date, at| fill(date, Rational(at + 1, @dates.size)) }
        Plan.new(days: days, left_out: left_out(days))
      end

      private

      def fill(date, share)
        room = @practice.budget(date)
        first = warm_ups(room)
        room -= first.sum(0r, &:minutes)
        due = due_on(date, room)
        room -= due.sum(0r, &:minutes)
        chosen = @ledger.choose(room)
        room -= chosen.sum(0r, &:minutes)
        steps = in_sitting(chosen).map { |task| step(task) }
        last = others(room, share)
        @ledger.add(chosen)
        @today = chosen.map(&:id)
        Day.new(date: date, items: first + steps + due + last)
      end

      # @return [Array<Item>] as many as there is time for
      def warm_ups(room)
        @warm_ups.filter_map do |one|
          next if one.minutes > room

          room -= one.minutes
          Item.new(id: one.id, kind: :warm_up, minutes: one.minutes, why: "begins every day")
        end
      end

      # One always when it fits, more as long as they take at most a quarter of
      # the day.
      def due_on(date, room)
        most = @practice.budget(date) * REVIEWS
        taken = []
        @reviews.each do |one|
          break if one.due > date

          spent = taken.sum(0r, &:minutes) + one.minutes
          taken << one if spent <= room && (taken.empty? || spent <= most) && taken.none? { |other| other.id == one.id }
        end
        @reviews -= taken
        taken.map { |one| Item.new(id: one.id, kind: :review, minutes: one.minutes, repetitions: one.repetitions, why: @reasons.due(one, date)) }
      end

      # Evenly over the week: by each day as many as its share of the days.
      def others(room, share)
        @others.filter_map do |other, done|
          next if other.minutes > room || done >= (other.times * share).ceil

          room -= other.minutes
          @others[other] += 1
          Item.new(id: other.id, kind: :other, minutes: other.minutes, why: "#{other.times} times a week")
        end
      end

      # Hard places first while one is fresh, joins last, the rest in the order
      # of the piece, and each after what must come before it in the sitting.
      def in_sitting(chosen)
        waiting = chosen.sort_by { |task| [place(task), @rank[task.id]] }
        ids = chosen.map(&:id)
        ordered = []
        until waiting.empty?
          ordered << waiting.delete(waiting.find { |task| (task.after & ids - ordered.map(&:id)).empty? })
        end
        ordered
      end

      def place(task)
        return 2 if task.join

        task.hard ? 0 : 1
      end

      def step(task)
        Item.new(
          id: task.id, minutes: task.minutes, repetitions: task.repetitions, begins: !@ledger.begun?(task.id),
          why: @reasons.standing(task, day: @ledger.done(task.id) + 1, chain: @ledger.chain(task.id))
        )
      end

      def left_out(days)
        standing = days.flat_map { |day| day.items.map(&:id) }.to_set
        @tasks.reject { |task| task.remaining.zero? || standing.include?(task.id) }.map do |task|
          blocker = @blockers[task.id]
          LeftOut.new(id: task.id, fits: blocker.nil? || !blocker.taught, why: blocker ? @reasons.never(task, blocker) : why_left(task, days))
        end
      end

      # Seen from the last day of the week: what it waited for until then.
      def why_left(task, days)
        open = days.empty? ? [] : (task.needs - last_finished) | (task.after - last_finished - @today.to_a)
        open.any? ? @reasons.waiting(open) : @reasons.crowded(task, @dates)
      end

      # What was finished before the last day, not on it.
      def last_finished = @ledger.finished - @today.to_a
    end
  end
end
