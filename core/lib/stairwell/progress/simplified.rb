# frozen_string_literal: true

module Stairwell
  module Progress
    # How a step that did not go is made smaller, see {Practice::Simplification}: `form`
    # is :none where the teacher declined it. The last one said holds.
    Simplified = Stairwell.value(:step_id, :form, :at, bar: nil, key: nil)
  end
end
