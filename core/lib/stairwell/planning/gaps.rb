# frozen_string_literal: true

module Stairwell
  module Planning
    # What room each day left, and which steps could have stood there.
    class Gaps
      # A day on which a step could have stood: the minutes it takes there, those it lacked, and
      # whether the day already began as many steps as it may.
      Gap = Stairwell.value(:date, :minutes, :lacking, :full)

      # @param practice [Practice]
      def initialize(practice)
        @most = practice.begin_per_day
        @days = []
      end

      # @param room [Rational] minutes that were left
      # @param ready [Hash{String => Rational}] minutes of steps that could have stood, by id
      # @param steps [Array<Task>] that did
      # @param begun [Integer] how many of them began
      # @return [void]
      def note(date, room, ready, steps, begun:)
        @days << [date, [room, 0r].max, ready.except(*steps.map(&:id)), begun >= @most]
      end

      # @return [Boolean] whether there was a day with room for a step that might not begin
      def full? =
        @days.any? do |_, room, ready, full|
          full && ready.each_value.any? { |minutes| minutes <= room }
        end

      # @param task [Task]
      # @return [Gap, nil] of the day on which the least was missing
      def smallest(task)
        @days
          .filter_map do |date, room, ready, full|
            (minutes = ready[task.id]) &&
              Gap.new(
                date: date,
                minutes: minutes,
                lacking: [minutes - room, 0r].max,
                full: full && !task.begun?
              )
          end
          .min_by { |gap| [gap.full ? 1 : 0, gap.lacking, gap.date] }
      end
    end
  end
end
