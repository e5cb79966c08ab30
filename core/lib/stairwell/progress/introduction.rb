# frozen_string_literal: true

module Stairwell
  module Progress
    # A section, or a stage that opens when it is shown, introduced at a lesson (or
    # taken back). The last one said holds.
    Introduction = Stairwell.value(:what, :introduced, :at, key: nil)
  end
end
