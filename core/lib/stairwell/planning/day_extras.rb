# frozen_string_literal: true

module Stairwell
  module Planning
    # What stands beside the steps of a day: warm-ups, reviews that are due, other
    # work, and what the teacher added. It remembers from day to day what has
    # stood already.
    class DayExtras
      # @param practice [Practice]
      # @param overrides [Overrides]
      # @param reasons [Reasons]
      def initialize(
        practice,
        overrides,
        reasons,
        reviews: [],
        warm_ups: [],
        extra_work: [],
        runs: []
      )
        @practice = practice
        @overrides = overrides
        @reasons = reasons
        @review_of = reviews.to_h { |one| [one.id, one] }
        @reviews = reviews.reject { |one| overrides.out?(one.id) }.sort_by(&:due)
        @warm_ups = warm_ups
        @runs = runs.reject { |one| overrides.out?(one.id) }
        @extra_work = extra_work.reject { |one| overrides.out?(one.id) }.to_h { |other| [other, 0] }
      end

      # @return [Boolean] whether an id is a review's
      def review?(id) = @review_of.key?(id)

      # @return [Array<Item>] as many as there is time for
      def warm_ups(date)
        room = @practice.budget(date)
        @warm_ups.filter_map do |one|
          override = @overrides.override(one.id, date)
          minutes = override&.minutes || one.minutes
          next if @overrides.off?(one.id, date) || (minutes > room && !override)

          room -= minutes
          Item.new(
            id: one.id,
            kind: :warm_up,
            minutes: minutes,
            why: Phrase["planning.day_extras.begins_every_day"],
            pinned: !override.nil?
          )
        end
      end

      # @return [Array<Item>] reviews and other work the teacher put on the day
      def put(date)
        @overrides
          .on(date)
          .filter_map do |override|
            next put_review(override, date) if review?(override.id)

            other = @extra_work.keys.find { |one| one.id == override.id } || next
            @extra_work[other] += 1
            Item.new(
              id: other.id,
              kind: :extra_work,
              minutes: override.minutes || other.minutes,
              why: Phrase["planning.day_extras.you_put_it_here"],
              pinned: true
            )
          end
      end

      # @return [Array<Item>] the teacher's own things
      def extras(date)
        @overrides
          .extras(date)
          .map do |one|
            Item.new(
              id: one.id,
              kind: :added,
              title: one.title,
              minutes: one.minutes,
              why: Phrase["planning.day_extras.you_added_it"],
              pinned: true
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
               taken.none? { |other| other.id == one.id } && free?(one, date) &&
               @overrides.later(one.id, date).zero?
            taken << one
          end
        end
        @reviews -= taken
        taken.map { |one| review(one, date) }
      end

      # Evenly over the week: by each day as many as its share of the days.
      # @param room [Rational] minutes
      # @param share [Rational] of the week's days, this one counted
      # @return [Array<Item>]
      def extra_work(date, room, share)
        @extra_work.filter_map do |other, done|
          if other.minutes > room || done + @overrides.later(other.id, date) >= other.times ||
               done >= (other.times * share).ceil || !free?(other, date)
            next
          end

          room -= other.minutes
          @extra_work[other] += 1
          Item.new(
            id: other.id,
            kind: :extra_work,
            minutes: other.minutes,
            why: Phrase["planning.day_extras.times_a_week", count: other.times]
          )
        end
      end

      # @param room [Rational] minutes
      # @return [Array<Item>] of the last practice day
      def runs(date, room)
        @runs.filter_map do |one|
          next if one.minutes > room || !free?(one, date)

          room -= one.minutes
          Item.new(
            id: one.id,
            kind: :run,
            minutes: one.minutes,
            repetitions: 1,
            why: Phrase["planning.day_extras.the_week_ends_with_what_is"]
          )
        end
      end

      private

      # Whether the planner may choose it for a day by itself.
      def free?(one, date) =
        !@overrides.off?(one.id, date) && @overrides.override(one.id, date).nil?

      def put_review(override, date)
        one = @reviews.find { |each| each.id == override.id } || @review_of[override.id]
        @reviews -= [one]
        repetitions = override.repetitions || one.repetitions
        review(
          one,
          date,
          repetitions: repetitions,
          minutes: one.minutes * repetitions / one.repetitions,
          pinned: true
        )
      end

      def review(one, date, **more)
        Item.new(
          id: one.id,
          kind: :review,
          minutes: one.minutes,
          repetitions: one.repetitions,
          why: @reasons.due(one, date),
          **more
        )
      end
    end
  end
end
