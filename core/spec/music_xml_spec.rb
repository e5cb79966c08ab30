# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Stairwell::Formats::MusicXML do
  def code
    yield
    nil
  rescue Stairwell::UnreadableError => error
    expect(error.message).to match(/\A[^\n]+\z/)
    error.code
  end

  it "reads bars with their real lengths, pickups included" do
    xml =
      score(Making::FIRST + note("C4", 1), note("C4", 4), note("C4", 3)).sub(
        'number="1"',
        'number="0" implicit="yes"'
      )
    map = described_class.read(xml)
    expect(map.bars.map(&:number)).to eq([0, 2, 3])
    expect(map.bars.map(&:length)).to eq([1 / 4r, 1r, 3 / 4r])
    expect(Stairwell::Roadmap.read(map).diagnostics).to eq([])
  end

  it "takes the staff for the hand, and chords and backup for what they are" do
    map =
      read(
        note("E4", 4) + note("G4", 4, chord: true) + "<backup><duration>4</duration></backup>" +
          note("C3", 2, staff: 2) + note("G2", 2, staff: 2)
      )
    expect(map.notes[1][:right].map { |one| one.pitch.to_s }).to eq(%w[E4 G4])
    expect(map.notes[1][:left].map { |one| [one.onset, one.pitch.to_s] }).to eq(
      [[0, "C3"], [1 / 2r, "G2"]]
    )
    expect(map.bars.first.length).to eq(1)
  end

  it "takes two parts of one staff as right and left hand" do
    part = ->(id, pitch) do
      %(<part id="#{id}"><measure number="1"><attributes><divisions>2</divisions></attributes>#{note(pitch, 8)}</measure></part>)
    end
    xml =
      %(<score-partwise><part-list><score-part id="A"><part-name>Right</part-name></score-part><score-part id="B"><part-name>Left</part-name></score-part></part-list>#{part.call("A", "C5")}#{part.call("B", "C3")}</score-partwise>)
    hands = described_class.read(xml).notes[1]
    expect(hands.transform_values { |notes| notes.map { |one| one.pitch.to_s } }).to eq(
      right: ["C5"],
      left: ["C3"]
    )
  end

  it "reads page and system breaks as the layout" do
    breaks = [
      "<print page-number='12'/>",
      "",
      "<print new-system='yes'/>",
      "<print new-page='yes' page-number='14'/>"
    ]
    map = read(breaks.shift + note("C4", 4), *breaks.map { |one| one + note("C4", 4) })
    expect(map.pages.map { |page| [page.number, page.lines] }).to eq([[12, [2, 1]], [14, [1]]])
  end

  it "reads keys, meters and tempo marks" do
    change =
      "<attributes><key><fifths>-3</fifths><mode>minor</mode></key><time><beats>6</beats><beat-type>8</beat-type></time></attributes>"
    mark =
      "<direction><direction-type><words>Rocking</words></direction-type><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>54</per-minute></metronome></direction-type></direction>"
    map = read(mark + note("C4", 4), change + note("C4", 3))
    expect(map.keys.map(&:to_s)).to eq(["C major", "C minor"])
    expect(map.meters.map(&:to_s)).to eq(%w[4/4 6/8])
    expect([map.tempo.words, map.tempo.mark, map.tempo.mark_unit]).to eq(["Rocking", 54, 3 / 8r])
  end

  it "reads repeats and endings as different programs write them" do
    first =
      %(<barline location="left"><ending number="1." type="start"/></barline>#{note("C4", 4)}<barline location="right"><ending number="1" type="stop"/><repeat direction="backward"/></barline>)
    second =
      %(<barline location="left"><ending number="2" type="start"/></barline>#{note("C4", 4)}<barline location="right"><ending number="2" type="discontinue"/></barline>)
    expect(Stairwell::Roadmap.read(read(note("C4", 4), first, second)).order).to eq([1, 2, 1, 3])
  end

  it "reads the compressed form" do
    map = page("title: Pressed\nbars: 4\nrepeat: 1-2")
    expect(described_class.read(described_class.compress(map)).title).to eq("Pressed")
  end

  it "writes what it reads: bars, signs, layout and notes" do
    require "demo/pieces"
    Demo::Pieces.all.each do |piece|
      back = described_class.read(described_class.write(piece.map))
      expect(back.bars.map(&:length)).to eq(piece.map.bars.map(&:length))
      expect(back.notes).to eq(piece.map.notes)
      expect(back.pages).to eq(piece.map.pages)
      expect(Stairwell::Roadmap.read(back).order).to eq(Stairwell::Roadmap.read(piece.map).order)
    end
  end

  describe "clear errors" do
    let(:whole) { score(Making::FIRST + note("C4", 4)) }

    it("for what is no score") do
      expect(code { described_class.read("<html><body/></html>") }).to eq(:not_a_score)
    end
    it("for plain text") { expect(code { described_class.read("hello") }).to eq(:cut_off) }
    it("for nothing") { expect(code { described_class.read("") }).to eq(:empty) }
    it("for a file that is cut off") do
      expect(code { described_class.read(whole[0, whole.size / 2]) }).to eq(:cut_off)
    end

    it "for entities" do
      bomb =
        whole.sub(
          "<score-partwise",
          %(<!DOCTYPE score-partwise [<!ENTITY a "b"><!ENTITY c "&a;&a;">]>\n<score-partwise)
        )
      expect(code { described_class.read(bomb) }).to eq(:entities)
    end

    it "for a huge file" do
      stub_const("Stairwell::Constants::MOST_SCORE_BYTES", 100)
      expect(code { described_class.read(whole) }).to eq(:too_large)
    end

    it "for too many bars" do
      stub_const("Stairwell::Constants::MOST_BARS", 3)
      expect(code { read(*Array.new(4) { note("C4", 4) }) }).to eq(:too_many_bars)
    end

    it "for an archive that unpacks to too much, whatever sizes it claims" do
      bomb =
        Zip::OutputStream
          .write_buffer do |zip|
            zip.put_next_entry("score.xml")
            41.times { zip.write("\0" * 1024 * 1024) }
          end
          .string
      expect(bomb.bytesize).to be < 1024 * 1024
      expect(code { described_class.read(bomb) }).to eq(:too_much_inside)
    end

    it "for a damaged archive and one without a score" do
      pressed = described_class.compress(page("bars: 4"))
      expect(code { described_class.read(pressed.byteslice(0, pressed.bytesize / 2)) }).to eq(
        :cut_off
      )
      empty = Zip::OutputStream.write_buffer { |zip| zip.put_next_entry("readme.txt") }.string
      expect(code { described_class.read(empty) }).to eq(:not_a_score)
    end
  end
end
