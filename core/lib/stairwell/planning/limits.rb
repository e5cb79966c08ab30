# frozen_string_literal: true

module Stairwell
  module Planning
    # Says what limits a week whose days what is needed does not fill, and what it would hold
    # without that.
    class Limits
      # @param tasks [Array<Task>]
      # @param practice [Practice]
      # @param days [Array<Day>] with what is needed
      # @param blockers [Blockers]
      # @param full [Boolean] whether on a day with room no more steps could begin
      # @yieldparam tasks [Array<Task>] as they might be
      # @yieldparam practice [Practice] as it might be
      # @yieldreturn [Array<Day>] the days as they would be then
      def initialize(tasks, practice, days, blockers:, full:, &planned)
        @tasks = tasks
        @practice = practice
        @days = days
        @blockers = blockers
        @full = full
        @planned = planned
      end

      # @return [Array<Limit>]
      def to_a
        return [] if @days.empty? || needed(@days) >= Constants::FILLED * budget

        [beginnings, *introductions, nothing].compact
      end

      private

      def needed(days) = days.sum(0r, &:minutes) / days.size

      def budget = @days.sum(0r) { |day| @practice.budget(day.date) } / @days.size

      def beginnings
        return unless @full && @practice.begin_per_day < Constants::MOST_BEGIN

        lifted(:begin, @tasks, @practice.with(begin_per_day: @practice.begin_per_day + 1))
      end

      # The next thing of each piece that waits for it.
      def introductions
        waiting = @tasks.filter_map { |task| @blockers[task.id] }.reject(&:introduced).uniq(&:id)
        waiting.group_by(&:group).map { |group, roots| introduction(group, roots.min_by(&:lesson)) }
      end

      def introduction(group, root)
        shown =
          @tasks.map do |task|
            (task.group == group && task.lesson == root.lesson) ? task.with(introduced: true) : task
          end
        lifted(:introduce, shown, @practice, id: [*root.parts, root].first.id)
      end

      def nothing =
        (
          if !@full && @tasks.none? { |task| @blockers[task.id] }
            Limit.new(kind: :nothing, needed: needed(@days))
          end
        )

      # Nothing where it would hold no more.
      def lifted(kind, tasks, practice, **said)
        minutes = needed(@planned.call(tasks, practice))
        if minutes > needed(@days)
          Limit.new(kind: kind, needed: needed(@days), lifted: minutes, **said)
        end
      end
    end
  end
end
