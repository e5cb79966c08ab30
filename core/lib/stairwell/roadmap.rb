# frozen_string_literal: true

require_relative "roadmap/diagnostic"
require_relative "roadmap/repeats"
require_relative "roadmap/jumps"
require_relative "roadmap/walk"
require_relative "roadmap/arithmetic"
require_relative "roadmap/duration"
require_relative "roadmap/pass_notes"
require_relative "roadmap/reading"
require_relative "roadmap/guide"
require_relative "roadmap/playback"
require_relative "roadmap/drill"

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

    # @param map [Score::Map]
    # @param tempo [Rational, Integer] counts a minute
    # @param bars [Array<Integer>, nil] only these, one after another as they stand;
    #   nil for the whole piece as it is played
    # @return [Hash{Symbol => Object}] when each bar, click and note sounds, as
    #   far as it is shown
    def self.playback(map, tempo: map.aim, bars: nil)
      visits = bars ? bars.map { |bar| Visit.new(bar: bar, time: 1, pass: 1, via: :next) } : shown(map)
      Playback.new(map, visits, tempo).to_h
    end

    # @param map [Score::Map]
    # @return [Array<Question>] "where next?" at each of its signs, as far as it
    #   is shown
    def self.drill(map)
      visits = read(map).visits
      Drill.new(map, visits).questions.take_while { |one| one.at < Constants::MOST_SHOWN }
    end

    def self.shown(map) = read(map).visits.first(Constants::MOST_SHOWN)
    private_class_method :shown
  end
end
