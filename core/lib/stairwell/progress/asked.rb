# frozen_string_literal: true

module Stairwell
  module Progress
    # That the teacher asked for so many repetitions of a step on a day, where
    # they are others than the step's own.
    Asked = Stairwell.value(:step_id, :date, :repetitions)
  end
end
