# frozen_string_literal: true

require_relative "roadmap/diagnostic"
require_relative "roadmap/repeats"
require_relative "roadmap/jumps"
require_relative "roadmap/walk"
require_relative "roadmap/arithmetic"
require_relative "roadmap/duration"
require_relative "roadmap/pass_notes"
require_relative "roadmap/reading"

module Stairwell
  # How it is played: from the signs on the page to the order in which its
  # bars sound, and what on the page does not add up.
  module Roadmap
    # @param map [Score::Map]
    # @return [Reading] visits, runs, figures and diagnostics; never raises for
    #   signs that make no sense: it says what it assumed instead
    def self.read(map)
      repeats = Repeats.of(map)
      jumps = Jumps.new(map)
      walk = Walk.new(map, repeats, jumps)
      visits = walk.visits
      Reading.new(
        map: map, visits: visits,
        diagnostics: repeats.diagnostics + jumps.diagnostics + walk.diagnostics + Arithmetic.check(map, visits)
      )
    end
  end
end
