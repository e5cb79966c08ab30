# frozen_string_literal: true

module Stairwell
  module Studio
    PastStep = Stairwell.value(:title, :piece, :done, :of)
  end
end
