# frozen_string_literal: true

module Stairwell
  module Studio
    # To which step each row of a week has come, as it was practised.
    class ReachedSteps
      # @param record [Record]
      def initialize(record)
        @record = record
        @week = record.week
        @rows = @week ? @week.rows : []
      end

      # @return [Boolean] whether the week has rows at all
      def rows? = @rows.any?

      # @param key [Array(Integer, String)] of a step
      # @return [Planning::PlannedRow, nil] the row it lies in
      def row(key) = row_of[key]

      # @param key [Array(Integer, String)]
      # @return [Boolean] whether it's what its row has come to on its section
      def reached?(key) = reached.include?(key)

      # @param key [Array(Integer, String)]
      # @return [Integer, nil] the place of its row in the order in which the week comes to them:
      #   what begins on the fourth day is heard after what stands on the first
      def place(key) = (row = row(key)) && in_turn.index(row)

      private

      def in_turn
        @in_turn ||=
          @rows.sort_by.with_index do |row, at|
            [@week.cells(row).map(&:first).min || Constants::MANY_ROWS, at]
          end
      end

      def row_of
        @row_of ||= cells.each_with_object({}) { |(row, item), found| found[item.key] ||= row }
      end

      # In the order of the week. What is only kept fresh is heard where it stands alone.
      def cells =
        @cells ||=
          @rows.flat_map do |row|
            @week
              .cells(row)
              .flat_map(&:last)
              .select { |item| item.is_a?(Planning::PlannedItem) && item.step? }
              .map { |item| [row, item] }
          end

      def reached
        @reached ||=
          cells
            .group_by { |row, item| [row.id, item.section] }
            .values
            .filter_map { |all| last(all.map(&:last).uniq(&:key)) }
            .to_set
      end

      # The last that was practised; the first where none was.
      def last(items)
        practised = items.select { |item| @record.standing(item)&.days.to_h.any? }
        (practised.last || items.first)&.key
      end
    end
  end
end
