# frozen_string_literal: true

require_relative "roadmap/diagnostic"
require_relative "roadmap/mend"
require_relative "roadmap/wording"
require_relative "roadmap/loop"
require_relative "roadmap/ending_jumps"
require_relative "roadmap/repeats"
require_relative "roadmap/leap"
require_relative "roadmap/jumps"
require_relative "roadmap/visit"
require_relative "roadmap/walk"
require_relative "roadmap/arithmetic"
require_relative "roadmap/duration"
require_relative "roadmap/pass_notes"
require_relative "roadmap/reading"
require_relative "roadmap/guide"
require_relative "roadmap/playback"
require_relative "roadmap/question"
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
        map: map,
        visits: visits,
        diagnostics:
          repeats.diagnostics + jumps.diagnostics + walk.diagnostics + Arithmetic.check(map, visits)
      )
    end

    # @param map [Score::Map]
    # @param tempo [Rational, Integer] beats per minute
    # @param spans [Array<Score::Span>, nil] see {.stretch}
    # @param small [Boolean] see {Playback}
    # @param straight [Boolean] see {.stretch}
    # @return [Hash{Symbol => Object}] when each bar, click and note sounds, as
    #   far as it is shown
    def self.playback(map, tempo: map.target_tempo, spans: nil, small: false, straight: false)
      Playback.new(map, stretch(map, spans, straight: straight), tempo, small: small).to_h
    end

    # How a part of a piece goes once through.
    # @param spans [Array<Score::Span>, nil] places, one after another as they
    #   stand; all bars, or nil, for the whole piece as it is played
    # @param straight [Boolean] whether all of it is played as it is printed, without repeats
    # @return [Array<Visit>] as far as it is shown
    def self.stretch(map, spans = nil, straight: false)
      bars = spans&.flat_map(&:bars)&.uniq&.select { |bar| bar <= map.bars.size }
      return shown(map) if bars.nil? || (bars.size == map.bars.size && !straight)

      bars.map { |bar| Visit.new(bar: bar, time: 1, pass: 1, via: :next) }
    end

    # A finger that goes along: each bar in turn, and what comes where the music
    # leaves the printed order.
    # @param spans [Array<Score::Span>, nil] see {.stretch}
    # @param straight [Boolean] see {.stretch}
    # @return [Array<Hash>] bar:, name: (as printed), place: (in words), time:, reached:, ahead:
    def self.walk(map, spans = nil, straight: false)
      visits = stretch(map, spans, straight: straight)
      guide = Guide.new(map, visits)
      visits.each_with_index.map do |visit, at|
        {
          bar: visit.bar,
          name: map.bar(visit.bar).name,
          place: guide.place(visit.bar),
          time: visit.time,
          reached: guide.reached(at),
          ahead: guide.ahead(at)
        }
      end
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
