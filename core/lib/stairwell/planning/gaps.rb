# frozen_string_literal: true

module Stairwell
  module Planning
    # What room each day left, and which steps could have stood there.
    class Gaps
      # A day on which a step could have stood: the minutes it lacked, and whether
      # the day already began as many steps as it may.
      Gap = Stairwell.value(:date, :lacking, :full)

      # @param practice [Practice]
      def initialize(practice)
        @most = practice.begin_per_day
        @days = []
      end

      # @param room [Rational] minutes that were left
      # @param ready [Set<String>] ids of steps that could have stood
      # @param steps [Array<Item>] that did
      # @return [void]
      def note(date, room, ready, steps)
        @days << [date, [room, 0r].max, ready - steps.map(&:id), steps.count(&:begins) >= @most]
      end

      # @param by_id [Hash{String => Task}]
      # @return [Boolean] whether there was a day with room for a step that might not begin
      def full?(by_id) = @days.any? { |_, room, ready, full| full && ready.any? { |id| by_id[id].minutes <= room } }

      # @param task [Task]
      # @return [Gap, nil] of the day on which the least was missing
      def smallest(task)
        @days.filter_map { |date, room, ready, full|
          Gap.new(date: date, lacking: [task.minutes - room, 0r].max, full: full && !task.begun?) if ready.include?(task.id)
        }.min_by { |gap| [gap.full ? 1 : 0, gap.lacking, gap.date] }
      end
    end
  end
end
