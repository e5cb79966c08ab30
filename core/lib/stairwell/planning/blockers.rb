# frozen_string_literal: true

module Stairwell
  module Planning
    # Steps that stand on no day as things are: those longer than any day after
    # its warm-ups, those not introduced yet, and what waits for them.
    class Blockers
      # @param tasks [Array<Task>]
      # @param needs [Needs]
      # @param practice [Practice]
      # @param warm_ups [Array<WarmUp>]
      def initialize(tasks, needs, practice, warm_ups)
        most = practice.most - warm_ups.sum(0r, &:minutes)
        @blockers =
          needs
            .in_order
            .each_with_object({}) do |task, found|
              next if task.remaining.zero?

              own = task if practice.least(task).longest > most || !task.introduced
              blocker =
                own ||
                  found
                    .values_at(*task.needs, *task.after)
                    .compact
                    .min_by { |one| one.introduced ? 0 : 1 }
              found[task.id] = blocker if blocker
            end
        @practice = practice
        @most = most
      end

      # @return [Task, nil] what keeps a step from standing; itself, or what it
      #   waits for
      def [](id) = @blockers[id]

      # @return [Set<String>]
      def ids = @blockers.keys.to_set

      # @return [Boolean] whether something is too long for any day
      def never? = @blockers.values.any? { |one| @practice.least(one).longest > @most }
    end
  end
end
