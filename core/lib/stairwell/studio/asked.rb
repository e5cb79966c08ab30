# frozen_string_literal: true

module Stairwell
  module Studio
    # Repetitions the teacher asked for on a day, where they are others than a
    # step's own: what makes a good day there.
    module Asked
      # @param overrides [Array<Planning::Override>] of all weeks
      # @return [Hash{Integer => Array<Progress::Asked>}] by assignment
      def self.in(overrides)
        found =
          overrides
            .select { |one| one.kind == :on && one.repetitions }
            .filter_map do |one|
              assignment_id, step_id = one.id.split("/", 2)
              if step_id
                [
                  assignment_id.to_i,
                  Progress::Asked.new(
                    step_id: step_id,
                    date: one.date,
                    repetitions: one.repetitions
                  )
                ]
              end
            end
        found.group_by(&:first).transform_values { |all| all.map(&:last) }
      end
    end
  end
end
