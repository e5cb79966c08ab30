# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"

RSpec.describe Stairwell::Sections do
  def relations(map, hand) =
    Stairwell::Sections::Likeness
      .new(map)
      .bars
      .map { |bar| [bar[hand].name, bar[hand].of, bar[hand].by] }

  # A piece whose likeness is known by how it is made.
  def made(right, left = nil, key: "C major")
    meter = Stairwell::Score::Meter.new(beats: 4, unit: 4)
    left ||= Array.new(right.split("|").size) { "-w" }.join(" | ")
    notes = Demo::Notation.hands(right, left)
    Stairwell::Score::Map.new(
      title: "Made",
      bars: Stairwell::Score.bars(right.split("|").size, meters: [meter]),
      notes: notes,
      keys: [Stairwell::Score::Key.parse(key)]
    )
  end

  describe "likeness" do
    it "finds same, moved, rhythm and new, with the earliest bar" do
      map = made("C4h E4h | D4h F#4h | C4h E4h | G4h F4h | C4w")
      expect(relations(map, :right)).to eq(
        [[:new, nil, nil], [:moved, 1, 2], [:same, 1, 0], [:rhythm, 1, nil], [:new, nil, nil]]
      )
      expect(relations(map, :left).map(&:first)).to all(eq(:rest))
    end

    it "finds what is moved by scale steps, where semitones differ" do
      expect(relations(made("C4h E4h | D4h F4h"), :right).last).to eq([:moved, 1, { steps: 1 }])
      # The same shift with a note outside the key is not.
      expect(relations(made("C4h E4h | D4q D4q D4q D4q | D4h Fb4h"), :right).last.first).to eq(
        :rhythm
      )
    end

    it "does not know a bar together when its hands were learnt in different bars" do
      map = made("C4w | E4w | C4w", "C3w | G2w | G2w")
      both = Stairwell::Sections::Likeness.new(map).bars.last
      expect([both[:right].name, both[:left].name, both[:together].name]).to eq(
        %i[same same rhythm]
      )
    end

    it "counts the new bars of Fog Signal" do
      map = Demo::Pieces.fog_signal.map
      # 1 new, 2 new, 3 moved (a third up), 4 same as 2, 5 new, 6 new, then
      # the rhythms of 5 and 6 again: 1 + 1 + 0.35 + 0 + 1 + 1 + 0.6 + 0.6
      expect(described_class.new_share(map).new_bars).to eq(555 / 100r)
    end
  end

  describe "new share from the teacher's words" do
    let(:script) do
      "bars: 20\nsection A: 1-4\nsection A1: 5-8 like A except 8\nsection B: 9-12, 17-20\nsection C: 13-16 like B moved"
    end

    it "gives the figures that notes would give" do
      share = described_class.new_share(page(script))
      expect(share.new_bars).to eq(4 + 1 + 4 + 4 * 35 / 100r)
      expect(share.mean((5..8).to_a)).to eq(1 / 4r)
    end

    it "knows one hand by words about that hand" do
      share =
        described_class.new_share(page("bars: 8\nsection A: 1-4\nsection B: 5-8 left hand like A"))
      expect([share.bar(5, :left), share.bar(5, :right), share.bar(5)]).to eq([0, 1, 1])
    end
  end

  describe "form and seams" do
    it "gives the labels in playing order" do
      map =
        page(
          "bars: 16\nrepeat: 1-8\nsection A: 1-4\nsection A1: 5-8 like A\nsection B: 9-12\nsection A2: 13-16 like A"
        )
      expect(described_class.form(map).labels).to eq(%w[A A1 A A1 B A2])
    end

    it "does not take a skipped ending for a new occurrence, but a step back for one" do
      map = page("bars: 6\nrepeat: 1-4\nending 1: 4\nending 2: 5\nsection A: 1-5\nsection B: 6")
      form = described_class.form(map)
      expect(form.labels).to eq(%w[A A B])
      expect(form.joins.map { |join| [join.from, join.to, join.from_bar, join.to_bar] }).to eq(
        [["A", "A", 4, 1], ["A", "B", 5, 6]]
      )
    end

    it "counts bars in no section as an unnamed one" do
      expect(described_class.form(page("bars: 6\nsection A: 1-2\nsection B: 5-6")).labels).to eq(
        ["A", nil, "B"]
      )
    end
  end

  it "says which bars no section holds, the pickup too, and whose they could be" do
    map = page("bars: 12\npickup: 1\nsection A: 1-4\nsection B: 7-10")
    told = Stairwell::Sections::Check.call(map).select { |one| one.code == :in_no_section }
    expect(
      told.map do |one|
        [map.bar(one.bar).name, one.message[/\A.*?section/], one.mend.words, one.grave]
      end
    ).to eq(
      [
        ["0", "The pickup lies in no section", "Let A begin there", false],
        ["5", "Bars 5 to 6 lie in no section", "Let A end there", false],
        ["11", "Bars 11 to 12 lie in no section", "Let B end there", false]
      ]
    )
    mended = told.map { |one| Stairwell::Formats::PageScript.mend(map, one.mend)[:put] }
    expect(mended).to eq([["section A: 0-4"], ["section A: 1-6"], ["section B: 7-12"]])
    expect(Stairwell::Sections::Check.call(page("bars: 4"))).to eq([])
    expect(Stairwell::Sections::Check.call(page("bars: 4\npickup: 1\nsection A: 0-4"))).to eq([])
  end

  it "reports sections that overlap, run past the end, share a name or resemble nothing" do
    map = page("bars: 8\nsection A: 1-4\nsection B: 4-8\nsection B: 6-7 like Z")
    expect(Stairwell::Sections::Check.call(map).map(&:code)).to include(
      :sections_overlap,
      :label_twice,
      :kin_unknown
    )
  end
end
