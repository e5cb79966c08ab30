# frozen_string_literal: true

module Stairwell
  module Aspects
    # What is said while a bar is counted: within the bar, each note by its length, or in rhythm
    # syllables.
    class Counting
      # How one counts.
      SYSTEMS = %i[bar length syllables].freeze
      # Syllables by length in quarters. Z. Kodály's, after E. Chevé (from memory).
      SYLLABLES = {
        4r => "ta-a-a-a",
        3r => "ta-a-a",
        2r => "ta-a",
        3 / 2r => "ta-i",
        1r => "ta",
        3 / 4r => "ti-m",
        1 / 2r => "ti",
        1 / 4r => "ri",
        1 / 3r => "la"
      }.freeze
      # Within a beat: the half, and its halves. Common practice, no source.
      PARTS = { 1 / 2r => "&", 1 / 4r => "e", 3 / 4r => "a", 1 / 3r => "la", 2 / 3r => "li" }.freeze

      # @param system [Symbol] of {SYSTEMS}
      def initialize(system = SYSTEMS.first)
        @system = system
      end

      # @param bar [Score::Bar]
      # @param notes [Array<Score::Note>] of a hand in it
      # @return [String] what is said at each note; empty where nothing can be
      def say(bar, notes)
        times =
          notes
            .group_by(&:onset)
            .sort
            .map { |onset, all| [onset, all.map(&:length).max, all.all?(&:tied)] }
        times.map { |onset, length, tied| said(bar, onset, length, tied) }.join(" ")
      end

      private

      def said(bar, onset, length, tied)
        word = {
          bar: -> { place(bar, onset) },
          length: -> { lasting(bar, length) },
          syllables: -> { SYLLABLES.fetch(length * 4, "ta") }
        }.fetch(@system).call
        tied ? "(#{word})" : word
      end

      # A pickup is counted as the end of a bar.
      def place(bar, onset)
        early = bar.pickup? ? bar.meter.bar_length - bar.length : 0r
        unit = small(bar)
        beat = (early + onset) / unit
        part = beat % 1
        part.zero? ? (beat.to_i + 1).to_s : PARTS.fetch(part, "·")
      end

      def lasting(bar, length)
        counts = length / small(bar)
        return "&" if counts < 1

        (1..counts.floor).to_a.join(" ")
      end

      # Eighths in 6/8, quarters in cut time: what is counted at first.
      def small(bar) = bar.meter.count_length / bar.meter.small_counts
    end
  end
end
