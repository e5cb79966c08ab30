# frozen_string_literal: true

module Stairwell
  module Planning
    # Fills the days one after another: warm-ups, reviews that are due, then steps by the longest
    # remaining chain of good days (among equals those begun, then hard places, then the order of
    # the piece). A day is left only when no step that could stand on it fits any more.
    class Week
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param dates [Array<Date>]
      # @param under [Practice] what is taken on, which may be less, see {Restraint}
      # @param beside [Hash] reviews: [Array<Review>], warm_ups: [Array<WarmUp>]
      def initialize(tasks, practice, dates, under: practice, **beside)
        @tasks = tasks = Bundles.new(tasks, practice, beside.fetch(:warm_ups, [])).tasks
        @practice = practice
        @under = under
        @dates = dates
        @by_id = tasks.to_h { |task| [task.id, task] }
        @rank = tasks.each_with_index.to_h { |task, at| [task.id, at] }
        needs = Needs.new(tasks)
        @blockers = Blockers.new(tasks, needs, practice, beside.fetch(:warm_ups, []))
        @ledger = Ledger.new(needs, under, @blockers.ids)
        @reasons = Reasons.new(@by_id, practice)
        @extras = DayExtras.new(practice, @reasons, **beside)
        @gaps = Gaps.new(practice)
      end

      # @return [Ledger] what is done when the week is over
      attr_reader :ledger

      # @return [Plan]
      def plan
        days = @dates.map { |date| fill(date) }
        Plan.new(days: days, left_out: left_out(days))
      end

      private

      def fill(date)
        first = @extras.warm_ups(date)
        room = @practice.budget(date) - minutes(first)
        due = @extras.due(date, room - first_minutes(room, date))
        taken_on = [room - minutes(due), @under.budget(date) - minutes(first)].min
        chosen = @ledger.choose(taken_on)
        ready = @ledger.ready
        steps = Sitting.order(chosen, @rank).flat_map { |task| steps(task) }
        @gaps.note(
          date,
          room - minutes(due, chosen),
          ready.to_h { |id| [id, @ledger.minutes(id)] },
          chosen,
          begun: steps.count(&:begins)
        )
        @ledger.add(chosen)
        @today = chosen.map(&:id)
        Day.new(date: date, items: first + steps + due)
      end

      # Of the step that comes first: no review takes its room, or one that needs nearly all of
      # a day would never stand.
      def first_minutes(room, date)
        return 0r unless @extras.any_due?(date)

        @ledger.choose(room).first&.minutes || 0r
      end

      def minutes(*items) = items.flatten.sum(0r, &:minutes)

      # Those of one sitting one after another, the first of which gets ready and begins.
      def steps(task)
        item = step(task)
        return [item] if task.parts.empty?

        turn =
          (
            if task.share == 1
              nil
            else
              [@ledger.done(task.id) % (1 / task.share), (1 / task.share).to_i].map(&:to_i)
            end
          )
        task.parts.each_with_index.map do |part, at|
          item.with(
            id: part.id,
            minutes: at.zero? ? part.minutes : part.minutes - part.ready,
            repetitions: part.repetitions,
            begins: item.begins && at.zero?,
            part: turn
          )
        end
      end

      def step(task)
        why = @reasons.standing(task, day: @ledger.done(task.id) + 1, chain: @ledger.chain(task.id))
        why = @reasons.fewer(why, task) if task.repetitions < @by_id[task.id].repetitions
        Item.new(
          id: task.id,
          minutes: task.minutes,
          repetitions: task.repetitions,
          begins: !@ledger.begun?(task.id),
          why: why
        )
      end

      def left_out(days)
        standing = days.flat_map { |day| day.items.map(&:id) }.to_set
        @tasks
          .reject do |task|
            task.remaining.zero? || [task, *task.parts].any? { |one| standing.include?(one.id) }
          end
          .flat_map do |task|
            blocker = @blockers[task.id]
            left =
              LeftOut.new(
                id: task.id,
                fits: blocker.nil? || !blocker.introduced,
                why: blocker ? @reasons.never(task, blocker) : why_left(task, days)
              )
            task.parts.empty? ? [left] : task.parts.map { |part| left.with(id: part.id) }
          end
      end

      # Seen from the last day of the week: what it waited for until then.
      def why_left(task, days)
        open =
          (
            if days.empty?
              []
            else
              (@ledger.open_needs(task.id) | (task.needs & @today.to_a)) |
                (task.after - last_finished - @today.to_a)
            end
          )
        return @reasons.waiting(open, @ledger) if open.any?

        @reasons.crowded(@dates, @gaps.smallest(task))
      end

      # What was finished before the last day, not on it.
      def last_finished = @ledger.finished - @today.to_a
    end
  end
end
