# frozen_string_literal: true

module Stairwell
  module Score
    # Something that holds on some passes only: "second time, left hand softer".
    # `hand` is :right, :left or nil for both.
    PassNote = Stairwell.value(:passes, :span, :text, hand: nil)
  end
end
