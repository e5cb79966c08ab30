# frozen_string_literal: true

module Stairwell
  module Planning
    # Fills what a week leaves of its days with what helps most per minute: again and again
    # the day with the most minutes left gets the best that fits there, so that days come
    # out even. What was added already this week helps less each time.
    class Filling
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
        @overrides.on(date).filter_map do |override|
          one = known(override.id) or next
          one.item(override.repetitions || one.repetitions, why: Phrase["planning.week.you_put_it_here", why: one.why], pinned: true)
        end
      end

      # @param date [Date]
      # @param room [Rational] minutes that were left
      # @param items [Array<Item>] that stand
      # @param ready [Set<String>] ids of steps that could have stood, the first in front
      # @param finished [Array<String>] ids of steps that had all their good days before
      # @return [void]
      def note(date, room, items, ready, finished) = @left << Left.new(date, room, @practice.budget(date), candidates(date, items, ready, finished))

      # @return [Hash{Date => Array<Item>}] what is added on each day
      def call
        times = Hash.new(0)
        open = @left.dup
        until open.empty?
          day = open.max_by { |left| [left.room, -left.date.jd] }
          taken = day.take { |one| worth(one, times[one.id]) }
          taken ? times[taken.id] += 1 : open.delete(day)
        end
        @left.to_h { |left| [left.date, left.items] }
      end

      private

      # Nothing where it stands often enough.
      def worth(one, times) = (one.times && times >= one.times) ? 0 : Constants::WORTH.fetch(one.kind) / (1r + times)

      def candidates(date, items, ready, finished)
        standing = items.map(&:id)
        steps = items.select { |item| item.kind == :step && @by_id.key?(item.id) }
        found = @more + finished_this_week(finished) + steps.filter_map { |item| again(@by_id[item.id], item.repetitions) }
        found += [first_look((ready - standing).map { |id| @by_id[id] }, standing)].compact
        found.reject { |one| standing.any? { |id| one.played_in?(id) } || [one.id, More.of(one.id)].any? { |id| @overrides.off?(id, date) } }
      end

      # What was finished this week and nothing goes on from.
      def finished_this_week(finished)
        @followed ||= @by_id.each_value.flat_map(&:needs).to_set
        finished.map { |id| @by_id[id] }.select { |task| task.remaining.positive? && !task.join && !@followed.include?(task.id) }
          .map { |task| of_task(task, :steady, Constants::OLDER_REPETITIONS).with(why: Phrase["planning.filling.why_finished"]) }
      end

      # A step of the day once more: as often as one may play it on a day beyond what it asks
      # for, and not more often than that.
      def again(task, asked = 0)
        count = [task.most - asked, task.repetitions].min
        of_task(task, task.hard ? :hard_again : :again, count) if count.positive?
      end

      # The section that begins next is looked at; more than that would be as much as beginning it.
      def first_look(ready, standing)
        task = ready.find { |one| one.section && !one.join && !one.begun? && untouched?(one, standing) } or return

        of_task(task, :first_look, [Constants::FIRST_LOOKS, task.most].min)
      end

      # Whether nothing of its section was begun before the week, or stands that day.
      def untouched?(task, standing)
        @by_id.values.none? { |one| one.section == task.section && one.group == task.group && !one.join && (one.begun? || standing.include?(one.id)) }
      end

      def of_task(task, kind, count)
        More.new(
          id: task.id + More::MARK, kind: kind, each: task.minutes / task.repetitions, repetitions: count,
          title: Phrase["planning.filling.#{kind}", title: task.name], why: Phrase["planning.filling.why_#{kind}"]
        )
      end

      # What an override names, whatever day it stands on.
      def known(id)
        @more.find { |one| one.id == id } || (id.end_with?(More::MARK) && (task = @by_id[More.of(id)]) && again(task)) || nil
      end
    end
  end
end
