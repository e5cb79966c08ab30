# frozen_string_literal: true

module Stairwell
  module Progress
    # The steps of a student's piece as the planner takes them.
    class Tasks
      # @param piece [Piece]
      # @param prefix [String] put before each id, to plan several pieces at once
      # @param turns [Hash{String => Integer}, nil] of sections, where they are begun in turn
      # @param timing [Timing] what the student takes beside the estimates
      # @return [Array<Planning::Task>]
      def self.of(piece, prefix: "", turns: nil, timing: Timing.new) =
        new(piece, prefix, turns, timing).to_a

      # (see .of)
      def initialize(piece, prefix, turns, timing)
        @timing = timing
        @piece = piece
        @prefix = prefix
        @turns = turns
        @shown_at =
          piece.introductions.reject(&:last).each_with_index.to_h { |(what, _), at| [what, at + 1] }
      end

      # @return [Array<Planning::Task>]
      def to_a = @piece.standings.values.map { |one| task(one, one.step) }

      private

      def task(one, step)
        Planning::Task.new(
          id: @prefix + step.id,
          title: step.title,
          minutes: @timing.minutes(step),
          first: @timing.first(step),
          ready: Constants::READY,
          repetitions: step.repetitions,
          good_days: one.good_days,
          credited: one.credited,
          begun: begun?(one),
          fallen: one.fallen,
          hard: step.hard,
          join: step.join,
          introduced: one.introduced,
          lesson: lesson(step),
          kind: step.kind,
          group: @prefix,
          section: step.join ? step.parts.last : step.section,
          sitting: step.sitting && (@prefix + step.sitting),
          turn: @turns && turn(step),
          most: step.most,
          fewest: step.fewest,
          needs: step.needs.map { |id| @prefix + id },
          after: step.after.map { |id| @prefix + id }
        )
      end

      # The easier form of a step that was begun is nothing new.
      def begun?(one) =
        %i[begun steady secure].include?(one.state) || Practice::Simplification.form?(one.step.id)

      # The lesson that may show all a step takes, when one thing is shown at each.
      def lesson(step)
        return 1 if @shown_at.empty?

        @piece.shown_of(step).filter_map { |what| @shown_at[what] }.max || 1
      end

      # That of the last of its sections.
      def turn(step) =
        [step.section, *step.parts].filter_map { |part| @turns[part] }.max || @turns.size
    end
  end
end
