# frozen_string_literal: true

require_relative "spec_helper"
require "demo/notation"

# What a step of a stage says of its bars: what is blocked, counted, touched, brought out, pedalled.
# Cases as a teacher would say them (common practice, no source).
RSpec.describe Stairwell::Practice::AspectNotes do
  score = Stairwell::Score
  practice = Stairwell::Practice
  # A section of four bars: I IV V7 I, the tune over broken chords.
  let(:map) do
    notes =
      Demo::Notation.hands(
        "C5q D5q E5h | F5q E5q F5h | G5q F5q D5h | E5w",
        "C3e E3e G3e E3e C3e E3e G3e E3e | F3e A3e C4e A3e F3e A3e C4e A3e | G3e B3e D4e F4e G3e B3e D4e F4e | C3+E3+G3w"
      )
    page(
      "bars: 4\ntime: 4/4\nkey: C major\nsection A: 1-4\npattern: 1-3 left hand, broken chords\npedal: 1, 2, 3, 4"
    ).with(notes: notes)
  end
  stage = ->(**more) do
    practice::Stage.new(
      key: :one,
      name: "One",
      scope: :section,
      good_days: 2,
      done: "done",
      tempo_share: 1 / 2r,
      **more
    )
  end
  # The notes of the steps that a routine of one stage gives.
  said = ->(map, one, **choices) do
    practice
      .steps(
        map,
        routine:
          practice::Routine.new(key: "own", name: "Own", for_whom: "all", why: "", stages: [one]),
        choices: practice::Choices.new(**choices)
      )
      .flat_map(&:notes)
      .map(&:to_s)
  end

  it "names the chords that are blocked, and the pattern they come from" do
    block = stage[hands: :left, actions: { left: :block, right: :silent }, aspect: :position]
    expect(said[map, block]).to include(
      "shapes to block: bar 1 I, bar 2 IV, bar 3 V7, bar 4 I",
      "broken chords"
    )
    typed =
      map.with(
        markings:
          map.markings.with(
            harmony: [score::Told.new(span: score::Span.new(from: 1, to: 4), words: "vi")]
          )
      )
    expect(said[typed, block]).to include("shapes to block: bar 1 vi")
    expect(said[map.with(notes: {}), block]).to eq(["broken chords"])
  end

  it "says how it is counted, as the student counts" do
    clap = stage[actions: { right: :clap, left: :silent }, hands: :right, aspect: :rhythm]
    expect(said[map, clap]).to eq(["say: 1 2 3 | 1 2 3 | 1 2 3 | 1"])
    expect(said[map, clap, counting: :syllables]).to eq(
      ["say: ta ta ta-a | ta ta ta-a | ta ta ta-a | ta-a-a-a"]
    )
    expect(said[map, clap, counting: :length]).to eq(["say: 1 1 1 2 | 1 1 1 2 | 1 1 1 2 | 1 2 3 4"])
  end

  it "says when the pedal changes, how notes are touched, and where the tune is" do
    expect(said[map, stage[aspect: :pedal]]).to include("changes with each bar")
    short =
      map.with(
        notes:
          map.notes.transform_values do |hands|
            hands.merge(
              right:
                hands[:right].map do |note|
                  (note.length == 1 / 4r) ? note.with(articulation: ["staccato"]) : note
                end
            )
          end
      )
    expect(said[short, stage[aspect: :articulation]]).to include("right hand, each quarter short")
    voicing = stage[aspect: :voicing, only: [:voicing]]
    expect(said[map, voicing]).to include("the tune is in the right hand: louder than the rest")
    # One hand alone has nothing to be louder than.
    alone = map.with(notes: map.notes.transform_values { |hands| hands.merge(left: []) })
    expect(said[alone, voicing]).to eq([])
  end
end
