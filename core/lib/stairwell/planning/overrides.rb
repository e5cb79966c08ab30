# frozen_string_literal: true

module Stairwell
  module Planning
    # What the teacher's hand wrote into a week. The planner keeps all of it and
    # fills the rest around it.
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

      # @return [Boolean] whether an item is left out of the whole week
      def out?(id) = @off.include?([id, nil])

      # @return [Boolean] whether it was taken off any day
      def touched?(id) = @off.any? { |other, _| other == id }

      # @param date [Date]
      # @return [Integer] days after that date on which an item is put
      def later(id, date)
        @later ||= @on.flat_map { |day, all| all.map { |one| [one.id, day] } }.group_by(&:first)
        @later.fetch(id, []).count { |_, day| day > date }
      end

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
