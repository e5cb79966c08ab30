# frozen_string_literal: true

module Stairwell
  module Planning
    # Fills what a week leaves of its days with what helps most per minute: again and again
    # the day with the most minutes left gets the best that fits there, so that days come
    # out even. What was added already this week helps less each time. Where everything in hand
    # stands on every day, what is learnt is kept up as well, by turns.
    class Filling
      # What is learnt: in the usual chart it is kept up together with what is not.
      KEPT = %i[older steady].freeze
      private_constant :KEPT

      # @param by_id [Hash{String => Task}]
      # @param practice [Practice]
      # @param overrides [Overrides]
      # @param more [Array<More>] what is learnt already
      def initialize(by_id, practice, overrides, more)
        @by_id = by_id
        @practice = practice
        @overrides = overrides
        @more = more.sort_by { |one| one.last || Constants::FIRST_DATE }
        @left = []
      end

      # @return [Array<String>] ids of all that might be added
      def ids = @more.map(&:id) + @by_id.keys.map { |id| id + More::MARK }

      # @param date [Date]
      # @return [Array<Item>] what the teacher put on the day of this
      def put(date)
        @overrides
          .on(date)
          .filter_map do |override|
            one = known(override.id) or next
            one.item(
              override.repetitions || one.repetitions,
              why: Phrase["planning.week.you_put_it_here", why: one.why],
              pinned: true
            )
          end
      end

      # @param date [Date]
      # @param room [Rational] minutes that were left
      # @param items [Array<Item>] that stand
      # @param ready [Set<String>] ids of steps that could have stood, the first in front
      # @param finished [Array<String>] ids of steps that had all their good days before
      # @return [void]
      def note(date, room, items, ready, finished)
        found = candidates(date, items, ready, finished)
        found = shortened(found.select { |one| KEPT.include?(one.kind) }, room) if @practice.flat?
        @left << Left.new(date, room, @practice.budget(date), found, whole: @practice.flat?)
      end

      # @param date [Date]
      # @param items [Array<Item>] that stand
      # @return [Array<More>] what else is learnt and may be kept that day
      def kept(date, items)
        standing = items.map(&:id)
        @more.select { |one| KEPT.include?(one.kind) && may_stand?(one, date, standing) }
      end

      # @return [Hash{Date => Array<Item>}] what is added on each day
      def call
        @practice.flat? ? by_turns : what_helps_most
        @left.to_h { |left| [left.date, left.items] }
      end

      private

      # Less often each, where not all of them have room.
      def shortened(found, room) = (found.sum(0r, &:minutes) > room) ? found.map(&:least) : found

      # What was played longest ago stands in front, and of equals the first is taken.
      def by_turns
        last = Hash.new(0)
        @left.each_with_index do |day, at|
          while (one = day.take { |more| 1r / (1 + last[more.id]) })
            last[one.id] = at + 1
          end
        end
      end

      def what_helps_most
        times = Hash.new(0)
        open = @left.dup
        until open.empty?
          day = open.max_by { |left| [left.room, -left.date.jd] }
          taken = day.take { |one| worth(one, times[one.id]) }
          taken ? times[taken.id] += 1 : open.delete(day)
        end
      end

      # Nothing where it stands often enough.
      def worth(one, times) =
        (one.times && times >= one.times) ? 0 : Constants::WORTH.fetch(one.kind) / (1r + times)

      def candidates(date, items, ready, finished)
        standing = items.map(&:id)
        steps = items.select { |item| item.kind == :step && @by_id.key?(item.id) }
        found =
          @more + finished_this_week(finished) +
            steps.filter_map { |item| again(@by_id[item.id], item.repetitions, item.minutes) }
        found += [first_look((ready - standing).map { |id| @by_id[id] }, standing)].compact
        found.select { |one| may_stand?(one, date, standing) }
      end

      def may_stand?(one, date, standing) =
        standing.none? { |id| one.played_in?(id) } &&
          [one.id, More.of(one.id)].none? { |id| @overrides.off?(id, date) }

      # What was finished this week and nothing goes on from.
      def finished_this_week(finished)
        @followed ||= @by_id.each_value.flat_map(&:needs).to_set
        finished
          .map { |id| @by_id[id] }
          .select do |task|
            task.remaining.positive? && !task.join && task.parts.empty? &&
              !@followed.include?(task.id)
          end
          .map do |task|
            of_task(task, :steady, Constants::OLDER_REPETITIONS).with(
              why: Phrase["planning.filling.why_finished"]
            )
          end
      end

      # A step of the day once more: as often as one may play it on a day beyond what it asks
      # for, and not more often than that.
      def again(task, asked = 0, minutes = task.minutes)
        count = [task.most - asked, task.repetitions].min
        if count.positive?
          of_task(task, task.hard ? :hard_again : :again, count).with(
            ready: 0r,
            each: (minutes - task.ready) / (asked.zero? ? task.repetitions : asked)
          )
        end
      end

      # The section that begins next is looked at; more than that would be as much as beginning it.
      def first_look(ready, standing)
        task =
          ready.find do |one|
            one.section && !one.join && one.parts.empty? && !one.begun? && untouched?(one, standing)
          end or return

        of_task(task, :first_look, [Constants::FIRST_LOOKS, task.most].min)
      end

      # Whether nothing of its section was begun before the week, or stands that day.
      def untouched?(task, standing)
        @by_id.values.none? do |one|
          one.section == task.section && one.group == task.group && !one.join &&
            (one.begun? || standing.include?(one.id))
        end
      end

      def of_task(task, kind, count)
        More.new(
          id: task.id + More::MARK,
          kind: kind,
          each: (task.minutes - task.ready) / task.repetitions,
          ready: task.ready,
          repetitions: count,
          title: Phrase["planning.filling.#{kind}", title: task.name],
          why: Phrase["planning.filling.why_#{kind}"]
        )
      end

      # What an override names, whatever day it stands on.
      def known(id)
        @more.find { |one| one.id == id } ||
          (id.end_with?(More::MARK) && (task = @by_id[More.of(id)]) && again(task)) || nil
      end
    end
  end
end
