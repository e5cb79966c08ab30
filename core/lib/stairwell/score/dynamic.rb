# frozen_string_literal: true

module Stairwell
  module Score
    # Loud and soft: words or letters for a place or a span.
    Dynamic = Stairwell.value(:span, :words)
  end
end
