# frozen_string_literal: true

module Stairwell
  module Planning
    # A step that stands on no day this week, and why. `fits` is false when it
    # never will as things are.
    LeftOut = Stairwell.value(:id, :why, fits: true)
  end
end
