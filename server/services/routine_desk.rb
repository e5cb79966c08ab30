# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # The routine editor: copies, changes, and what a change does to a piece.
      class RoutineDesk
        def initialize(desk)
          @desk = desk
          @routines = Models::Routines.new(desk)
        end

        # @return [Array<Hash>]
        def list = @routines.all.map { |one| shown(one) }

        # @return [Hash]
        def copy(key, name:) = shown(@routines.copy(key, name.strip))

        # @param stages [Array<Hash>] what is changed of each: key, good_days,
        #   repetitions, percent of the target tempo, kept (false takes it out)
        # @return [Hash]
        # @raise [Problem] 422 when it cannot work, with the reason
        def change(key, name:, for_whom:, stages:, version:)
          shown(@routines.change(key, changed(key, name, for_whom, stages), seen: version))
        end

        # What the changed routine does to a piece; nothing is saved.
        # @return [Hash] {steps:, minutes:, days:}
        def trial(key, piece_id:, stages:, **)
          routine = changed(key, "trial", "", stages)
          map = Workbench.new(@desk, piece_id).map
          made = Practice.steps(map, routine: routine)
          {steps: made.size, minutes: made.sum(0r, &:work).to_f, days: made.sum(&:good_days)}
        rescue ContradictionError => error
          raise refused(error)
        end

        private

        def changed(key, name, for_whom, stages)
          from = @routines.find(key)
          said = stages.to_h { |one| [one[:key].to_sym, one] }
          gone = said.select { |_, one| one[:kept] == false }.keys & from.stages.map(&:key)
          kept = from.without(gone).stages.map { |stage| said.key?(stage.key) ? apply(stage, said[stage.key]) : stage }
          added = stages.select { |one| one[:scope] && one[:kept] != false && from.stage(one[:key].to_sym).nil? }.map { |one| stage(one) }
          from.with(name: name.strip, for_whom: for_whom, stages: in_turn(kept + added)).tap { |routine| Practice::RoutineCheck.call(routine) }
        rescue ContradictionError => error
          raise refused(error)
        end

        # A stage of the studio's own.
        def stage(said)
          actions = {right: said.fetch(:right, "play").to_sym, left: said.fetch(:left, "play").to_sym}
          hands = {[true, false] => :left, [false, true] => :right}.fetch(actions.values.map { |one| one == :silent }, :both)
          new = Practice::Stage.new(
            key: said[:key].to_sym, name: said.fetch(:name, said[:key]), scope: said[:scope].to_sym, aspect: said.fetch(:aspect, "notes").to_sym, hands: hands, actions: actions,
            opens: said.fetch(:opens, "section").to_sym, good_days: 1, tempo_share: 6/10r, done: said.fetch(:done, "it goes without a stop"), picture: hands
          )
          apply(new, said)
        end

        # Each stage after what it waits for, otherwise as they stood.
        def in_turn(stages)
          left, found = stages.dup, []
          while (one = left.find { |each| ((each.needs + each.after) & left.map(&:key)).empty? })
            found << left.delete(one)
          end
          found + left
        end

        def apply(stage, said)
          share = said[:percent] ? Rational(said[:percent], 100) : stage.tempo_share
          stage.with(
            name: said[:name] || stage.name, good_days: said[:good_days] || stage.good_days, repetitions: said[:repetitions] || stage.repetitions,
            tempo_share: stage.tempo_share && share, needs: waits(said[:needs], stage.needs), after: waits(said[:after], stage.after)
          )
        end

        def waits(said, unsaid) = said ? said.map(&:to_sym) : unsaid

        def refused(error) = Problem.new(422, error.message, code: "routine", field: "stages")

        def shown(routine)
          Views::Student.routine(routine).merge(
            version: @routines.version(routine.key),
            stages: routine.stages.map { |one|
              {
                key: one.key.to_s, name: one.name, scope: one.scope.to_s, aspect: one.aspect.to_s, opens: one.opens.to_s, ladder: one.ladder, good_days: one.good_days, repetitions: one.repetitions,
                percent: one.tempo_share && (one.tempo_share * 100).to_i, done: one.done, needs: one.needs.map(&:to_s), after: one.after.map(&:to_s)
              }
            }
          )
        end
      end
    end
  end
end
