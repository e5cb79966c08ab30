# frozen_string_literal: true

module Stairwell
  module Planning
    # The usual chart of practice: everything in hand, so many times, every day.
    module Chart
      # Where the day is short, all of them lose one repetition after another, down to
      # {Task#least}.
      #
      # @param tasks [Array<Task>] which fit with as few repetitions as they may have
      # @param room [Rational] minutes
      # @return [Array<Task>] with the most repetitions for which there is room
      def self.sized(tasks, room)
        fewest = tasks.map { |task| task.least.repetitions }
        fewer = tasks.zip(fewest).map { |task, count| task.repetitions - count }.max.to_i
        sizes =
          (0..fewer).lazy.map do |less|
            tasks.zip(fewest).map { |task, count| task.times([task.repetitions - less, count].max) }
          end
        sizes.find { |sized| sized.sum(0r, &:minutes) <= room } || tasks.map(&:least)
      end
    end
  end
end
