# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Where a step is: on the page, in the score, and on the keys.
      class StepPlace
        # @param map [Score::Map]
        # @param note_names [Symbol] see {Score::Names}
        def initialize(map, note_names)
          @map = map
          @note_names = note_names
        end

        # @param step [Practice::Step]
        # @return [Hash] :picture, :starts, :score, :bars
        def of(step)
          {picture: picture(step), starts: starts(step), score: @map.notes?, bars: step.spans.map { |span| {from: span.from, to: span.to} }}
        end

        private

        # Where each hand that plays begins, a key for each note struck together.
        def starts(step)
          Practice.playing(step).flat_map { |hand| Sections.entries(@map, hand, step.spans.flat_map(&:bars)) }.map do |one|
            {hand: one.hand.to_s, finger: one.finger, note: Score::Names.of(one.pitch.to_s[/\A[A-G][#b]*/], @note_names), midi: one.pitch.midi}
          end
        end

        # The little page: lines of bars, those of the step lit up.
        def picture(step)
          lit = step.spans.flat_map(&:bars)
          @map.layout.lines.group_by(&:first).filter_map { |page, rows|
            lines = rows.map { |_, line, bars| {line: line, from: bars.first&.index, bars: bars.map { |bar| lit.include?(bar.index) }} }
            {page: @map.layout.assumed? ? nil : page, lines: lines} if lines.any? { |line| line[:bars].any? }
          }
        end
      end
    end
  end
end
