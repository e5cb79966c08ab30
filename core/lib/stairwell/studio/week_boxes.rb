# frozen_string_literal: true

module Stairwell
  module Studio
    # The days of the week under way, each as one box: how many of its steps were done.
    module WeekBoxes
      module_function

      # @param record [Record]
      # @return [Array<DayBox>]
      def of(record) = record.week ? record.week.days.map { |day| box(record, day) } : []

      def box(record, day)
        done =
          day.steps.count do |item|
            (tapped = record.standing(item)&.days&.fetch(day.date, nil)) &&
              tapped[:repetitions] >= item.repetitions
          end
        struggle =
          record.pieces.any? do |one|
            one.progress.standings.each_value.any? do |standing|
              standing.days.dig(day.date, :struggle)
            end
          end
        DayBox.new(
          date: day.date,
          planned: true,
          of: [day.steps.size, 1].max,
          repetitions: done,
          struggle: struggle
        )
      end
      private_class_method :box
    end
  end
end
