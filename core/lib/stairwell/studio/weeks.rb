# frozen_string_literal: true

module Stairwell
  module Studio
    # The weeks of a student as they were planned, the last plan of each.
    class Weeks
      # One of them: `id` grows with each plan that was kept, `begins` is the first
      # day of its first plan. Most of the weeks that are read are never looked into,
      # so that each is made when it is asked for.
      class Kept
        attr_reader :id, :begins, :next_lesson

        # @param id [Integer]
        # @param begins [Date]
        # @param next_lesson [Date]
        # @param week [Planning::PlannedWeek, #call] or what gives it
        # @param planned_on [Array<Date>, nil] see {#planned_on}
        def initialize(id:, begins:, next_lesson:, week:, planned_on: nil)
          @id = id
          @begins = begins
          @next_lesson = next_lesson
          @planned_on = planned_on
          @given = week
        end

        # @return [Planning::PlannedWeek]
        # @raise [UnreadableError]
        def week = @week ||= @given.respond_to?(:call) ? @given.call : @given

        # @param later [Kept]
        # @return [Boolean] whether that was planned in its stead, to another lesson
        def gives_way_to?(later) =
          next_lesson != later.next_lesson && later.begins >= begins && later.begins < next_lesson

        # @param date [Date]
        # @return [Kept] the same that began then
        def begun(date) =
          Kept.new(
            id: id,
            begins: date,
            next_lesson: next_lesson,
            week: @given,
            planned_on: @planned_on
          )

        # @return [Array<Date>] days something was planned for
        def planned_on = @planned_on ||= week.days.select { |day| day.items.any? }.map(&:date)
      end

      # A plan that was made within another's days and ends with another lesson, as after
      # that lesson was moved, stands in its place.
      # @param kept [Array<Kept>]
      def initialize(kept = [])
        @kept =
          kept
            .sort_by(&:id)
            .each_with_object([]) do |one, weeks|
              before = weeks.select { |week| week.gives_way_to?(one) }
              weeks.reject! { |week| before.include?(week) }
              weeks << (before.empty? ? one : one.begun(before.map(&:begins).min))
            end
            .sort_by { |one| [one.begins, one.id] }
      end

      # @param today [Date]
      # @return [Planning::PlannedWeek, nil] the newest week that has begun
      def under_way(today) = @kept.reverse.find { |one| one.begins <= today }&.week

      # @return [Planning::PlannedWeek, nil] the newest plan, begun or not
      def newest = @kept.last&.week

      # @param today [Date]
      # @return [Array<Planning::PlannedWeek>] those that have begun, the newest first
      def begun(today) =
        @kept.select { |one| one.begins <= today }.sort_by(&:next_lesson).reverse.map(&:week)

      # @param date [Date]
      # @return [Array<Date>] days something was planned for, of the weeks whose lesson is
      #   after it
      def planned_since(date) = @kept.select { |one| one.next_lesson > date }.flat_map(&:planned_on)

      # @param week [Planning::PlannedWeek]
      # @return [Weeks] with that plan in place of the one of the same week
      def with(week)
        before, others = @kept.partition { |one| one.next_lesson == week.next_lesson }
        begins = [*before.map(&:begins), week.planned_from].min
        Weeks.new(
          [
            *others,
            Kept.new(
              id: (@kept.map(&:id).max || 0) + 1,
              begins: begins,
              next_lesson: week.next_lesson,
              week: week
            )
          ]
        )
      end
    end
  end
end
