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
        among
          .filter_map do |id|
            (at = needs.place(id)) &&
              Found.new(
                id: id,
                days: chains[at],
                waiting: behind[id].count { |other| tasks[needs.place(other)].remaining.positive? }
              )
          end
          .sort_by
          .with_index { |found, at| [-found.waiting, -found.days, at] }
      end

      # @return [Hash{String => Set<String>}] all that waits for a step, directly
      #   or not
      def followers(tasks)
        next_of = Hash.new { |all, id| all[id] = [] }
        tasks.each { |task| (task.needs + task.after).each { |id| next_of[id] << task.id } }
        found = {}
        collect = ->(id) do
          found[id] ||= next_of[id].to_set.merge(
            next_of[id].flat_map { |other| collect[other].to_a }
          )
        end
        tasks.to_h { |task| [task.id, collect[task.id]] }
      end
      private_class_method :followers
    end
  end
end
