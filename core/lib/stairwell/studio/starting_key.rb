# frozen_string_literal: true

module Stairwell
  module Studio
    # A key on which a hand begins.
    StartingKey = Stairwell.value(:hand, :finger, :note, :midi)
  end
end
