# frozen_string_literal: true

module Stairwell
  module Studio
    # A teacher changes the week by hand, and the rest is planned around it.
    class ChangeWeek
      # @param record [Record]
      def initialize(record)
        @record = record
      end

      # @param edit [Symbol] of {Planning::OverrideEdits}, or :set with overrides: as
      #   they were, to undo
      # @param starts [Date] first day of the week that is shown
      # @param seen [Integer] version of the changes that is shown
      # @param said [Hash] id:, date:, to:, repetitions:, minutes:, title:
      # @return [Change]
      # @raise [RefusedError] when it makes no sense
      def call(edit:, starts:, seen:, overrides: [], **said)
        # Today, or tomorrow on a lesson day.
        from = starts.between?(@record.today, @record.today + 1) ? starts : @record.today
        next_lesson = @record.plan_end(from)
        before = @record.overrides_of(next_lesson)
        after =
          (edit == :set) ? overrides : Planning::OverrideEdits.draw(before.overrides, edit, **said)
        if after.size > Constants::MOST_OVERRIDES
          raise RefusedError.new(
                  Phrase["studio.change_week.that_is_more_than_a_week"],
                  code: :too_many,
                  field: "overrides"
                )
        end

        record =
          @record.with_overrides(
            next_lesson,
            WeekOverrides.new(overrides: after, version: seen + 1)
          )
        Change.new(
          record: record,
          overrides: [next_lesson, before.with(version: seen), after]
        ).planned(from: from)
      rescue ContradictionError => error
        raise RefusedError.new(error.message, code: :edit, field: "edit")
      end
    end
  end
end
