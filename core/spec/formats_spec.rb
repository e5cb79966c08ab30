# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Stairwell::Formats do
  # A bar line of MusicXML holds one repeat sign and one bracket: what ends
  # twice in one bar, and brackets inside brackets, cannot be written.
  def writable?(page)
    ends = page.repeats.map(&:to)
    ends.uniq == ends &&
      page.endings.combination(2).none? { |one, other| one.span.overlap?(other.span) }
  end

  # Three ways out and back: text, score, document.
  it "keeps a page the same through script, score and document" do
    pages =
      Array
        .new(300) { |seed| NestedPage.new(Random.new(seed)) }
        .select { |page| writable?(page) && page.played.size < 3_000 }
    expect(pages.count { |page| page.endings.any? && page.repeats.size > 2 }).to be > 20
    pages.each do |page|
      map = page.map
      order = Stairwell::Roadmap.read(map).order
      script = Stairwell::Formats::PageScript.write(map)
      score = Stairwell::Formats::MusicXML.write(map)
      document = Stairwell::Score::Document.dump(map)
      expect(Stairwell::Roadmap.read(described_class.read(script, name: "a.txt")).order).to eq(
        order
      ),
      "script"
      expect(Stairwell::Roadmap.read(described_class.read(score, name: "a.musicxml")).order).to eq(
        order
      ),
      "score"
      expect(Stairwell::Roadmap.read(Stairwell::Score::Document.load(document)).order).to eq(order),
      "document"
    end
  end

  it "goes by the ending of the name, whatever its case" do
    expect(described_class.read("bars: 4", name: "A.TXT").bars.size).to eq(4)
    expect { described_class.read("bars: 4", name: "a.doc") }.to raise_error(
      Stairwell::UnreadableError,
      /Use \.musicxml, \.xml or \.mxl for a score, \.txt for a page script/
    )
  end
end
