# frozen_string_literal: true

module Stairwell
  module Roadmap
    # Something on the page that does not add up. It never stops the reading.
    # `code` is stable; `bar` an index or nil; `message` says what, where, what
    # was assumed and how to mend it; `grave` is false for a mere notice.
    # `mend` is a Mend where one is likely right.
    Diagnostic = Stairwell.value(:code, :bar, :message, grave: true, mend: nil)
  end
end
