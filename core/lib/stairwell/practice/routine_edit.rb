# frozen_string_literal: true

module Stairwell
  module Practice
    # A teacher changes a routine: stages go, change, and come in.
    module RoutineEdit
      # A stage that comes in unsaid is learnt on one day, at three fifths of the target
      # tempo. Own choice.
      ADDED = {
        good_days: 1,
        tempo_share: 6 / 10r,
        done: Phrase["practice.routine_edit.it_goes_without_a_stop"]
      }.freeze

      module_function

      # Of a stage that is said anew, by how it is kept: as it stands, as names of stages or of what
      # the place has, or as a name.
      PLAIN = %i[name done good_days repetitions ladder small_count repeats by_section].freeze
      LISTS = %i[needs after everywhere earlier only].freeze
      NAMES = %i[aspect introduced_by picture sitting cue chain].freeze
      NONE = %i[sitting cue chain].freeze
      private_constant :PLAIN, :LISTS, :NAMES, :NONE

      # @param routine [Routine]
      # @param stages [Array<Hash>] what is changed of each: key:, and any of {Stage}'s fields, with
      #   percent: (of the target tempo) or seconds:, and right:, left:, voice: (what each does);
      #   kept: false takes it out; one that comes in has a scope:
      # @return [Routine]
      # @raise [ContradictionError] when it cannot work, with the reason
      def call(routine, stages)
        said = stages.to_h { |one| [one[:key].to_sym, one] }
        gone = said.select { |_, one| one[:kept] == false }.keys & routine.stages.map(&:key)
        kept =
          routine
            .without(gone)
            .stages
            .map { |stage| said.key?(stage.key) ? changed(stage, said[stage.key]) : stage }
        added =
          stages
            .select do |one|
              one[:scope] && one[:kept] != false && routine.stage(one[:key].to_sym).nil?
            end
            .map { |one| stage(one) }
        routine.with(stages: in_turn(kept + added)).tap { |edited| RoutineCheck.call(edited) }
      end

      # A stage of the studio's own.
      def stage(said)
        made =
          Stage.new(
            key: said[:key].to_sym,
            name: said.fetch(:name, said[:key]),
            scope: said[:scope].to_sym,
            **ADDED
          )
        hands = { right: "play", left: "play" }.merge(said.slice(:right, :left))
        changed(made, { **said, **hands }).then do |stage|
          said[:picture] ? stage : stage.with(picture: stage.hands)
        end
      end

      # Each stage after what it waits for, otherwise as they stood.
      def in_turn(stages)
        left, found = stages.dup, []
        while (one = left.find { |each| (each.waits & left.map(&:key)).empty? })
          found << left.delete(one)
        end
        found + left
      end

      def changed(stage, said)
        names = said.slice(*NAMES).transform_values { |one| one&.to_sym }
        stage.with(
          **said.slice(*PLAIN).compact,
          **said.slice(*LISTS).compact.transform_values { |keys| keys.map(&:to_sym) },
          **names.reject { |field, one| one.nil? && !NONE.include?(field) },
          **pulse(stage, said),
          **does(stage, said)
        )
      end

      # A stage has a tempo or takes its time.
      def pulse(stage, said)
        return { seconds: said[:seconds], tempo_share: nil, ladder: false } if said[:seconds]

        said[:percent] ? { tempo_share: Rational(said[:percent], 100), seconds: nil } : {}
      end

      # Of a hand that is silent no bars count; the voice may be taken away again.
      def does(stage, said)
        said = said.slice(:right, :left, :voice)
        return {} if said.empty?

        unsaid = stage.hand_actions.empty? ? { right: :play, left: :play } : {}
        actions = unsaid.merge(stage.actions, said.transform_values { |one| one&.to_sym }).compact
        hands = { [true, false] => :left, [false, true] => :right }.fetch(
          actions.values_at(:right, :left).map { |one| one == :silent },
          :both
        )
        { actions: actions, **((said.keys & %i[right left]).any? ? { hands: hands } : {}) }
      end
      private_class_method :stage, :in_turn, :changed, :pulse, :does
    end
  end
end
