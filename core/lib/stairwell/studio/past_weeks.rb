# frozen_string_literal: true

module Stairwell
  module Studio
    # The weeks of a student from lesson to lesson.
    class PastWeeks
      # What was counted of a step on a day.
      Counted = Stairwell.value(:assignment_id, :step_id, :date, :repetitions, :struggle)

      # @param record [Record]
      # @param counted [Array<Counted>] of the last weeks, of pieces that ended too
      def initialize(record, counted)
        @weeks = record.weeks.begun(record.today).first(Constants::PAST_WEEKS)
        @counted = counted.to_h { |one| [[one.assignment_id, one.step_id, one.date], one] }
        of_day = counted.group_by(&:date)
        @by_date = of_day.transform_values { |all| all.sum(&:repetitions) }
        @struggles = of_day.select { |_, all| all.any?(&:struggle) }.keys.to_set
      end

      # @return [Array<PastWeek>] the newest first
      def to_a = @weeks.map { |week| week(week) }

      private

      def week(week)
        days =
          week.days.map { |day| [day.date, day.tapped.map { |item| [item, done(item, day.date)] }] }
        boxes = days.map { |date, items| box(date, items) }
        PastWeek.new(
          starts: week.days.first&.date || week.starts,
          next_lesson: week.next_lesson,
          boxes: boxes,
          planned: days.count { |_, items| items.any? },
          practised: boxes.count { |one| one.repetitions.positive? },
          minutes:
            days.sum(0r) do |_, items|
              items.sum(0r) { |item, done| item.minutes * share(item, done) }
            end,
          planned_minutes:
            days.sum(0r) { |_, items| needed(items).sum(0r) { |item, _| item.minutes } },
          steps: steps(days.flat_map(&:last))
        )
      end

      def done(item, date) = @counted[[*item.key, date]]&.repetitions || 0

      def share(item, done) = Rational([done, item.repetitions].min, item.repetitions)

      def box(date, items)
        DayBox.new(
          date: date,
          planned: items.any?,
          of: needed(items).sum { |item, _| item.repetitions },
          repetitions: @by_date.fetch(date, 0),
          struggle: @struggles.include?(date)
        )
      end

      # What is there while there is time counts where it was done, and is missed nowhere.
      def needed(items) = items.select { |item, _| item.step? }

      def steps(items)
        items
          .select { |item, done| item.step? || done.positive? }
          .group_by { |item, _| item.key }
          .values
          .map do |all|
            item = all.first.first
            PastStep.new(
              title: item.title,
              piece: item.piece,
              done: all.sum(&:last),
              of: all.sum { |one, _| one.repetitions }
            )
          end
      end
    end
  end
end
