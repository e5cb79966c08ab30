# frozen_string_literal: true

require_relative "spec_helper"

# The same music written as different programs may write it, after the text of
# the MusicXML 4.0 specification (from memory).
RSpec.describe "One piece in several spellings of MusicXML" do
  def notes(map) =
    map.notes.transform_values do |hands|
      hands.transform_values do |all|
        all.map { |one| [one.onset, one.length, one.pitch.to_s] }.sort
      end
    end

  def read(text) = Stairwell::Formats::MusicXML.read(text)

  let(:partwise) { Stairwell::Formats::MusicXML.write(map) }
  let(:map) do
    require "demo/pieces"
    Demo::Pieces.slow_ferry.map
  end

  it "reads timewise as partwise" do
    document = Nokogiri.XML(partwise)
    measures =
      document
        .xpath("//measure")
        .map do |measure|
          %(<measure #{measure.attribute_nodes.map { |one| %(#{one.name}="#{one.value}") }.join(" ")}><part id="P1">#{measure.inner_html}</part></measure>)
        end
    timewise =
      "<score-timewise>#{document.at_xpath("//work").to_xml}#{document.at_xpath("//part-list").to_xml}#{measures.join}</score-timewise>"
    expect(read(timewise).with(unread: [])).to eq(read(partwise).with(unread: []))
  end

  it "does not depend on the divisions" do
    scaled =
      partwise
        .gsub(%r{<divisions>(\d+)</divisions>}) { "<divisions>#{$1.to_i * 20}</divisions>" }
        .gsub(%r{<duration>(\d+)</duration>}) { "<duration>#{$1.to_i * 20}</duration>" }
    expect(read(scaled)).to eq(read(partwise))
  end

  it "reads two staves written voice by voice with forward instead of rests" do
    ours =
      score(
        Making::FIRST + note("E4", 1) + "<forward><duration>2</duration></forward>" +
          note("F4", 1) + "<backup><duration>4</duration></backup>" + note("C3", 4, staff: 2)
      )
    expect(notes(read(ours))).to eq(
      1 => {
        right: [[0, 1 / 4r, "E4"], [3 / 4r, 1 / 4r, "F4"]],
        left: [[0, 1r, "C3"]]
      }
    )
  end

  it "takes staff 2 for the left hand whatever voice it has, and notes without a staff for the right" do
    bare =
      score(
        Making::FIRST + note("E4", 4).sub("<staff>1</staff>", "") +
          "<backup><duration>4</duration></backup>" +
          note("C4", 4, staff: 2).sub("<staff>", "<voice>1</voice><staff>")
      )
    expect(notes(read(bare))[1].transform_values { |all| all.map(&:last) }).to eq(
      right: ["E4"],
      left: ["C4"]
    )
  end

  it "reads an ending whose bracket is only opened, and one for two passes" do
    first =
      %(<barline location="left"><ending number="1, 2" type="start"/></barline>#{note("C4", 4)}<barline location="right"><ending number="1, 2" type="stop"/><repeat direction="backward"/></barline>)
    last = %(<barline location="left"><ending number="3" type="start"/></barline>#{note("C4", 4)})
    expect(
      Stairwell::Roadmap.read(read(score(Making::FIRST + note("C4", 4), first, last))).order
    ).to eq([1, 2, 1, 2, 1, 3])
  end

  it "reads a repeat of a single bar, three times" do
    forward = %(<barline location="left"><repeat direction="forward"/></barline>)
    backward = %(<barline location="right"><repeat direction="backward" times="3"/></barline>)
    xml = score(Making::FIRST + note("C4", 4), forward + note("D4", 4) + backward, note("E4", 4))
    expect(Stairwell::Roadmap.read(read(xml)).order).to eq([1, 2, 2, 2, 3])
  end

  it "reads bars without a number, or with one twice, by their index" do
    xml =
      score(Making::FIRST + note("C4", 4), note("D4", 2), note("E4", 2)).sub(
        'number="2"',
        'number="X1" implicit="yes"'
      ).sub('number="3"', 'number="2"')
    map = read(xml)
    expect(map.bars.map(&:name)).to eq(%w[1 #2 2])
    # The halves of a split bar fill each other up.
    expect(Stairwell::Roadmap.read(map).diagnostics).to eq([])
  end

  it "reads a score in another encoding" do
    latin =
      score(Making::FIRST + note("C4", 4), more: "")
        .sub("UTF-8", "ISO-8859-1")
        .sub("<part id", "<!-- \u00e9 --><part id")
        .encode("ISO-8859-1")
    expect(read(latin.b).bars.size).to eq(1)
    wide = score(Making::FIRST + note("C4", 4)).sub("UTF-8", "UTF-16").encode("UTF-16")
    expect(read(wide.b).bars.size).to eq(1)
  end

  # "For barline elements, the location attribute … middle": music goes back from the middle of a
  # bar.
  it "parts a bar at a repeat inside it, in every voice, and cuts what sounds over it" do
    line = '<barline location="middle"><repeat direction="backward"/></barline>'
    words = "<direction><direction-type><words>Fine</words></direction-type></direction>"
    inside =
      "#{note("E4", 1)}#{note("F4", 1)}#{words}#{line}#{note("G4", 2)}<backup><duration>4</duration></backup>#{note("C3", 3, staff: 2)}#{note("D3", 1, staff: 2)}"
    map = read(score(Making::FIRST + note("C4", 4), inside, note("A4", 4)))
    expect(map.bars.map { |bar| [bar.name, bar.counts] }).to eq(
      [["1", 4], ["2", 2], ["#3", 2], ["3", 4]]
    )
    expect(notes(map).slice(2, 3)).to eq(
      2 => {
        right: [[0, 1 / 4r, "E4"], [1 / 4r, 1 / 4r, "F4"]],
        left: [[0, 1 / 2r, "C3"]]
      },
      3 => {
        right: [[0, 1 / 2r, "G4"]],
        left: [[1 / 4r, 1 / 4r, "D3"]]
      }
    )
    expect(map.fine).to eq([2])
    reading = Stairwell::Roadmap.read(map)
    expect([reading.order, reading.diagnostics.map(&:code)]).to eq(
      [[1, 2, 1, 2, 3, 4], [:fine_unused]]
    )
  end

  it "counts small notes of another part as time, not as notes" do
    cue = note("G5", 2).sub("<note>", "<note><cue/>")
    map = read(score(Making::FIRST + cue + note("C4", 2), note("D4", 4)))
    expect(notes(map)[1]).to eq(right: [[1 / 2r, 1 / 2r, "C4"]], left: [])
    expect(Stairwell::Roadmap.read(map).diagnostics).to eq([])
  end

  # "Senza-misura": no meter is printed, so that the bars are as long as their notes.
  it "takes the bars' own lengths where no meter is printed, and complains of none" do
    divisions = "<attributes><divisions>1</divisions><staves>2</staves></attributes>"
    free = "<attributes><time><senza-misura/></time></attributes>"
    map = read(score(divisions + note("C4", 3), note("D4", 5), note("E4", 2)))
    expect(map.bars.map { |bar| [bar.counts, bar.meter.to_s] }).to eq(
      [[3, "free"], [5, "free"], [2, "free"]]
    )
    expect(Stairwell::Roadmap.read(map).diagnostics).to eq([])
    later = read(score(Making::FIRST + note("C4", 4), free + note("D4", 7), note("E4", 1)))
    expect(later.bars.map { |bar| [bar.counts, bar.meter.to_s] }).to eq(
      [[4, "4/4"], [7, "free"], [1, "free"]]
    )
    expect(read(Stairwell::Formats::MusicXML.write(later)).bars).to eq(later.bars)
    expect(Stairwell::Formats::PageScript.write(later)).to include(
      "time: free from 2\n",
      "bar 2: 7 counts\n"
    )
  end

  it "finds a full last bar of an excerpt as it should be, and a short one that does not fit the pickup odd" do
    excerpt = ->(last) do
      Stairwell::Roadmap
        .read(
          read(
            score(Making::FIRST + note("C4", 1), note("D4", 4), note("E4", last)).sub(
              'number="1"',
              'number="0" implicit="yes"'
            )
          )
        )
        .diagnostics
        .map { |one| [one.code, one.bar] }
    end
    expect([excerpt[4], excerpt[3], excerpt[2]]).to eq([[], [], [[:complement, 3]]])
  end

  # A piece with an upbeat of one count: the repeat's last bar has three, and fills up with the
  # upbeat when it goes back; on its last pass with the second half's.
  it "finds bars that a repeat fills up with the pickup on one pass as they should be" do
    back = '<barline location="right"><repeat direction="backward"/></barline>'
    map =
      read(
        score(
          Making::FIRST + note("G4", 1),
          note("C4", 4),
          note("D4", 3) + back,
          note("E4", 4),
          note("F4", 3)
        ).sub('number="1"', 'number="0" implicit="yes"')
      )
    expect(Stairwell::Roadmap.read(map).diagnostics).to eq([])
  end
end
