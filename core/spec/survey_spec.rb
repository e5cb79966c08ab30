# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"
require "stairwell/command"
require "stringio"
require "tmpdir"

RSpec.describe "The survey" do
  def suggested(map)
    Stairwell::Sections
      .suggest(map)
      .map do |one|
        [
          one.label,
          one.spans.map { |span| [span.from, span.to] },
          Stairwell::Formats::PageScript.words(map, one)
        ]
      end
  end

  # Checked by eye: what a teacher marked by hand on the demo pieces.
  it "suggests the sections a teacher would mark" do
    expect(suggested(Demo::Pieces.long_jetty.map)).to eq(
      [
        ["A", [[1, 4]], ""],
        ["B", [[5, 8]], ""],
        ["C", [[9, 12]], ""],
        ["B1", [[13, 16]], "like B except 16"],
        ["D", [[17, 20]], ""]
      ]
    )
    expect(suggested(Demo::Pieces.lantern_room.map).map { |label, spans, _| [label, spans] }).to eq(
      [["A", [[1, 4]]], ["A1", [[5, 8], [13, 16]]], ["B", [[9, 12]]]]
    )
    expect(suggested(Demo::Pieces.two_gulls.map)).to eq(
      [["A", [[1, 4], [9, 12]], ""], ["B", [[5, 8]], ""], ["B1", [[13, 16]], "like B except 16"]]
    )
    expect(suggested(Demo::Pieces.slow_ferry.map).first(2)).to eq(
      [["A", [[1, 5]], ""], ["A1", [[6, 9]], "like A except 8"]]
    )
  end

  it "breaks where the page does, without notes" do
    expect(suggested(page("page 1: 5 5\npage 2: 5")).map { |_, spans, _| spans.first }).to eq(
      [[1, 5], [6, 10], [11, 15]]
    )
    expect(
      suggested(page("bars: 16\nrepeat: 1-6\nrepeat: 7-10")).map { |_, spans, _| spans.first }
    ).to start_with([1, 6], [7, 10])
  end

  it "covers every bar once, by two to eight bars where it can, whatever the page" do
    200.times do |seed|
      map = NestedPage.new(Random.new(seed)).map
      spans = Stairwell::Sections::Suggestion.new(map).spans
      expect(spans.flat_map(&:bars)).to eq((1..map.bars.size).to_a)
      expect(spans.map(&:size)).to all(be_between(2, 8)) if map.bars.size > 1
    end
  end

  it "is worth most: no other way to cut a short page is worth more" do
    all = ->(bars) do
      if bars == 0
        [[]]
      else
        (2..8)
          .select { |size| size <= bars }
          .flat_map { |size| all.call(bars - size).map { |rest| rest + [size] } }
      end
    end
    30.times do |seed|
      map =
        page(
          "bars: #{6 + seed % 7}\nrepeat: #{1 + seed % 3}-#{4 + seed % 3}\ntime: 2/4 from #{2 + seed % 4}"
        )
      cuts = Stairwell::Sections::Cuts.new(map)
      worth = ->(sizes) do
        at = 1
        sizes.sum do |size|
          (
            ((at == 1) ? 0 : cuts.worth(at)) - Stairwell::Constants::SECTION_LENGTHS.fetch(size)
          ).tap { at += size }
        end
      end
      expect(worth.call(Stairwell::Sections::Suggestion.new(map).spans.map(&:size))).to be_within(
        1e-9
      ).of(all.call(map.bars.size).map(&worth).max)
    end
  end

  it "tells of each join the rest, the leap of each hand, turn and jump, and whether it is hard" do
    map =
      Demo::Pieces.long_jetty.map.with(
        sections:
          page(
            "bars: 20\nsection A: 1-4\nsection B: 5-8\nsection C: 9-16\nsection D: 17-20"
          ).sections
      )
    facts =
      Stairwell::Sections
        .form(map)
        .joins
        .map { |join| Stairwell::Sections::Joins.new(map).facts(join) }
    found = facts.to_h { |one| ["#{one.join.from}#{one.join.to}", one] }
    # By hand: bar 4 ends on E5 over E3, bar 5 begins on E5 over A2.
    expect(found["AB"]).to have_attributes(
      rest_counts: 0,
      leap: {
        right: 0,
        left: 7
      },
      turn: false,
      jump: false
    )
    expect(found["AB"].hard?).to be(false) # no rest, as it should be, and no hand leaves its place
    expect(found["CB"]).to have_attributes(turn: true, jump: true) # back to the sign, over the page
    silent = map.with(notes: {})
    expect(Stairwell::Sections::Joins.new(silent).facts(facts.first.join)).to have_attributes(
      rest_counts: nil,
      leap: {
        right: nil,
        left: nil
      },
      hard?: false
    )
  end

  it "names a shape that is turned over, and a tune that changes hands" do
    notes =
      Demo::Notation.hands(
        "C4q D4q E4q F4q | F4q E4q D4q C4q | -w | C4w",
        "-w | -w | C3q D3q E3q F3q | C3w"
      )
    map =
      Stairwell::Score::Map.new(
        title: "Made",
        bars: Stairwell::Score.bars(4, meters: [Stairwell::Score::Meter.new(beats: 4, unit: 4)]),
        notes: notes
      )
    likeness = Stairwell::Sections::Likeness.new(map)
    expect([likeness.also(2, :right), likeness.also(3, :left), likeness.also(4, :right)]).to eq(
      [[:mirror], [:other_hand], []]
    )
    # The left hand's bar 3 is new to it, but costs only as a rhythm.
    expect(Stairwell::Sections.new_share(map).bar(3, :left)).to eq(60 / 100r)
  end

  it "is printed as JSON with the closest relation of every bar" do
    Dir.mktmpdir do |folder|
      file = File.join(folder, "a.musicxml")
      File.write(file, Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map))
      out = StringIO.new
      expect(Stairwell::Command.run(["survey", file, "--json"], out: out, err: $stderr)).to eq(0)
      read = JSON.parse(out.string)
      expect(read["new_bars"]).to eq(5.55)
      expect(read["bars"][2]).to eq(
        "bar" => 3,
        "right" => {
          "relation" => "moved",
          "of" => 1,
          "by" => 4
        },
        "left" => {
          "relation" => "rest"
        },
        "together" => {
          "relation" => "moved",
          "of" => 1,
          "by" => 4
        }
      )
      expect(read["sections"].map { |one| one["spans"] }).to eq([[[1, 4]], [[5, 8]]])
    end
  end
end
