# frozen_string_literal: true

module Stairwell
  module Studio
    # What changed between two plans of a week, in words.
    module WeekChange
      module_function

      # @param before [Planning::PlannedWeek]
      # @param after [Planning::PlannedWeek]
      # @return [Array<String>]
      def words(before, after)
        was, now = [before, after].map { |week| standing(week) }
        (was.keys | now.keys)
          .filter_map { |id| told(was[id], now[id]) }
          .first(Constants::CHANGES_TOLD)
      end

      # @return [Hash{String => Array(String, Array<Date>)}] title and dates by id
      def standing(week)
        week
          .days
          .flat_map do |day|
            day
              .items
              .reject { |item| item.kind == :more }
              .map { |item| [item.id, item.title, day.date] }
          end
          .group_by(&:first)
          .transform_values { |all| [all.first[1], all.map(&:last)] }
      end

      def told(was, now)
        return if was&.last == now&.last
        unless was
          return Phrase["studio.week_change.comes_in", title: now.first, days: days(now.last)]
        end
        return Phrase["studio.week_change.is_out_of_the_week", title: was.first] unless now

        Phrase[
          "studio.week_change.instead_of",
          title: now.first,
          days: days(now.last),
          instead: days(was.last)
        ]
      end

      def days(dates) =
        Phrase.list(dates.map { |date| Phrase.day(date, :short_weekday) }, by: :comma)
      private_class_method :standing, :told, :days
    end
  end
end
