# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/composed"
require "demo/notation"

# Minor where a file says major, and the reverse.
RSpec.describe Stairwell::Aspects::Tonality do
  key = ->(text) { Stairwell::Score::Key.parse(text) }

  it "is right of pieces composed in a mode, whatever they claim" do
    wrong =
      (1..200).count do |seed|
        map = Composed.new(seed).piece.map
        said = map.keys.first
        false_claim = said.with(mode: (said.mode == "major") ? "minor" : "major")
        tonality = described_class.new(map.notes)
        # It never leaves the right one, and finds it from the wrong one.
        expect(tonality.other(said)).to be_nil
        tonality.other(false_claim)&.key != said
      end
    expect(wrong).to be <= 10
  end

  # A minor: the seventh raised before the tonic, the bass from E to A.
  let(:notes) do
    Demo::Notation.hands(
      "A4q C5q E5q C5q | D5q B4q G#4q B4q | A4q E4q C5q A4q | B4q G#4q A4h",
      "A3w | E3w | A3w | E3h A3h"
    )
  end

  it "says why" do
    found = described_class.new(notes).other(key["C major"])
    expect([found.key.to_s, found.why]).to eq(["A minor", %i[close leading notes]])
    expect(described_class.new(notes).other(key["A minor"])).to be_nil
    # too few notes to tell
    expect(described_class.new(notes.first(1).to_h).other(key["C major"])).to be_nil
  end

  it "is heard at reading, where each signature holds, and said" do
    map =
      Stairwell::Score::Map.new(
        title: "Dusk",
        bars: Stairwell::Score.bars(8, meters: [Stairwell::Score::Meter.new(beats: 4, unit: 4)]),
        keys: [key["C major"], Stairwell::Score::Key.parse("G major", bar: 5)],
        notes:
          notes.merge(
            Demo::Notation
              .hands(
                "G4q B4q D5q B4q | C5q A4q F#4q A4q | G4q D4q B4q G4q | A4q F#4q G4h",
                "G3w | D3w | G3w | D3h G3h"
              )
              .transform_keys { |bar| bar + 4 }
          )
      )
    again = Stairwell::Formats::MusicXML.read(Stairwell::Formats::MusicXML.write(map))
    expect(again.keys.map { |one| [one.bar, one.to_s] }).to eq([[1, "A minor"], [5, "G major"]])
    expect(again.assumed).to eq([["mode_close: A minor", [1]]])
    expect(Stairwell::Score::Assumed.said("mode_close: A minor").to_s).to start_with(
      "the key is A minor, though the score says otherwise"
    )
  end
end
