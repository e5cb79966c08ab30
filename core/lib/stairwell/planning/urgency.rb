# frozen_string_literal: true

module Stairwell
  module Planning
    # A piece that would be late in its turn goes before the others.
    module Urgency
      module_function

      # @param tasks [Array<Task>] of all pieces
      # @param due [Hash{Object => Date}] by group, where a piece has a due date
      # @param group [Proc] of a task's id
      # @param more [Hash] practice:, from:, next_lesson:, warm_ups:
      # @return [Array<Task>] those of late pieces a priority higher, and why
      def call(tasks, due:, group:, practice:, from:, next_lesson:, warm_ups: [])
        return tasks if due.empty? || tasks.map { |task| group.call(task.id) }.uniq.size < 2

        ends =
          Horizon
            .new(tasks, practice, warm_ups: warm_ups, group: group)
            .finish(from, next_lesson)
            .groups
        late = due.select { |key, date| ends.key?(key) ? ends[key].date > date : true }
        return tasks if late.empty?

        tasks.map do |task|
          date = late[group.call(task.id)]
          if date
            task.with(
              priority: task.priority + 1,
              because:
                Phrase.list(
                  [
                    task.because,
                    Phrase["planning.urgency.late", day: Phrase.day(date, :day_and_month)]
                  ].compact,
                  by: :semicolon
                )
            )
          else
            task
          end
        end
      end
    end
  end
end
