# frozen_string_literal: true

module Stairwell
  module Planning
    # What a teacher does to an item of a week, as changes to the list of wishes.
    # Each stroke takes the list and gives a new one.
    module Strokes
      ALL = %i[pin loosen move drop leave_out resize add take_out].freeze

      module_function

      # @param wishes [Array<Wish>]
      # @param stroke [Symbol] of {ALL}
      # @param said [Hash] id:, date:, to:, repetitions:, minutes:, title: as the
      #   stroke needs them
      # @return [Array<Wish>]
      # @raise [ContradictionError] for an unknown stroke or one without its day
      def draw(wishes, stroke, **said)
        raise ContradictionError, "There is no stroke “#{stroke}”." unless ALL.include?(stroke)

        public_send(stroke, wishes, **said.compact)
      rescue ArgumentError
        raise ContradictionError, "“#{stroke}” needs the item, its day, and where it goes."
      end

      # Keeps an item where it stands.
      def pin(wishes, id:, date:) = [*off_the_day(wishes, id, date), Wish.new(kind: :on, id: id, date: date)]

      # Gives an item back to the planner: on one day, or wherever it was kept off
      # and put.
      def loosen(wishes, id:, date: nil) = wishes.reject { |one| one.id == id && (date.nil? || one.date == date) }

      def move(wishes, id:, date:, to:)
        own = at(wishes, id, date)
        return wishes.map { |one| (one == own) ? one.with(date: to) : one } if own&.kind == :extra
        return wishes if date == to

        moved = own ? own.with(date: to) : Wish.new(kind: :on, id: id, date: to)
        [*off_the_day(off_the_day(wishes, id, date), id, to), Wish.new(kind: :off, id: id, date: date), moved]
      end

      # Not on this day.
      def drop(wishes, id:, date:)
        return take_out(wishes, id: id, date: date) if at(wishes, id, date)&.kind == :extra

        [*off_the_day(wishes, id, date), Wish.new(kind: :off, id: id, date: date)]
      end

      # Not this week.
      def leave_out(wishes, id:) = [*loosen(wishes, id: id), Wish.new(kind: :off, id: id)]

      # More or fewer repetitions or minutes on one day.
      def resize(wishes, id:, date:, repetitions: nil, minutes: nil)
        own = at(wishes, id, date)
        return wishes.map { |one| (one == own) ? one.with(minutes: minutes) : one } if own&.kind == :extra

        [*off_the_day(wishes, id, date), Wish.new(kind: :on, id: id, date: date, repetitions: repetitions, minutes: minutes)]
      end

      # A thing of the teacher's own.
      def add(wishes, id:, date:, title:, minutes:) = [*wishes, Wish.new(kind: :extra, id: id, date: date, title: title, minutes: minutes)]

      def take_out(wishes, id:, date:) = wishes.reject { |one| one.id == id && one.date == date }

      def at(wishes, id, date) = wishes.find { |one| one.id == id && one.date == date && one.kind != :off }

      # Without what was said of an item for a day, or for the whole week.
      def off_the_day(wishes, id, date) = wishes.reject { |one| one.id == id && (one.date == date || one.date.nil?) }
      private_class_method :at, :off_the_day
    end
  end
end
