# frozen_string_literal: true

module Stairwell
  module Planning
    # Fills the days one after another: warm-ups, what the teacher put there,
    # reviews that are due, then steps by the longest remaining chain of good days
    # (among equals those begun, then hard places, then the order of the piece),
    # then other work. A day is left only when no step that could stand on it
    # fits any more. Where days are used in full, what is left of them is filled.
    class Week
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param dates [Array<Date>]
      # @param reviews [Array<Review>]
      # @param warm_ups [Array<WarmUp>]
      # @param extra_work [Array<ExtraWork>]
      # @param runs [Array<Run>]
      # @param overrides [Array<Override>] of the teacher
      # @param more [Array<More>] what a full day may be filled with
      # @param under [Practice] what is taken on, which may be less, see {Restraint}
      # @param limits [Boolean] whether to say what limits the week
      def initialize(
        tasks,
        practice,
        dates,
        overrides: [],
        more: [],
        limits: false,
        under: practice,
        **beside
      )
        bundles = Bundles.new(tasks, practice, beside.fetch(:warm_ups, []))
        @tasks = tasks = bundles.tasks
        @practice = practice
        @under = under
        @dates = dates
        @say_limits = limits
        @beside = beside
        @by_id = tasks.to_h { |task| [task.id, task] }
        @rank = tasks.each_with_index.to_h { |task, at| [task.id, at] }
        @needs = Needs.new(tasks)
        @blockers = Blockers.new(tasks, @needs, practice, beside.fetch(:warm_ups, []))
        @ledger = Ledger.new(@needs, under, @blockers.ids)
        @reasons = Reasons.new(@by_id, practice)
        @overrides = Overrides.new(bundles.overrides(overrides))
        @breaks = Breaks.new(@ledger, @by_id, practice)
        @filling = Filling.new(@by_id, practice, @overrides, more)
        @known = [tasks, *beside.values].flatten.to_set(&:id) | @filling.ids
        @extras = DayExtras.new(practice, @overrides, @reasons, **beside)
        @gaps = Gaps.new(practice)
      end

      # @return [Ledger] what is done when the week is over
      attr_reader :ledger

      # @return [Plan] with what is added and what limits it
      def plan
        needed = days
        Plan.new(
          days: filled(needed),
          left_out: left_out(needed),
          unmet: @overrides.unmet(@dates, @known),
          limits: limits(needed)
        )
      end

      # @return [Array<Day>] with what is needed
      def days = @dates.each_with_index.map { |date, at| fill(date, Rational(at + 1, @dates.size)) }

      private

      def limits(days)
        return [] unless @say_limits

        Limits
          .new(@tasks, @practice, days, blockers: @blockers, full: @gaps.full?) do |tasks, practice|
            Week.new(tasks, practice, @dates, overrides: @overrides.to_a, **@beside).days
          end
          .to_a
      end

      def fill(date, share)
        first = @extras.warm_ups(date)
        beside = @extras.put(date) + @filling.put(date)
        extras = @extras.extras(date)
        put = put_on(date)
        room = @practice.budget(date) - minutes(first, beside, extras, put)
        over = [-room, 0r].max
        kept_off = kept_off(date)
        due = @extras.due(date, room - first_minutes(room, date, put, kept_off))
        taken_on = [room - minutes(due), @under.budget(date) - minutes(first, put)].min
        chosen =
          sized_for(
            @ledger.choose(taken_on, without: kept_off, put: put),
            room - minutes(due),
            @filling.kept(date, beside + due)
          )
        ready = @ledger.ready
        steps = Sitting.order(put + chosen, @rank).flat_map { |task| steps(task, put, over) }
        room -= minutes(due, chosen)
        @gaps.note(
          date,
          room,
          ready.to_h { |id| [id, @ledger.minutes(id)] },
          put + chosen,
          begun: steps.count(&:begins)
        )
        others = @extras.extra_work(date, room, share)
        others += @extras.runs(date, room - minutes(others)) if date == @dates.last
        unless @practice.use == :light
          @filling.note(
            date,
            room - minutes(others),
            steps + beside + due + others,
            ready - kept_off,
            @ledger.finished
          )
        end
        @ledger.add(put + chosen)
        @today = (put + chosen).map(&:id)
        Day.new(
          date: date,
          items:
            first + steps + (beside + due).sort_by { |item| (item.kind == :review) ? 0 : 1 } +
              others + extras
        )
      end

      # @param days [Array<Day>]
      # @return [Array<Day>] with what is added, behind what is practised and before what is no step
      def filled(days)
        return days if @practice.use == :light

        added = @filling.call
        days.map do |day|
          practised, others =
            day.items.partition { |item| %i[warm_up step review more].include?(item.kind) }
          day.with(items: practised + added.fetch(day.date) + others)
        end
      end

      # Of the step that comes first: no review takes its room, or one that needs nearly all of
      # a day would never stand.
      def first_minutes(room, date, put, kept_off)
        return 0r unless @extras.any_due?(date)

        @ledger.choose(room, without: kept_off, put: put).first&.minutes || 0r
      end

      def minutes(*items) = items.flatten.sum(0r, &:minutes)

      # As often as they ask for, or all of them less often, where everything in hand stands on
      # the day. What is kept up has its place too, as far as that goes.
      # @return [Array<Task>]
      def sized_for(chosen, room, kept) =
        @practice.flat? ? Chart.sized(chosen, room - minutes(kept)) : chosen

      # @return [Array<Task>] steps the teacher put on the day, with as many
      #   repetitions as said
      def put_on(date)
        @overrides
          .on(date)
          .filter_map do |override|
            @by_id.key?(override.id) && !@extras.review?(override.id) &&
              sized(@ledger.next_day(override.id), override)
          end
          .uniq(&:id)
      end

      def sized(task, override) = override.repetitions ? task.times(override.repetitions) : task

      # Steps the teacher keeps off a day, and those whose last good days were
      # put on a later one.
      def kept_off(date)
        return Set.new if @overrides.empty?

        @tasks
          .select do |task|
            @overrides.off?(task.id, date) ||
              (
                (later = @overrides.later(task.id, date)).positive? &&
                  @ledger.left(task.id) <= later
              )
          end
          .to_set(&:id)
      end

      # Those of one sitting one after another, the first of which gets ready and begins.
      def steps(task, put, over)
        item = step(task, put, over)
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

      def step(task, put, over)
        pinned = put.include?(task)
        why = @reasons.standing(task, day: @ledger.done(task.id) + 1, chain: @ledger.chain(task.id))
        why = @reasons.fewer(why, task) if !pinned && task.repetitions < @by_id[task.id].repetitions
        Item.new(
          id: task.id,
          minutes: task.minutes,
          repetitions: task.repetitions,
          begins: !@ledger.begun?(task.id),
          why: pinned ? Phrase["planning.week.you_put_it_here", why: why] : why,
          pinned: pinned,
          breaks: (@breaks.of(task, put: put, over: over) if pinned)
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
        return Phrase["planning.week.you_left_it_out_of_this"] if @overrides.out?(task.id)

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
        return Phrase["planning.week.you_took_it_off_the_days"] if @overrides.touched?(task.id)

        @reasons.crowded(@dates, @gaps.smallest(task))
      end

      # What was finished before the last day, not on it.
      def last_finished = @ledger.finished - @today.to_a
    end
  end
end
