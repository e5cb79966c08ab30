# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "What a page says beside its signs" do
  let(:script) { <<~TEXT }
      page 12: 4 4 5 4
      page 13: 5 4 4
      time: 3/4
      tempo: target 60
      repeat: 9-13
      section A: 1-4
      section C: 14 beat 3 - 22
      fermata: 30 beat 2 for 2
      fermata: 8 for 1 held 4
      ritardando: 29-30
      pass 2: 9-13 left hand, softer
      start right: finger 3 on B4
      start left at 14 beat 2: finger 1 on F#3
      hands: right only 1-4
      hands: together
      dynamics: 1 mf, 9 p, 14-20 louder
      pedal: 14-20, 22
      ornament: 20 beat 3, 21
      lyrics 1: 1-8
      lyrics 2: 9-13
      new: dotted quarter notes
      spot: 12 beat 3 - 13 beat 1 left hand, jump down an octave
      spot: 20
      hard: 20-22
      octave: 9-12 right hand, up
      octave: 20, down
      fingering A: thumb under on F
      articulation C: short and light
      join A to C: no rest, right hand jumps
      track: 7
    TEXT

  it "can be typed, written and kept, and reads back the same" do
    map = page(script)
    expect(page(Stairwell::Formats::PageScript.write(map))).to eq(map)
    expect(
      Stairwell::Score::Document.load(
        JSON.parse(JSON.generate(Stairwell::Score::Document.dump(map)))
      )
    ).to eq(map)
    expect(map.markings.starts.last).to have_attributes(
      hand: :left,
      finger: 1,
      bar: 14,
      beat: 2,
      pitch: Stairwell::Score::Pitch.parse("F#3")
    )
    expect(map.markings.spots.map(&:text)).to eq(["jump down an octave", nil])
  end

  it "says for each line that goes wrong what was expected, and where" do
    wrong = {
      "fermata: 30" => "written counts",
      "fermata: 30 beat 5 for 1" => "bar 30 has 3 counts, no beat 5",
      "pass 2: 9-13 left hand" => "what holds on that pass",
      "start both: finger 1 on C4" => "“right” or “left”",
      "start right: finger 6 on C4" => "from 1 to 5",
      "start right: finger 1 on H4" => "a key such as B4",
      "hands: crossed" => "right only, left only, alternating, together first or together",
      "dynamics: 1" => "how loud",
      "join A: rest" => "“to”",
      "new:" => "what is new",
      "track: x" => "a track number",
      "ritardando: 40" => "there is no bar 40",
      "spot: 13 beat 2 - 13 beat 1" => "ends before it begins"
    }
    wrong.each do |line, said|
      found =
        Stairwell::Formats::PageScript.read(
          "page 12: 4 4 5 4\npage 13: 5 4 4\ntime: 3/4\n#{line}"
        ).problems
      expect([line, found.size]).to eq([line, 1])
      expect(found.first.message).to include(said)
      expect(found.first.suggestion).to start_with(line[/\A\w+/])
    end
  end

  # Common practice: twice the written counts, or what the teacher says.
  it "adds held counts to the time of one playing, each time they are played" do
    plain = page("bars: 4\ntime: 4/4\nrepeat: 3-4")
    held = page("bars: 4\ntime: 4/4\nrepeat: 3-4\nfermata: 4 beat 3 for 2\nfermata: 1 for 1 held 3")
    expect(Stairwell::Roadmap.read(held).seconds(60)).to eq(
      Stairwell::Roadmap.read(plain).seconds(60) + 2 * 2 + 2
    )
    expect(Stairwell::Roadmap.read(held).counts_played).to eq(24) # printed counts
  end

  # The integral by adding up many small parts, instead of the formula.
  it "slows a ritardando evenly to 70 % of the tempo" do
    parts = 20_000
    sum = (0...parts).sum { |at| (8.0 / parts) / (1 - 0.3 * (at + 0.5) / parts) }
    found = Stairwell::Roadmap.read(page("bars: 4\ntime: 4/4\nritardando: 3-4")).seconds(60)
    expect(found).to be_within(0.001).of(8 + sum)
  end

  it "says on each pass what holds, after jumps and without repeats too" do
    notes = ->(text) do
      map = page(text)
      said = Stairwell::Roadmap::PassNotes.new(map)
      Stairwell::Roadmap
        .read(map)
        .visits
        .map { |visit| [visit.bar, said.of(visit)] }
        .reject { |_, all| all.empty? }
    end
    expect(notes.call("bars: 4\nrepeat: 1-2\npass 2: 1 left hand, softer\npass 1: 2 loud")).to eq(
      [[2, ["loud"]], [1, ["left hand, softer"]]]
    )
    # After a jump the single pass counts as the last one (own choice).
    expect(notes.call("bars: 4\nrepeat: 1-2\nda capo: 4\npass 2: 1 softer")).to eq(
      [[1, ["softer"]], [1, ["softer"]]]
    )
    # Where no repeat stands around it, the second time is the second pass.
    expect(notes.call("bars: 2\nda capo: 2\npass 2: 1-2 softer")).to eq(
      [[1, ["softer"]], [2, ["softer"]]]
    )
  end

  it "lets sections meet inside a bar" do
    meeting = page("bars: 8\ntime: 4/4\nsection A: 1 - 4 beat 3\nsection B: 4 beat 4 - 8")
    expect(Stairwell::Sections::Check.call(meeting)).to eq([])
    crossing = page("bars: 8\ntime: 4/4\nsection A: 1 - 4 beat 4\nsection B: 4 beat 4 - 8")
    expect(Stairwell::Sections::Check.call(crossing).map(&:code)).to eq([:sections_overlap])
  end
end
