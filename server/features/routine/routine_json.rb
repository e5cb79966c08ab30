# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A routine with its stages.
      module RoutineJson
        module_function

        # @param routine [Practice::Routine]
        # @param version [Integer, nil] nil for one that ships
        # @return [Hash] see the contract's Routine
        def of(routine, version = nil) =
          head(routine).merge(version: version, stages: stages(routine))

        # @return [Hash] without its stages
        def head(routine) =
          {
            **routine.to_h.slice(:key, :name, :for_whom, :why),
            sitting: routine.sitting.map(&:to_s)
          }

        PLAIN = %i[
          name
          ladder
          good_days
          repetitions
          done
          seconds
          small_count
          repeats
          by_section
        ].freeze
        NAMES = %i[key scope aspect introduced_by picture sitting cue chain].freeze
        LISTS = %i[needs after everywhere earlier only].freeze
        private_constant :PLAIN, :NAMES, :LISTS

        def stages(routine)
          words = Practice::StageWords.new(routine)
          levels = routine.levels
          routine.stages.map do |one|
            stage(one).merge(said: words.of(one), level: levels.fetch(one.key))
          end
        end

        def stage(one)
          one
            .to_h
            .slice(*PLAIN)
            .merge(
              one.to_h.slice(*NAMES).transform_values { |name| name&.to_s },
              one.to_h.slice(*LISTS).transform_values { |keys| keys.map(&:to_s) },
              %i[right left voice].to_h { |actor| [actor, one.actions[actor]&.to_s] },
              percent: one.tempo_share && (one.tempo_share * 100).to_i
            )
        end
        private_class_method :stages, :stage
      end
    end
  end
end
