# frozen_string_literal: true

module Stairwell
  module Studio
    # Where a step is: on the page, in the score, and on the keys.
    #
    # - `picture`: pages of lines of bars, those of the step lit up
    # - `starts`: where each hand that plays begins, with the key's name
    # - `score`: whether its notes can be shown; `bars`: Array<Score::Span>; `beat`: what its tempo
    # counts
    StepPlace = Stairwell.value(:picture, :starts, :score, :bars, :beat)

    # @param map [Score::Map]
    # @param step [Practice::Step]
    # @param note_names [Symbol] see {Score::Names}
    # @return [StepPlace]
    def StepPlace.of(map, step, note_names)
      new(
        picture: picture(map, step.spans.flat_map(&:bars)),
        starts: starts(map, step, note_names),
        score: map.notes?,
        bars: step.spans,
        beat: Beat.of(map, map.bar(step.spans.first.from).meter)
      )
    end

    def StepPlace.starts(map, step, note_names)
      Practice
        .playing(step)
        .flat_map { |hand| Sections.entries(map, hand, step.spans.flat_map(&:bars)) }
        .map do |one|
          StartingKey.new(
            hand: one.hand,
            finger: one.finger,
            note: Score::Names.of(one.pitch.to_s[/\A[A-G][#b]*/], note_names),
            midi: one.pitch.midi
          )
        end
    end

    def StepPlace.picture(map, lit)
      layout = map.layout
      layout
        .lines
        .group_by(&:first)
        .filter_map do |page, rows|
          lines =
            rows.map do |_, line, bars|
              PictureLine.new(
                line: line,
                from: bars.first&.index,
                bars: bars.map { |bar| lit.include?(bar.index) }
              )
            end
          if lines.any? { |line| line.bars.any? }
            PicturePage.new(page: layout.assumed? ? nil : page, lines: lines)
          end
        end
    end
    StepPlace.singleton_class.send(:private, :starts, :picture)
  end
end
