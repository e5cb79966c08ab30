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
        def of(routine, version = nil) = head(routine).merge(version: version, stages: routine.stages.map { |one| stage(one) })

        # @return [Hash] without its stages
        def head(routine) = {**routine.to_h.slice(:key, :name, :for_whom, :why), sitting: routine.sitting.map(&:to_s)}

        def stage(one)
          {
            **one.to_h.slice(:name, :ladder, :good_days, :repetitions, :done), **one.to_h.slice(:key, :scope, :aspect, :introduced_by).transform_values(&:to_s),
            percent: one.tempo_share && (one.tempo_share * 100).to_i, needs: one.needs.map(&:to_s), after: one.after.map(&:to_s)
          }
        end
        private_class_method :stage
      end
    end
  end
end
