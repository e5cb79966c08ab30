# frozen_string_literal: true

module Stairwell
  module Roadmap
    # One bar as played. `bar` is its index, `time` which time this bar is
    # played, `pass` the pass of the innermost repeat around it, `via` how it
    # was reached: :start, :next, :repeat, :ending, :da_capo, :dal_segno,
    # :to_coda, or :after_fine, the part behind the jump that went back to it.
    Visit = Stairwell.value(:bar, :time, :pass, :via)
  end
end
