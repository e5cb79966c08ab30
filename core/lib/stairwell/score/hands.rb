# frozen_string_literal: true

module Stairwell
  module Score
    # How the hands share a span (nil for the whole piece): :right or :left
    # only, :alternating, :together; :together_first where they are learnt with both at once.
    Hands = Stairwell.value(:use, span: nil)

    Hands::USES = {
      right: "right only",
      left: "left only",
      alternating: "alternating",
      together_first: "together first",
      together: "together"
    }.freeze
  end
end
