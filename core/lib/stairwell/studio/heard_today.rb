# frozen_string_literal: true

module Stairwell
  module Studio
    # What was heard today of a step, with what was said beside it; `by` is the
    # name of who said so, nil where it was the one who looks.
    HeardToday =
      Stairwell.value(:result, by: nil, cause: nil, bar: nil, stumbles: nil, tempo: nil, note: nil)
  end
end
