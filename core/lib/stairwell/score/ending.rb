# frozen_string_literal: true

module Stairwell
  module Score
    # A bracketed ending: the passes on which it is played, and its bars.
    Ending = Stairwell.value(:passes, :from, :to) { def span = Span.new(from: from, to: to) }
  end
end
