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

      def run
        return [] if from_beginning.empty?

        steps = from_beginning.map { |label| piece.latest(label) }
        [
          Part.new(
            id: "run",
            piece: piece,
            times: 1,
            each: steps.sum(0r) { |step| minutes(step) },
            steady: true,
            title:
              Phrase[
                "rows.from_the_beginning",
                from: from_beginning.first,
                to: from_beginning.last
              ],
            bars: steps.flat_map { |step| step.spans.flat_map(&:bars) }
          )
        ]
      end

      def minutes(step) = step.counts / (step.tempo || Constants::ASSUMED_TEMPO)
    end
  end
end
