# frozen_string_literal: true

module Stairwell
  module Planning
    # `unmet` are the teacher's overrides that lead nowhere, [Override, reason].
    Plan = Stairwell.value(:days, :left_out, unmet: [])
  end
end
