# frozen_string_literal: true

module Stairwell
  module Sections
    # How a hand begins a step: which finger on which key; the finger nil where
    # nobody says it.
    Entry = Stairwell.value(:hand, :finger, :pitch)
  end
end
