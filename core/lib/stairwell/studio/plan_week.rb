# frozen_string_literal: true

module Stairwell
  module Studio
    # Plans a student's week over all their pieces, from what was heard and
    # practised so far, and around what the teacher changed by hand.
    module PlanWeek
      module_function

      # @param record [Record]
      # @param from [Date] the first day that may be practised
      # @param same_as [Planning::PlannedWeek, nil] the week under way, whose rows stay
      # @return [Planning::PlannedWeek] from that day on
      def ahead(record, from:, same_as: nil) =
        Workload.new(record, from: from).planned_week(same_as: same_as)

      # Days of the same week that have gone by, and today once something was
      # practised, stay as they were shown.
      #
      # @return [Planning::PlannedWeek] to be kept
      def anew(record, from: record.first_day)
        from += 1 if from == record.today && record.practised_today?
        ahead(record, from: from).after(mended(record, record.weeks.newest))
      end

      # A week without a lesson at its end is over by itself, and the next one begins.
      #
      # @param week [Planning::PlannedWeek, nil]
      # @return [Planning::PlannedWeek, nil]
      def going_on(record, week) =
        if week && !week.with_lesson && week.next_lesson <= record.today
          ahead(record, from: record.today)
        else
          week
        end

      # When days were missed or went badly, the days that are left are planned anew
      # from how it stood when today began, so that nothing moves while today's boxes
      # are ticked. Nothing is kept.
      #
      # @param record [Record]
      # @param week [Planning::PlannedWeek, nil] under way
      # @return [Planning::PlannedWeek, nil]
      def mended(record, week)
        on = going_on(record, week)
        if !on.equal?(week) || week.nil? || week.next_lesson <= record.today ||
             !missed?(record, week)
          return on
        end

        ahead(record.before_today, from: record.today, same_as: week).after(week)
      end

      # Whether a day since the last planning lacks a good day that was planned.
      def missed?(record, week)
        gone = week.days.select { |day| day.date.between?(week.planned_from, record.today - 1) }
        gone.any? do |day|
          day.steps.any? { |item| item.kind == :step && !good?(record.standing(item), day.date) }
        end
      end

      def good?(standing, date) =
        standing.nil? || standing.done? || standing.good_dates.include?(date)
      private_class_method :missed?, :good?
    end
  end
end
