# frozen_string_literal: true

module Stairwell
  module Planning
    # A step that stands on no day, and why; `fits` is false when it never will as
    # things are.
    PlannedLeftOut =
      Stairwell.value(:id, :assignment_id, :step_id, :title, :piece, :why, fits: true)
  end
end
