# frozen_string_literal: true

module Stairwell
  module Planning
    # What stands beside the steps of a day: warm-ups, and reviews that are due. It remembers from
    # day to day what has stood already.
    class DayExtras
      # @param practice [Practice]
      # @param reasons [Reasons]
      # @param reviews [Array<Review>]
      # @param warm_ups [Array<WarmUp>]
      def initialize(practice, reasons, reviews: [], warm_ups: [])
        @practice = practice
        @reasons = reasons
        @reviews = reviews.sort_by(&:due)
        @warm_ups = warm_ups
      end

      # @return [Array<Item>] as many as there is time for
      def warm_ups(date)
        room = @practice.budget(date)
        @warm_ups.filter_map do |one|
          next if one.minutes > room

          room -= one.minutes
          Item.new(
            id: one.id,
            kind: :warm_up,
            minutes: one.minutes,
            why: Phrase["planning.day_extras.begins_every_day"]
          )
        end
      end

      # @param date [Date]
      # @return [Boolean] whether a review is due by then
      def any_due?(date) = !@reviews.empty? && @reviews.first.due <= date

      # One always when it fits, more as long as they take at most a quarter of
      # the day.
      # @param room [Rational] minutes
      # @return [Array<Item>] reviews
      def due(date, room)
        most = @practice.budget(date) * Constants::REVIEWS_OF_A_DAY
        taken = []
        @reviews.each do |one|
          break if one.due > date

          spent = taken.sum(0r, &:minutes) + one.minutes
          if spent <= room && (taken.empty? || spent <= most) &&
               taken.none? { |other| other.id == one.id }
            taken << one
          end
        end
        @reviews -= taken
        taken.map { |one| review(one, date) }
      end

      private

      def review(one, date) =
        Item.new(
          id: one.id,
          kind: :review,
          minutes: one.minutes,
          repetitions: one.repetitions,
          why: @reasons.due(one, date)
        )
    end
  end
end
