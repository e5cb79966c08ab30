# frozen_string_literal: true

module Stairwell
  module Rows
    # One piece of work of a piece, as a row of the week may hold it. Asked day after day what is
    # played, it answers with parts, as far as those of the days before went well.
    class Work
      attr_reader :piece

      # @param piece [Piece]
      # @param days [Integer] practice days of the week
      def initialize(piece, days)
        @piece = piece
        @days = days
        @reached = []
      end

      # @return [Symbol] of {KINDS}
      def kind = self.class::KIND

      # @return [String]
      def id = "#{piece.id}/#{kind}"

      # @param step [Practice::Step]
      # @return [Boolean] whether it belongs to this row
      def holds?(_step) = false

      # @return [Boolean] whether it holds something introduced that isn't steady yet
      def learning? =
        piece.progress.steps.any? do |step|
          holds?(step) &&
            piece.standing(step).then { |standing| !standing.done? && standing.introduced }
        end

      # @param day [Integer] from 1
      # @return [Array<Part>] none where it isn't played that day
      def parts(day)
        steps = steps_on(day)
        steps.empty? ? rest(day) : times(@reached = steps)
      end

      private

      # What is open that day.
      # @return [Array<Practice::Step>]
      def steps_on(_day) = []

      # What is played on a day on which nothing is open: what was reached stays until the lesson.
      # @return [Array<Part>]
      def rest(_day) = @reached.empty? ? [] : [piece.part(@reached.last, Constants::FEWER_TIMES)]

      # Five times, or three where there are several.
      def times(steps)
        most = (steps.size > 1) ? Constants::FEWER_TIMES : Constants::USUAL_TIMES
        steps.map { |step| piece.part(step, [step.repetitions, most].min) }
      end

      def ahead = piece.ahead
    end
  end
end
