# frozen_string_literal: true

module Stairwell
  module Planning
    # What a day leaves when all that is needed stands: minutes, and what may still be added
    # there.
    class Left
      # @return [Date]
      attr_reader :date
      # @return [Rational] minutes
      attr_reader :room

      # @param date [Date]
      # @param room [Rational] minutes
      # @param budget [Rational] minutes the day has
      # @param candidates [Array<More>]
      # @param whole [Boolean] whether it is filled to its end, with however many things
      def initialize(date, room, budget, candidates, whole: false)
        @date = date
        @room = room
        @budget = budget
        @candidates = candidates
        @whole = whole
        # A value's own hash is worked out from all that is in it.
        @added = {}.compare_by_identity
      end

      # Takes the best that fits.
      #
      # @yieldparam more [More]
      # @yieldreturn [Numeric] what a minute of it is worth
      # @return [More, nil] nil where nothing is taken
      def take(&)
        return if enough?

        @candidates.select! { |one| one.fitting(@room) }
        best = @candidates.max_by(&)
        return if best.nil? || yield(best).zero?

        @added[best] = best.fitting(@room)
        @room -= best.minutes(@added[best])
        @candidates.reject! { |one| one.played_in?(best.id) || best.played_in?(one.id) }
        best
      end

      # @return [Array<Item>] in the order of {Constants::WORTH}
      def items =
        @added
          .sort_by { |one, _| Constants::WORTH.keys.index(one.kind) }
          .map { |one, count| one.item(count) }

      private

      def enough? =
        !@whole && @added.size * Constants::ADDED_EVERY >= @budget &&
          @room <= (1 - Constants::FILLED) * @budget
    end
  end
end
