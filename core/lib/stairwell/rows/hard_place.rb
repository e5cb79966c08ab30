# frozen_string_literal: true

module Stairwell
  module Rows
    # A spot or a hard join that isn't steady, with all that is done there: of a join into which a
    # hand has to hurry, that hand first.
    class HardPlace < Work
      KIND = :hard_place

      attr_reader :steps

      # @param steps [Array<Practice::Step>] at one place
      def initialize(piece, days, steps)
        super(piece, days)
        @steps = steps
      end

      def id = "#{super}/#{Places.of(steps.first)}"

      def holds?(step) = steps.any? { |one| one.id == step.id }

      private

      # As often once more, then less.
      def rest(_day)
        step = @reached.last or return []

        @rested = @rested.to_i + 1
        [piece.part(step, (@rested == 1) ? Constants::USUAL_TIMES : Constants::FEWER_TIMES)]
      end

      def steps_on(day) = ahead.open(steps, day)
    end
  end
end
