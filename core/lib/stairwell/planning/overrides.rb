# frozen_string_literal: true

module Stairwell
  module Planning
    # What the teacher's hand wrote into a week. All of it is kept, and the rest is laid out around
    # it.
    class Overrides
      # @param overrides [Array<Override>]
      def initialize(overrides = [])
        @overrides = overrides
        @on = overrides.select { |one| one.kind == :on }.group_by(&:date)
        @off = overrides.select { |one| one.kind == :off }.to_set { |one| [one.id, one.date] }
      end

      # @return [Array<Override>]
      def to_a = @overrides

      # @return [Boolean]
      def empty? = @overrides.empty?

      # @param date [Date]
      # @return [Array<Override>] what is to stand on the day
      def on(date) = @on.fetch(date, [])

      # @param date [Date]
      # @return [Override, nil] that puts an item on the day
      def override(id, date) = on(date).find { |one| one.id == id }

      # @return [Boolean] whether an item may not stand on the day
      def off?(id, date) = @off.include?([id, nil]) || @off.include?([id, date])

      # @param date [Date]
      # @return [Array<Override>] the teacher's own things of the day
      def extras(date) = @overrides.select { |one| one.kind == :added && one.date == date }

      # @param dates [Array<Date>] the days that are planned
      # @param ids [Set<String>] what can be planned
      # @return [Array<Array(Override, String)>] overrides that lead nowhere, with the
      #   reason; what lies before the first day is over and not one of them
      def unmet(dates, ids)
        @overrides
          .reject { |one| one.date && dates.any? && one.date < dates.first }
          .filter_map do |one|
            if one.date && !dates.include?(one.date)
              [one, Phrase["planning.overrides.no_practice_day", day: Phrase.day(one.date)]]
            elsif one.kind != :added && !ids.include?(one.id)
              [one, Phrase["planning.overrides.it_is_not_among_this_student"]]
            end
          end
      end
    end
  end
end
