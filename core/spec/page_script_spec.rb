# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Stairwell::Formats::PageScript do
  let(:script) { <<~TEXT }
      title: The Slow Ferry
      book: Tidewater Primer 2
      page 12: 4 4 5 4
      page 13: 5 4 4
      time: 3/4
      key: G major
      tempo: Andante, marked quarter = 92, target 76
      repeat: 9-13
      repeat: 14-21
      ending 1: 21
      ending 2: 22
      section A: 1-4
      section A1: 5-8 like A except 8
      section B: 9-13, 23-26 difficulty 4
      section C: 14-22 left hand like A
      section D: 27-30 like B moved
    TEXT

  def problem(line, before = "bars: 12\n") = described_class.read(before + line).problems.first

  it "reads a page and writes it back the same" do
    map = page(script)
    expect(map.sections.map(&:label)).to eq(%w[A A1 B C D])
    expect(described_class.write(map)).to eq(script)
  end

  it "does not care about case, spaces or the order of the lines" do
    shuffled =
      script
        .lines
        .shuffle(random: Random.new(1))
        .join
        .sub("repeat: 9-13", "  REPEAT :   p12 l3 b1 - P12 L3 B5")
    map = page(shuffled)
    expect(map.repeats.map { |one| [one.from, one.to] }).to contain_exactly([9, 13], [14, 21])
  end

  it "round trips generated pages, pickups and short bars included" do
    random = Random.new(9)
    100.times do
      map = GeneratedPage.new(random).map
      pickup = random.rand(2) == 0
      text = described_class.write(map) + (pickup ? "pickup: 1/2\nbar 1: 3 counts\n" : "")
      expect(page(described_class.write(page(text)))).to eq(page(text))
    end
  end

  it "names bars by printed number, by index, and by page, line and bar" do
    map = page("page 5: 4 3\npickup: 1\nsection A: 0-2\nsection B: p5 l2 b1 - #8")
    expect(map.sections.map { |one| [one.spans.first.from, one.spans.first.to] }).to eq(
      [[1, 3], [6, 8]]
    )
  end

  it "says bars without a number, and numbers that start anew or are printed twice" do
    map =
      page(
        "bars: 6\npickup: 1\nunnumbered: #4\nbar #6: number 1\nsection A: 1-2\nsection B: #6 - #8\nfine: #4\n"
      )
    expect(map.bars.map(&:number)).to eq([0, 1, 2, nil, 3, 1, 2, 3])
    expect(map.sections.map { |one| one.spans.first.bars }).to eq([[2, 3], [6, 7, 8]])
    expect(page(described_class.write(map))).to eq(map)
    expect(described_class.write(map)).to include(
      "bar #6: number 1",
      "unnumbered: #4",
      "section A: #2-#3",
      "fine: #4"
    )
  end

  it "keeps comments and lines it does not understand, so that nothing typed is lost" do
    map =
      described_class.read("bars: 8 # as in the old print\n# ask Tomas\nseqno: 3\nfermata: x").map
    expect(map.remarks).to eq(["# as in the old print", "# ask Tomas", "seqno: 3", "fermata: x"])
    expect(described_class.write(map)).to include("# ask Tomas", "seqno: 3", "fermata: x")
  end

  it "says line, column, what was expected, and the nearest correct statement" do
    found = problem("repaet: 1-4")
    expect([found.line, found.column, found.suggestion]).to eq([2, 1, "repeat: 1-4"])
    found = problem("repeat: 1-x")
    expect([found.line, found.column]).to eq([2, 11])
    expect(found.message).to include("expected a bar such as 9")
    expect(problem("repeat 1-4").suggestion).to eq("repeat: 1-4")
    expect(problem("repeat: 5-2").message).to include("ends before it begins")
    expect(problem("repeat: 1-40").message).to include(
      "there is no bar 40; the piece has bars 1 to 12"
    )
    expect(problem("section A: p1 l1 b9", "page 1: 4 4\n").message).to include(
      "page 1 line 1 has 4 bars, not 9"
    )
    expect(problem("key: H major").message).to include("expected a key")
    expect(problem("section A1: 5-8 like").message).to include("label of an earlier section")
  end

  it "asks for bars when there are none" do
    result = described_class.read("title: Nothing")
    expect([result.map, result.problems.first.suggestion]).to eq([nil, "page 12: 4 4 4 4"])
  end

  it "reads thousands of mutilated lines without failing" do
    random = Random.new(4)
    lines = script.lines
    1_500.times do
      text = lines.sample(6, random: random).join
      random
        .rand(1..8)
        .times { text[random.rand(text.size)] = random.rand(32..255).chr(Encoding::UTF_8) }
      result = described_class.read(text)
      Stairwell::Roadmap.read(result.map) if result.map
    end
  end

  it "keeps a map as a document and gives the same map back" do
    require "demo/pieces"
    [page(script), *Demo::Pieces.all.map(&:map)].each do |map|
      document = JSON.parse(JSON.generate(Stairwell::Score::Document.dump(map)))
      expect(Stairwell::Score::Document.load(document)).to eq(map)
    end
    expect { Stairwell::Score::Document.load({ "schema" => "other" }) }.to raise_error(
      Stairwell::UnreadableError
    )
  end
end
