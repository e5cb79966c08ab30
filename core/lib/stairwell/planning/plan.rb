# frozen_string_literal: true

module Stairwell
  module Planning
    # Days, and steps that stand on none of them.
    Plan = Stairwell.value(:days, :left_out)
  end
end
