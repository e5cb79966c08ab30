# frozen_string_literal: true

module Stairwell
  module Planning
    # Which step of those under way decides most about what comes: the one that
    # the longest chain of good days hangs on.
    module Decisive
      # The step, the good days of work that hang on it, and how many later steps.
      Found = Stairwell.value(:id, :days, :waiting)

      module_function

      # @param tasks [Array<Task>]
      # @param among [Array<String>] ids that can be heard
      # @return [Array<Found>] of those, the most decisive first
      def rank(tasks, among)
        needs = Needs.new(tasks)
        chains = needs.chains(tasks.map(&:remaining))
        behind = followers(tasks)
        among.filter_map { |id| (at = needs.place(id)) && Found.new(id: id, days: chains[at], waiting: behind[id].count { |other| tasks[needs.place(other)].remaining.positive? }) }
          .sort_by.with_index { |found, at| [-found.waiting, -found.days, at] }
      end

      # @return [Hash{String => Set<String>}] all that waits for a step, directly
      #   or not
      def followers(tasks)
        next_of = Hash.new { |all, id| all[id] = [] }
        tasks.each { |task| (task.needs + task.after).each { |id| next_of[id] << task.id } }
        found = {}
        collect = ->(id) { found[id] ||= next_of[id].to_set.merge(next_of[id].flat_map { |other| collect[other].to_a }) }
        tasks.to_h { |task| [task.id, collect[task.id]] }
      end
      private_class_method :followers
    end

    # What to leave out when a day went badly: things that keep and polish before
    # things that others wait for.
    module Skip
      # Minutes of a day that stay, at least, as a share. Own choice.
      KEPT = 1/2r

      module_function

      # @param items [Array<Item>] of the day, in its order
      # @param waiting [Hash{String => Integer}] later steps by id
      # @return [Array<String>] ids to skip, until half of the day is left
      def of(items, waiting = {})
        total = items.sum(0r, &:minutes)
        left = total
        order = items.reject { |one| one.kind == :added }.sort_by.with_index { |one, at| [rank(one), waiting.fetch(one.id, 0), -at] }
        order.take_while { |one| (left - one.minutes >= total * KEPT).tap { |fits| left -= one.minutes if fits } }.map(&:id)
      end

      # Extra work and runs go first, then reviews, then what is new; what was begun
      # stays longest.
      def rank(item)
        {extra_work: 0, run: 1, review: 2, warm_up: 3}.fetch(item.kind) { item.begins ? 4 : 5 }
      end
      private_class_method :rank
    end
  end
end
