# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"

# What one studio hands to another is its own work; what is somebody else's goes only where it may.
RSpec.describe Stairwell::Formats::Parcel do
  score = Stairwell::Score
  script = <<~SCRIPT
    title: Harbour Bell
    book: Tidewater Primer 2
    bars: 8
    meter: 1 3/4
    repeat: 1-4
    section A: 1-4
    section B: 5-8
    lyrics 1: 1-4
    track: 7
    note A: fingering: thumb on G
    # Slow down here.
  SCRIPT
  typed = Stairwell::Formats::PageScript.read(script).map
  played = Demo::Pieces.lantern_room.map
  again = ->(map, *with) { described_class.read(described_class.write([map], with: with)).first }

  it "gives bars, signs, sections and the teacher's words as they are" do
    found = again.call(typed)
    expect(
      [
        found.title,
        found.book,
        found.bars,
        found.repeats,
        found.sections,
        found.remarks,
        found.markings.section_notes
      ]
    ).to eq(
      [
        typed.title,
        typed.book,
        typed.bars,
        typed.repeats,
        typed.sections,
        typed.remarks,
        typed.markings.section_notes
      ]
    )
  end

  it "gives notes, words and track numbers only where that is said, each by itself" do
    expect([again.call(typed).markings.verses, again.call(typed).markings.track]).to eq([[], nil])
    expect(
      [again.call(typed, :verses).markings.verses.size, again.call(typed, :verses).markings.track]
    ).to eq([1, nil])
    expect(
      [again.call(typed, :track).markings.verses, again.call(typed, :track).markings.track]
    ).to eq([[], 7])
    expect(played.notes).not_to be_empty
    expect(again.call(played).notes).to eq({})
    expect(again.call(played, :notes).notes).to eq(played.notes)
  end

  # What a score says of syllables is its words, too.
  it "leaves out what tells of the words" do
    sung =
      typed.with(
        phrasing: score::Phrasing.new(inside_words: [[2, 1 / 4r]]),
        unread: [["lyric: oh", [1]]]
      )
    expect([again.call(sung).phrasing, again.call(sung).unread]).to eq([score::Phrasing.new, []])
    expect(again.call(sung, :verses).phrasing.inside_words).to eq([[2, 1 / 4r]])
  end

  it "is the whole page where all is given" do
    expect(again.call(played, :notes, :verses, :track)).to eq(played)
  end

  [
    "",
    "{}",
    "[]",
    "null",
    "\xFF\xFE",
    '{"format":"stairwell-pages-1"}',
    '{"format":"stairwell-pages-2","pages":[]}',
    '{"format":"stairwell-pages-1","pages":[{}]}',
    '{"format":"stairwell-pages-1","pages":[{"schema":"stairwell-map/1","bars":"x"}]}',
    "#{"[" * 5_000}#{"]" * 5_000}",
    JSON.generate({ format: "stairwell-pages-1", pages: [{}] * 301 })
  ].each do |text|
    it "is refused in words where it is #{text[0, 60].inspect}" do
      expect { described_class.read(text) }.to raise_error(Stairwell::UnreadableError) { |error|
        expect(error.message).to match(/parcel|map|document|page/i)
      }
    end
  end
end
