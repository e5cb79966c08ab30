# frozen_string_literal: true

module Stairwell
  module Rows
    # How sections become one: joins, joined spans, and on some days what goes from the beginning.
    class Growing < Work
      KIND = :grow

      # @param turn [Integer] of the piece: the second one goes from the beginning on other days
      def initialize(piece, days, turn: 0)
        super(piece, days)
        @turn = turn
      end

      def parts(day) = super + (runs?(day) ? run : [])

      def holds?(step) = piece.joining.include?(step)

      # @return [Array<String>] sections that go, one after another from the beginning
      def from_beginning
        @from_beginning ||=
          begin
            going = piece.printed.take_while { |label| piece.known.include?(label) }
            (going.size > 1) ? going : []
          end
      end

      private

      def steps_on(day) = ahead.open(piece.joining, day).first(Constants::STAGES_AT_ONCE)

      # What was joined is played once more; then it lies in the run.
      def rest(_day)
        last = @reached.last or return []

        @reached = []
        [piece.part(last, Constants::OFTEN_ENOUGH)]
      end

      # On the second and the fourth day; of every other piece on the days between.
      def runs?(day) = (day + @turn).even? && day <= Constants::RUN_DAYS || (@days == 1)

      # Once through all of them, in one go; the whole, where that goes.
      def run
        if (whole = piece.known_whole)
          return [piece.part(whole, 1).with(steady: true, title: Phrase["rows.the_whole"])]
        end
        return [] if from_beginning.empty?

        title =
          Phrase["rows.from_the_beginning", from: from_beginning.first, to: from_beginning.last]
        from_beginning.map do |label|
          piece.part(piece.latest(label), 1).with(steady: true, title: title)
        end
      end
    end
  end
end
