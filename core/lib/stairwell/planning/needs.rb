# frozen_string_literal: true

require "tsort"

module Stairwell
  module Planning
    # The order that needs impose on tasks.
    class Needs
      include TSort

      # @param tasks [Array<Task>]
      # @raise [ContradictionError] on a circle, an unknown id or one used twice
      def initialize(tasks)
        @tasks = tasks.to_h { |task| [task.id, task] }
        twice = tasks.map(&:id).tally.find { |_, count| count > 1 }
        raise ContradictionError, "The step #{twice.first} stands twice in the list. Give each its own id." if twice

        check_known
        @waiting = {needs: Hash.new { |all, id| all[id] = [] }, after: Hash.new { |all, id| all[id] = [] }}
        tasks.each do |task|
          task.needs.each { |id| @waiting[:needs][id] << task.id }
          task.after.each { |id| @waiting[:after][id] << task.id }
        end
        check_circles
      end

      # For each task the longest chain of good days that still hangs on it, its
      # own included. What merely comes after it in the same sitting can run
      # beside it, so that chain is not added to its own.
      #
      # @yieldparam task [Task]
      # @yieldreturn [Integer] good days it still takes
      # @return [Hash{String => Integer}] days by id
      def chains(&remaining)
        # tsort gives what is needed before what needs it; chains grow backwards.
        tsort.reverse.each_with_object({}) do |id, found|
          later = found.values_at(*@waiting[:needs][id]).max || 0
          found[id] = [remaining.call(@tasks[id]) + later, *found.values_at(*@waiting[:after][id])].max
        end
      end

      # @return [Array<Task>] each after everything it waits for
      def in_order = tsort.map { |id| @tasks[id] }

      private

      def check_known
        @tasks.each_value do |task|
          unknown = (task.needs + task.after).find { |id| !@tasks.key?(id) }
          raise ContradictionError, "The step #{task.id} needs #{unknown}, which is not in the list." if unknown
        end
      end

      def check_circles
        circle = strongly_connected_components.find { |ids| ids.size > 1 } ||
          @tasks.values.find { |task| (task.needs + task.after).include?(task.id) }&.then { |task| [task.id] }
        raise ContradictionError, "These steps wait for each other in a circle: #{circle.join(", ")}." if circle
      end

      def tsort_each_node(&) = @tasks.each_key(&)

      def tsort_each_child(id, &) = (@tasks[id].needs + @tasks[id].after).each(&)
    end
  end
end
