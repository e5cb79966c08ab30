# frozen_string_literal: true

module Stairwell
  module Roadmap
    # What would put a page right: `words` say it as an instruction; `put` and
    # `drop` are [member of Score::Map, value] pairs.
    Mend = Stairwell.value(:words, put: [], drop: [])
  end
end
