# frozen_string_literal: true

module Stairwell
  module Studio
    # On how many of a week's practice days something was practised.
    class Practised
      # @param week [Planning::PlannedWeek, nil]
      # @param pieces [Array<PieceInHand>]
      def initialize(week, pieces)
        @planned = week ? week.dates : []
        @practised =
          pieces
            .flat_map do |one|
              one.progress.standings.values.flat_map { |standing| standing.days.keys }
            end
            .uniq
      end

      # @return [Integer] days
      def done = (@planned & @practised).size

      # @return [Integer] days
      def of = @planned.size

      # @param today [Date]
      # @return [Array(Integer, Integer)] days kept, of those that have gone by
      def until(today) =
        @planned
          .select { |date| date < today }
          .then { |gone| [(gone & @practised).size, gone.size] }
    end
  end
end
