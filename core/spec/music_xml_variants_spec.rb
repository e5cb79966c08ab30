# frozen_string_literal: true

require_relative "spec_helper"

# The same music written as different programs may write it, after the text of
# the MusicXML 4.0 specification (from memory).
RSpec.describe "One piece in several spellings of MusicXML" do
  def notes(map) = map.notes.transform_values { |hands| hands.transform_values { |all| all.map { |one| [one.onset, one.length, one.pitch.to_s] }.sort } }

  def read(text) = Stairwell::Formats::MusicXML.read(text)

  let(:partwise) { Stairwell::Formats::MusicXML.write(map) }
  let(:map) do
    require "demo/pieces"
    Demo::Pieces.slow_ferry.map
  end

  it "reads timewise as partwise" do
    document = Nokogiri::XML(partwise)
    measures = document.xpath("//measure").map do |measure|
      %(<measure #{measure.attribute_nodes.map { |one| %(#{one.name}="#{one.value}") }.join(" ")}><part id="P1">#{measure.inner_html}</part></measure>)
    end
    timewise = "<score-timewise>#{document.at_xpath("//work").to_xml}#{document.at_xpath("//part-list").to_xml}#{measures.join}</score-timewise>"
    expect(read(timewise).with(unread: [])).to eq(read(partwise).with(unread: []))
  end

  it "does not depend on the divisions" do
    scaled = partwise.gsub(%r{<divisions>(\d+)</divisions>}) { "<divisions>#{$1.to_i * 20}</divisions>" }
      .gsub(%r{<duration>(\d+)</duration>}) { "<duration>#{$1.to_i * 20}</duration>" }
    expect(read(scaled)).to eq(read(partwise))
  end

  it "reads two staves written voice by voice with forward instead of rests" do
    ours = score(Making::FIRST + note("E4", 1) + "<forward><duration>2</duration></forward>" + note("F4", 1) +
      "<backup><duration>4</duration></backup>" + note("C3", 4, staff: 2))
    expect(notes(read(ours))).to eq(1 => {right: [[0, 1/4r, "E4"], [3/4r, 1/4r, "F4"]], left: [[0, 1r, "C3"]]})
  end

  it "takes staff 2 for the left hand whatever voice it has, and notes without a staff for the right" do
    bare = score(Making::FIRST + note("E4", 4).sub("<staff>1</staff>", "") + "<backup><duration>4</duration></backup>" + note("C4", 4, staff: 2).sub("<staff>", "<voice>1</voice><staff>"))
    expect(notes(read(bare))[1].transform_values { |all| all.map(&:last) }).to eq(right: ["E4"], left: ["C4"])
  end

  it "reads an ending whose bracket is only opened, and one for two passes" do
    first = %(<barline location="left"><ending number="1, 2" type="start"/></barline>#{note("C4", 4)}<barline location="right"><ending number="1, 2" type="stop"/><repeat direction="backward"/></barline>)
    last = %(<barline location="left"><ending number="3" type="start"/></barline>#{note("C4", 4)})
    expect(Stairwell::Roadmap.read(read(score(Making::FIRST + note("C4", 4), first, last))).order).to eq([1, 2, 1, 2, 1, 3])
  end

  it "reads a repeat of a single bar, three times" do
    forward = %(<barline location="left"><repeat direction="forward"/></barline>)
    backward = %(<barline location="right"><repeat direction="backward" times="3"/></barline>)
    xml = score(Making::FIRST + note("C4", 4), forward + note("D4", 4) + backward, note("E4", 4))
    expect(Stairwell::Roadmap.read(read(xml)).order).to eq([1, 2, 2, 2, 3])
  end

  it "reads bars without a number, or with one twice, by their index" do
    xml = score(Making::FIRST + note("C4", 4), note("D4", 2), note("E4", 2)).sub('number="2"', 'number="X1" implicit="yes"').sub('number="3"', 'number="2"')
    map = read(xml)
    expect(map.bars.map(&:name)).to eq(["1", "#2", "2"])
    # The halves of a split bar fill each other up.
    expect(Stairwell::Roadmap.read(map).diagnostics).to eq([])
  end

  it "reads a score in another encoding" do
    latin = score(Making::FIRST + note("C4", 4), more: "").sub("UTF-8", "ISO-8859-1").sub("<part id", "<!-- \u00e9 --><part id").encode("ISO-8859-1")
    expect(read(latin.b).bars.size).to eq(1)
    wide = score(Making::FIRST + note("C4", 4)).sub("UTF-8", "UTF-16").encode("UTF-16")
    expect(read(wide.b).bars.size).to eq(1)
  end
end
