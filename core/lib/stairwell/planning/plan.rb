# frozen_string_literal: true

module Stairwell
  module Planning
    # `unmet` are the teacher's overrides that lead nowhere, [Override, reason]; `limits`
    # {Limit} what keeps the days from holding more of what is needed.
    Plan = Stairwell.value(:days, :left_out, unmet: [], limits: [])
  end
end
