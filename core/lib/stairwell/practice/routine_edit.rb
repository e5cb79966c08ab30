# frozen_string_literal: true

module Stairwell
  module Practice
    # A teacher changes a routine: stages go, change, and come in.
    module RoutineEdit
      # A stage that comes in unsaid is learnt on one day, at three fifths of the target
      # tempo. Own choice.
      ADDED = {good_days: 1, tempo_share: 6/10r, done: Phrase["practice.routine_edit.it_goes_without_a_stop"]}.freeze

      module_function

      # @param routine [Routine]
      # @param stages [Array<Hash>] what is changed of each: key:, and of name:,
      #   good_days:, repetitions:, percent: (of the target tempo), needs:, after:;
      #   kept: false takes it out; for one that comes in scope:, aspect:,
      #   introduced_by:, done:, right: and left: (what each hand does)
      # @return [Routine]
      # @raise [ContradictionError] when it cannot work, with the reason
      def call(routine, stages)
        said = stages.to_h { |one| [one[:key].to_sym, one] }
        gone = said.select { |_, one| one[:kept] == false }.keys & routine.stages.map(&:key)
        kept = routine.without(gone).stages.map { |stage| said.key?(stage.key) ? changed(stage, said[stage.key]) : stage }
        added = stages.select { |one| one[:scope] && one[:kept] != false && routine.stage(one[:key].to_sym).nil? }.map { |one| stage(one) }
        routine.with(stages: in_turn(kept + added)).tap { |edited| RoutineCheck.call(edited) }
      end

      # A stage of the studio's own.
      def stage(said)
        actions = {right: said.fetch(:right, "play").to_sym, left: said.fetch(:left, "play").to_sym}
        hands = {[true, false] => :left, [false, true] => :right}.fetch(actions.values.map { |one| one == :silent }, :both)
        made = Stage.new(
          key: said[:key].to_sym, name: said.fetch(:name, said[:key]), scope: said[:scope].to_sym, aspect: said.fetch(:aspect, "notes").to_sym, hands: hands, actions: actions,
          introduced_by: said.fetch(:introduced_by, "section").to_sym, picture: hands, **ADDED, **said.slice(:done)
        )
        changed(made, said)
      end

      # Each stage after what it waits for, otherwise as they stood.
      def in_turn(stages)
        left, found = stages.dup, []
        while (one = left.find { |each| ((each.needs + each.after) & left.map(&:key)).empty? })
          found << left.delete(one)
        end
        found + left
      end

      def changed(stage, said)
        share = said[:percent] ? Rational(said[:percent], 100) : stage.tempo_share
        stage.with(
          **said.slice(:name, :good_days, :repetitions).compact, tempo_share: stage.tempo_share && share, needs: waits(said[:needs], stage.needs), after: waits(said[:after], stage.after)
        )
      end

      def waits(said, unsaid) = said ? said.map(&:to_sym) : unsaid
      private_class_method :stage, :in_turn, :changed, :waits
    end
  end
end
