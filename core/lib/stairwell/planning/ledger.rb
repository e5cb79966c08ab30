# frozen_string_literal: true

module Stairwell
  module Planning
    # What is done so far and what may stand on a day. It chooses the steps of
    # one day after another and remembers what that finishes.
    class Ledger
      # @param needs [Needs] and their tasks
      # @param practice [Practice]
      # @param blocked [Set<String>] ids that stand on no day
      def initialize(needs, practice, blocked = Set.new)
        @needs = needs
        @tasks = needs.tasks
        @begin_per_day = practice.begin_per_day
        @left = @tasks.map(&:remaining)
        @begun = @tasks.map(&:begun?)
        @least = @tasks.map { |task| practice.least(task) }
        # Places that had a good day since chains were worked out.
        @changed = []
        @turns = @tasks.map(&:turn)
        # What comes last in the order: hard places first, then the order of the piece.
        @last = @tasks.each_with_index.map { |task, at| (task.hard ? 0 : @tasks.size) + at }
        @blocked = blocked
        # A bit for each task that fell behind and has not caught up yet.
        @fallen =
          @tasks.each_index.sum { |at| (@tasks[at].fallen && @left[at].positive?) ? 1 << at : 0 }
        # How many of its needs are not done yet.
        @unmet = @needs.needs.map { |needed| needed.count { |other| !@left[other].zero? } }
        @open = @tasks.each_index.reject { |at| @left[at].zero? || blocked.include?(@tasks[at].id) }
        # Where nothing is chosen by priority the other reasons decide alone.
        @priority = @tasks.any? { |task| !task.priority.zero? }
      end

      # @return [Integer] good days a step has so far
      def done(id) =
        @tasks[@needs.place(id)].then do |task|
          [task.good_days, task.credited].max - @left[@needs.place(id)]
        end

      # @return [Task] a step as it stands on the next day
      def next_day(id) = next_day_at(@needs.place(id))

      # @return [Rational] minutes it takes on the next day, at the least
      def minutes(id) = minutes_at(@needs.place(id))

      def begun?(id) = @begun[@needs.place(id)]

      # @return [Boolean] whether a step has all its good days
      def over?(id) = @left[@needs.place(id)].zero?

      # @return [Integer] the longest chain of good days that hangs on a step, as
      #   of the day that was chosen last
      def chain(id) = @chains[@needs.place(id)]

      # @return [Integer] days that are left at the least, the one that was chosen last counted
      def days_left = @chains.max || 0

      # @return [Array<String>] ids of steps that have all their good days
      def finished = @tasks.each_index.select { |at| @left[at].zero? }.map { |at| @tasks[at].id }

      # @return [Boolean] whether nothing that can be done is left
      def empty? = @open.empty?

      # @return [Set<String>] ids of steps whose needs are done, so that they may stand on the
      #   day that was chosen last; what comes first in front
      def ready = ready_places.sort_by { |at| order(at) }.to_set { |at| @tasks[at].id }

      # @param room [Rational] minutes
      # @param without [#include?, nil] ids that may not stand on this day
      # @param put [Array<Task>] what stands there already
      # @return [Array<Task>] the steps of a day beside those, in the order they
      #   were chosen
      def choose(room, without: nil, put: [])
        @chains ? @needs.renew(@chains, @left, @changed) : @chains = @needs.chains(@left)
        @changed = []
        put = put.map { |task| @needs.place(task.id) }
        ready = ready_places - put
        ready.reject! { |at| without.include?(@tasks[at].id) } if without
        pick(ready.sort_by! { |at| order(at) }, room, put).map do |at, minutes|
          next_day_at(at).then { |task| task.shrinks? ? task.fitting(minutes) : task }
        end
      end

      # @param chosen [Array<Task>] of one day
      # @return [void]
      def add(chosen)
        places = chosen.map { |task| @needs.place(task.id) }
        places.each do |at|
          good_day(at) if @left[at].positive?
          @begun[at] = true
        end
        @open -= places.select { |at| @left[at].zero? }
      end

      # @param id [String]
      # @return [Array<String>] ids of what it needs, or of what fell behind and all that rests
      #   on it waits for, as far as they have good days to go
      def open_needs(id)
        at = @needs.place(id)
        (
          @tasks[at].needs |
            @needs.rests_on(id).select { |other| @tasks[@needs.place(other)].fallen }
        ).reject { |other| over?(other) }
      end

      # @return [Integer] good days a step still takes
      def left(id) = @left[@needs.place(id)]

      private

      def next_day_at(at) =
        @tasks[at].after_days([@tasks[at].good_days, @tasks[at].credited].max - @left[at])

      def good_day(at)
        @changed << at
        return unless (@left[at] -= 1).zero?

        @fallen &= ~(1 << at)
        @needs.later_needs[at].each { |other| @unmet[other] -= 1 }
      end

      def ready_places =
        @open.select do |at|
          @unmet[at].zero? && (@fallen.zero? || (@needs.rests[at] & @fallen).zero?)
        end

      # One number to sort by: where sections have turns, what was begun and then the turn; the
      # longest chain, then those begun, then hard places, then the order of the piece.
      def order(at)
        number =
          (((((rank(at) * MOST) - @chains[at]) * 4) + (@begun[at] ? 0 : 2)) * @tasks.size) +
            @last[at]
        @priority ? number - (@tasks[at].priority * MOST**3) : number
      end

      # More than any chain has days, or any piece sections.
      MOST = 100_000
      NEW = MOST / 2
      private_constant :MOST, :NEW

      # What has no turn stands with the first of what is new.
      def rank(at)
        turn = @turns[at] or return NEW

        @begun[at] ? turn : turn + NEW
      end

      # The first that fits, again and again, since one that is taken may let
      # another stand behind it.
      def pick(ready, room, put)
        chosen = put.to_h { |at| [at, 0r] }
        starts = put.count { |at| !@begun[at] }
        while (at = ready.find { |one| may_stand?(one, chosen, room, starts) })
          starts += 1 unless @begun[at]
          chosen[at] = takes(at, room)
          room -= chosen[at]
          ready.delete(at)
        end
        chosen.drop(put.size)
      end

      # As few minutes as it may stand for.
      def minutes_at(at) = minutes_of(@least[at], at)

      # Steps of one sitting, and those up the metronome, take all they want as far as it is there,
      # others what they are.
      def takes(at, room)
        @tasks[at].shrinks? ? [minutes_of(@tasks[at], at), room].min : minutes_at(at)
      end

      def minutes_of(task, at) =
        if task.first.empty?
          task.minutes
        else
          task.minutes_after([task.good_days, task.credited].max - @left[at])
        end

      def may_stand?(at, chosen, room, starts)
        (@begun[at] || starts < @begin_per_day) && minutes_at(at) <= room &&
          @needs.after[at].all? { |other| @left[other].zero? || chosen.key?(other) }
      end
    end
  end
end
