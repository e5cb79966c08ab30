# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Stairwell::Score do
  # MIDI 1.0: note number 60 is middle C; with scientific pitch notation that is
  # C4, and A4 (69) is the tuning note.
  it "numbers pitches as MIDI does" do
    numbers = {
      "C4" => 60,
      "A4" => 69,
      "C-1" => 0,
      "G9" => 127,
      "Bb3" => 58,
      "F##4" => 67,
      "Cb4" => 59,
      "B#3" => 60,
      "Ebb5" => 74
    }
    expect(numbers.keys.to_h { |name| [name, Stairwell::Score::Pitch.parse(name).midi] }).to eq(
      numbers
    )
    expect(numbers.keys.map { |name| Stairwell::Score::Pitch.parse(name).to_s }).to eq(numbers.keys)
    expect { Stairwell::Score::Pitch.parse("H4") }.to raise_error(Stairwell::UnreadableError)
  end

  # The circle of fifths as every handbook of theory prints it (from memory).
  let(:circle) do
    {
      "major" => %w[Cb Gb Db Ab Eb Bb F C G D A E B F# C#],
      "minor" => %w[Ab Eb Bb F C G D A E B F# C# G# D# A#]
    }
  end

  it "names keys by the circle of fifths" do
    circle.each do |mode, tonics|
      tonics.each_with_index do |tonic, at|
        key = Stairwell::Score::Key.parse("#{tonic} #{mode}")
        expect([key.fifths, key.to_s]).to eq([at - 7, "#{tonic} #{mode}"])
      end
    end
    expect(Stairwell::Score::Key.parse("G# major")).to be_nil # eight sharps
    expect(Stairwell::Score::Key.parse("g")).to eq(Stairwell::Score::Key.parse("G major"))
  end

  # Order of sharps F C G D A E B, of flats the other way round (from memory).
  it "puts sharps and flats in their order" do
    sharps =
      (1..7).map do |count|
        %w[F C G D A E B].select do |step|
          Stairwell::Score::Key.new(fifths: count).alter(step) == 1
        end
      end
    flats =
      (1..7).map do |count|
        %w[B E A D G C F].select do |step|
          Stairwell::Score::Key.new(fifths: -count).alter(step) == -1
        end
      end
    expect(sharps).to eq((1..7).map { |count| %w[F C G D A E B].first(count) })
    expect(flats).to eq((1..7).map { |count| %w[B E A D G C F].first(count) })
  end

  it "counts bars by their meter" do
    counts = {
      [3, 4] => 3,
      [4, 4] => 4,
      [6, 8] => 2,
      [9, 8] => 3,
      [12, 8] => 4,
      [2, 2] => 2,
      [3, 8] => 3,
      [5, 8] => 5,
      [6, 4] => 6
    }
    found =
      counts.keys.to_h do |beats, unit|
        Stairwell::Score::Meter
          .new(beats: beats, unit: unit)
          .then { |meter| [[beats, unit], meter.counts(meter.bar_length)] }
      end
    expect(found).to eq(counts)
  end

  it "refuses values that lack a member, and lets none be changed" do
    expect { Stairwell::Score::Span.new(from: 1) }.to raise_error(ArgumentError, /to/)
    span = Stairwell::Score::Span.new(from: 1, to: 4)
    expect { span.to = 8 }.to raise_error(FrozenError)
    expect([span.with(to: 8), span]).to eq(
      [Stairwell::Score::Span.new(from: 1, to: 8), Stairwell::Score::Span.new(from: 1, to: 4)]
    )
  end

  describe "the layout" do
    let(:layout) { page("page 12: 4 4 5 4\npage 13: 5 4 4\npickup: 1").layout }

    it "moves a line's end: the line takes bars of the next one or leaves it some, and keeps one" do
      shifted = ->(line, by, page = 12) { layout.shifted(page: page, line: line, by: by) }
      expect([shifted[1, 1], shifted[1, -1], shifted[3, -2]]).to eq(
        [[5, 3, 5, 4], [3, 5, 5, 4], [4, 4, 3, 6]]
      )
      expect([shifted[1, 9], shifted[1, -9]]).to eq([[8, 5, 4], [1, 7, 5, 4]])
      expect([shifted[3, 1, 13], shifted[3, -1, 13]]).to eq([nil, [5, 4, 3, 1]])
      expect([shifted[1, 0], shifted[9, 1], shifted[1, 1, 7]]).to eq([nil, nil, nil])
    end

    it "converts places and bars both ways" do
      (2..31).each do |index|
        address = layout.address(index)
        expect(layout.index(page: address.page, line: address.line, bar: address.bar)).to eq(index)
      end
      expect(layout.address(12).to_s).to eq("page 12, line 3, bar 3")
      expect(layout.address(19).to_s).to eq("page 13, line 1, bar 1")
    end

    it "does not count a pickup in its line" do
      expect([layout.address(1).bar, layout.address(2).bar]).to eq([0, 1])
      expect(layout.lines.first.last.map(&:index)).to eq([1, 2, 3, 4, 5])
    end

    it "says what the page really holds when a place is out of range" do
      {
        { page: 14, line: 1, bar: 1 } => "there is no page 14; the piece is on pages 12 to 13",
        { page: 12, line: 5, bar: 1 } => "page 12 has 4 lines, not 5",
        { page: 12, line: 3, bar: 6 } => "page 12 line 3 has 5 bars, not 6",
        { page: 12, line: 1, bar: 0 } => "page 12 line 1 has 4 bars, not 0"
      }.each do |place, said|
        expect { layout.index(**place) }.to raise_error(Stairwell::UnreadableError, said)
      end
    end

    it "knows when the page must be turned" do
      expect([layout.turn?(18, 19), layout.turn?(5, 6), layout.turn?(19, 5)]).to eq(
        [true, false, true]
      )
    end

    it "assumes lines of four where nothing is said, and gives stray bars to the last line" do
      expect(page("bars: 10").layout.lines.map { |_, _, bars| bars.size }).to eq([4, 4, 2])
      expect(page("page 1: 4 4\nbars: 10").layout.lines.map { |_, _, bars| bars.size }).to eq(
        [4, 6]
      )
    end
  end
end
