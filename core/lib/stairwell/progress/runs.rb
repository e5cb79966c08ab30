# frozen_string_literal: true

module Stairwell
  module Progress
    # What is known of a piece in one go: the sections both hands have.
    class Runs
      # @param piece [Piece]
      def initialize(piece)
        @piece = piece
      end

      # @param prefix [String] put before the id
      # @return [Planning::Run, nil] once; nil where it is less than two sections, or the whole
      #   piece is worked on anyway
      def once(prefix: "")
        return if known.size < 2 || whole_under_way?

        Planning::Run.new(
          id: "#{prefix}run",
          minutes: Constants::READY + minutes,
          title: Phrase["progress.piece.from_the_start", sections: sections]
        )
      end

      # @param prefix [String]
      # @return [Planning::More, nil] the same slowly, where there is such a run
      def slow(prefix: "")
        run = once(prefix: prefix) or return

        Planning::More.new(
          id: "#{prefix}slow run",
          kind: :slow_run,
          ready: Constants::READY,
          each: minutes / Constants::EASIER_TEMPO,
          repetitions: 1,
          covered_by: [run.id],
          times: Constants::SLOW_RUNS,
          title: Phrase["planning.filling.slow_run", sections: sections],
          why: Phrase["planning.filling.why_slow_run"]
        )
      end

      private

      # @return [Hash{String => Practice::Step}] the slowest step with both hands of each section
      #   that is done
      def known
        @known ||=
          @piece
            .standings
            .values
            .select { |one| one.done? && !one.held? && together?(one.step) }
            .group_by { |one| one.step.section }
            .transform_values { |all| all.map(&:step).min_by { |step| step.tempo || 0 } }
      end

      def together?(step) =
        step.section && step.hands == :both && !step.actions.value?(:silent) &&
          step.aspect == :notes

      def whole_under_way?
        all = @piece.own.flat_map(&:parts).uniq.size
        @piece.standings.values.any? do |one|
          !one.step.join && one.step.parts.size == all && one.step.hands == :both &&
            %i[open begun].include?(one.state)
        end
      end

      def sections = Phrase.list(known.keys, by: :comma)

      # Exact minutes.
      def minutes =
        known
          .values
          .sum(0r) do |step|
            Practice::Estimate.seconds(
              counts: step.counts,
              tempo: step.tempo || Constants::ASSUMED_TEMPO
            )
          end / 60
    end
  end
end
