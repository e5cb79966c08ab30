# frozen_string_literal: true

module Stairwell
  module Planning
    # What a teacher does to an item of a week, as changes to the list of overrides.
    # Each edit takes the list and gives a new one.
    module OverrideEdits
      ALL = %i[pin loosen move drop leave_out resize add take_out].freeze

      module_function

      # @param overrides [Array<Override>]
      # @param edit [Symbol] of {ALL}
      # @param said [Hash] id:, date:, to:, repetitions:, minutes:, title: as the
      #   edit needs them
      # @return [Array<Override>]
      # @raise [ContradictionError] for an unknown edit or one without its day
      def draw(overrides, edit, **said)
        unless ALL.include?(edit)
          raise ContradictionError, Phrase["planning.override_edits.there_is_no_edit", edit: edit]
        end

        public_send(edit, overrides, **said.compact)
      rescue ArgumentError
        raise ContradictionError,
              Phrase["planning.override_edits.needs_the_item_its_day_and", edit: edit]
      end

      # Keeps an item where it stands.
      def pin(overrides, id:, date:) =
        [*off_the_day(overrides, id, date), Override.new(kind: :on, id: id, date: date)]

      # Gives an item back to the planner: on one day, or wherever it was kept off
      # and put.
      def loosen(overrides, id:, date: nil) =
        overrides.reject { |one| one.id == id && (date.nil? || one.date == date) }

      def move(overrides, id:, date:, to:)
        own = at(overrides, id, date)
        if own&.kind == :added
          return overrides.map { |one| (one == own) ? one.with(date: to) : one }
        end
        return overrides if date == to

        moved = own ? own.with(date: to) : Override.new(kind: :on, id: id, date: to)
        [
          *off_the_day(off_the_day(overrides, id, date), id, to),
          Override.new(kind: :off, id: id, date: date),
          moved
        ]
      end

      # Not on this day.
      def drop(overrides, id:, date:)
        return take_out(overrides, id: id, date: date) if at(overrides, id, date)&.kind == :added

        [*off_the_day(overrides, id, date), Override.new(kind: :off, id: id, date: date)]
      end

      # Not this week.
      def leave_out(overrides, id:) = [*loosen(overrides, id: id), Override.new(kind: :off, id: id)]

      # More or fewer repetitions or minutes on one day.
      def resize(overrides, id:, date:, repetitions: nil, minutes: nil)
        own = at(overrides, id, date)
        if own&.kind == :added
          return overrides.map { |one| (one == own) ? one.with(minutes: minutes) : one }
        end

        [
          *off_the_day(overrides, id, date),
          Override.new(kind: :on, id: id, date: date, repetitions: repetitions, minutes: minutes)
        ]
      end

      # A thing of the teacher's own.
      def add(overrides, id:, date:, title:, minutes:) =
        [*overrides, Override.new(kind: :added, id: id, date: date, title: title, minutes: minutes)]

      def take_out(overrides, id:, date:) =
        overrides.reject { |one| one.id == id && one.date == date }

      def at(overrides, id, date) =
        overrides.find { |one| one.id == id && one.date == date && one.kind != :off }

      # Without what was said of an item for a day, or for the whole week.
      def off_the_day(overrides, id, date) =
        overrides.reject { |one| one.id == id && (one.date == date || one.date.nil?) }
      private_class_method :at, :off_the_day
    end
  end
end
