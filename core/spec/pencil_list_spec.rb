# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"

# What to write with a pencil into one's own book (common practice, no source).
RSpec.describe Stairwell::Sections::PencilList do
  lines = ->(map) do
    described_class
      .new(map)
      .lines
      .map do |line|
        [line.page, line.line, line.items.map { |item| "#{map.bar(item.bar).name}: #{item.words}" }]
      end
  end

  it "goes line by line: signs to circle, arrows back, letters, boxes, fingers, breaths, what is held" do
    map =
      page(
        "page 3: 4 4 4\ntime: 3/4\nrepeat: 1-4\nsegno: 5\nto coda: 8\ncoda: 12\ndal segno: 11 al coda\nsection A: 1-4, 9-10\nsection B: 5-8\nstart right at 5: finger 2 on G4\nguide left at 6: finger 3 on E3\nfermata: 12 beat 1 for 3\nhard: 6-7\nspot: 10 beat 2 - 10 beat 3, jump"
      )
    expect(lines[map]).to eq(
      [
        [3, 1, ["1: write A", "4: arrow back to bar 1 (page 3, line 1, bar 1)"]],
        [
          3,
          2,
          [
            "5: write B",
            "5: circle the sign (segno)",
            "5: right hand: finger 2 on G4",
            "5: a breath mark before it",
            "6: left hand: finger 3 guides to E3, with an arrow",
            "6: bracket over bars 6–7, slowly",
            "8: circle To Coda"
          ]
        ],
        [
          3,
          3,
          [
            "9: box around bars 9–10: A again, as bars 1–4",
            "9: a breath mark before it",
            "10: star: jump",
            "11: arrow back to bar 5 (page 3, line 2, bar 1), then over To Coda to the coda",
            "12: circle the coda sign",
            "12: hold 6 counts"
          ]
        ]
      ]
    )
  end

  it "marks endings with their passes" do
    expect(
      lines[page("bars: 4\nrepeat: 1-3\nending 1: 3\nending 2: 4")].flat_map(&:last)
    ).to include("3: write “1st time” over the ending", "4: write “2nd time” over the ending")
  end

  it "says of fingers that were worked out that they were" do
    fingers =
      described_class
        .new(Demo::Pieces.long_jetty.map)
        .lines
        .flat_map(&:items)
        .select { |item| item.kind == :finger }
    expect(fingers).not_to be_empty
    expect(fingers.map { |item| item.words.to_s }).to all(include("perhaps finger"))
  end

  # The list must not be a copy of the score: no rhythm, no melody, only places and words.
  it "copies no notes" do
    map = Demo::Pieces.night_barge.map
    said = described_class.new(map).lines.flat_map(&:items).map { |item| item.words.to_s }.join(" ")
    named = said.scan(/\b[A-G][♯♭]?\d\b/).size
    expect(named).to be < map.notes.values.sum { |hands| hands.values.sum(&:size) } / 4
  end

  it "is empty where there is nothing to write" do
    expect(lines[page("bars: 4")]).to eq([])
  end
end
