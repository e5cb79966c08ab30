# frozen_string_literal: true

module Stairwell
  module Planning
    # In which order the steps of one day are practised: hard places first while one is fresh,
    # the rest in the order of the piece, a join behind its section, pieces by turns, and each
    # step after what must come before it in the sitting.
    module Sitting
      module_function

      # @param chosen [Array<Task>] of one day
      # @param rank [Hash{String => Integer}] places in the order of the pieces
      # @return [Array<Task>]
      def order(chosen, rank)
        waiting = hard_first(chosen, rank)
        ids = chosen.to_set(&:id)
        ordered = []
        until waiting.empty?
          ordered << waiting.delete(
            waiting.find { |task| task.after.none? { |id| ids.include?(id) } }
          )
          ids.delete(ordered.last.id)
        end
        ordered
      end

      def hard_first(chosen, rank)
        chosen
          .partition { |task| task.hard && !task.join }
          .flat_map do |tasks|
            by_turns(tasks.group_by(&:group).values.map { |all| of_piece(all, rank) })
          end
      end

      def of_piece(tasks, rank)
        ends =
          tasks
            .reject(&:join)
            .group_by(&:section)
            .transform_values { |all| all.map { |task| rank[task.id] }.max }
        tasks.sort_by do |task|
          if task.join
            [ends.fetch(task.section, rank[task.id]), 1, rank[task.id]]
          else
            [rank[task.id], 0, 0]
          end
        end
      end

      # One of each in turn.
      def by_turns(lists) =
        lists.map(&:size).max.to_i.times.flat_map { |at| lists.filter_map { |list| list[at] } }
      private_class_method :hard_first, :of_piece, :by_turns
    end
  end
end
