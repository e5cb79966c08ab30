# frozen_string_literal: true

module Stairwell
  module Studio
    # The weeks of a student as they were planned, the last plan of each.
    class Weeks
      # One of them: `id` grows with each plan that was kept, `begins` is the first
      # day of its first plan.
      Kept = Stairwell.value(:id, :begins, :week)

      # @param kept [Array<Kept>]
      def initialize(kept = [])
        @kept = kept.sort_by { |one| [one.begins, one.id] }
      end

      # @param today [Date]
      # @return [Planning::PlannedWeek, nil] the newest week that has begun
      def under_way(today) = @kept.reverse.find { |one| one.begins <= today }&.week

      # @return [Planning::PlannedWeek, nil] the newest plan, begun or not
      def newest = @kept.last&.week

      # @param today [Date]
      # @return [Array<Planning::PlannedWeek>] those that have begun, the newest first
      def begun(today) = @kept.select { |one| one.begins <= today }.map(&:week).sort_by(&:next_lesson).reverse

      # @param date [Date]
      # @return [Array<Planning::PlannedWeek>] those whose lesson is after it
      def since(date) = @kept.map(&:week).select { |week| week.next_lesson > date }

      # @param week [Planning::PlannedWeek]
      # @return [Weeks] with that plan in place of the one of the same week
      def with(week)
        before, others = @kept.partition { |one| one.week.next_lesson == week.next_lesson }
        begins = [*before.map(&:begins), week.planned_from].min
        Weeks.new([*others, Kept.new(id: (@kept.map(&:id).max || 0) + 1, begins: begins, week: week)])
      end
    end
  end
end
