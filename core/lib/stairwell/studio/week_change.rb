# frozen_string_literal: true

module Stairwell
  module Studio
    # What changed between two plans of a week, in words.
    module WeekChange
      # Changes that are told. Own choice.
      MOST = 4

      module_function

      # @param before [Planning::PlannedWeek]
      # @param after [Planning::PlannedWeek]
      # @return [Array<String>]
      def words(before, after)
        was, now = [before, after].map { |week| standing(week) }
        (was.keys | now.keys).filter_map { |id| told(was[id], now[id]) }.first(MOST)
      end

      # @return [Hash{String => Array(String, Array<Date>)}] title and dates by id
      def standing(week)
        week.days.flat_map { |day| day.items.map { |item| [item.id, item.title, day.date] } }
          .group_by(&:first).transform_values { |all| [all.first[1], all.map(&:last)] }
      end

      def told(was, now)
        return if was&.last == now&.last
        return "#{now.first} comes in: #{days(now.last)}" unless was
        return "#{was.first} is out of the week" unless now

        "#{now.first}: #{days(now.last)} instead of #{days(was.last)}"
      end

      def days(dates) = dates.map { |date| date.strftime("%a") }.join(", ")
      private_class_method :standing, :told, :days
    end
  end
end
