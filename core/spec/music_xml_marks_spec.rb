# frozen_string_literal: true

require_relative "spec_helper"

# What a score says beside pitch and length, after the text of the MusicXML 4.0
# specification (from memory).
RSpec.describe "What a score says beside its notes" do
  def direction(inside, more = "") =
    "<direction><direction-type>#{inside}</direction-type>#{more}</direction>"

  def marked(pitch, duration, marks, **more) =
    note(pitch, duration, **more).sub("</note>", "#{marks}</note>")

  def spans(all) = all.map { |one| [one.from, one.from_beat, one.to, one.to_beat] }

  def written(map) = Stairwell::Formats::PageScript.write(map)

  it "is loud and soft, with letters at their beat and wedges from start to stop" do
    map =
      read(
        direction("<dynamics><mp/></dynamics>") + note("C4", 2) +
          direction("<dynamics><f/></dynamics>", "<offset>1</offset>") + note("C4", 2),
        direction('<wedge type="diminuendo" number="1"/>') + note("C4", 4),
        note("C4", 2) + direction('<wedge type="stop" number="1"/>') + note("C4", 2)
      )
    expect(written(map)).to include("dynamics: 1 mp, 1 beat 4 f, 2 - 3 beat 3 softer")
  end

  it "is the pedal, lifted in the middle of a bar, changed, or never lifted, which ends with its bar" do
    map =
      read(
        direction('<pedal type="start"/>') + note("C4", 2) + direction('<pedal type="stop"/>') +
          note("C4", 2),
        direction('<pedal type="start"/>') + note("C4", 4),
        direction('<pedal type="change"/>') + note("C4", 4),
        direction('<pedal type="stop"/>') + direction('<pedal type="start"/>') + note("C4", 4),
        note("C4", 4)
      )
    expect(spans(map.markings.pedal)).to eq([[1, nil, 1, 3], [2, nil, 3, nil], [4, nil, 4, nil]])
  end

  # "Octave shifts indicate where notes are shifted up or down from their true
  # pitched values": the pitch is what sounds.
  it "is an octave line, which leaves the pitches as they sound" do
    map =
      read(
        direction('<octave-shift type="down" size="8"/>', "<staff>1</staff>") + note("C6", 4) +
          direction('<octave-shift type="stop" size="8"/>', "<staff>1</staff>"),
        note("C5", 4)
      )
    expect(written(map)).to include("octave: 1 right hand, up")
    expect(map.notes[1][:right].first.pitch.to_s).to eq("C6")
  end

  it "is fermatas, with the longest note that is held" do
    held = "<notations><fermata/></notations>"
    map =
      read(
        note("C4", 2) + marked("E4", 2, held) + "<backup><duration>4</duration></backup>" +
          note("C3", 3, staff: 2) + marked("C3", 1, held, staff: 2)
      )
    expect(map.markings.fermatas.map { |one| [one.bar, one.beat, one.counts] }).to eq(
      [[1, 3, 2], [1, 4, 1]]
    )
    expect(Stairwell::Roadmap.read(map).seconds(60)).to eq(4 + 3)
  end

  it "is words to sing, also of a voice above the piano" do
    sung = ->(number) { %(<lyric number="#{number}"><text>la</text></lyric>) }
    map =
      read(
        marked("C4", 4, sung[1] + sung[2]),
        note("C4", 4),
        marked("C4", 4, sung[1]),
        note("C4", 4),
        note("C4", 4),
        marked("C4", 4, sung[1])
      )
    expect(map.markings.verses.map { |one| [one.number, one.span.from, one.span.to] }).to eq(
      [[1, 1, 3], [1, 6, 6], [2, 1, 1]]
    )
    above =
      %(<part id="V"><measure number="1"><attributes><divisions>1</divisions></attributes>#{marked("A4", 4, sung[1])}</measure></part>)
    xml =
      score(Making::FIRST + note("C4", 4) + note("C3", 4, staff: 2)).sub(
        "<part-list>",
        %(<part-list><score-part id="V"><part-name>Voice</part-name></score-part>)
      ).sub(%(<part id="P1">), %(#{above}<part id="P1">))
    with_voice = Stairwell::Formats::MusicXML.read(xml)
    expect(with_voice.markings.verses.size).to eq(1)
    expect(with_voice.unread.map(&:first)).to eq(["the notes of “Voice”"])
    expect(with_voice.notes[1][:right].map { |one| one.pitch.to_s }).to eq(["C4"])
  end

  it "is fingers, touch, broken chords and grace notes of each note" do
    grace = '<note><grace slash="yes"/><pitch><step>B</step><octave>4</octave></pitch></note>'
    slur = ->(type) { %(<notations><slur type="#{type}" number="1"/></notations>) }
    map =
      read(
        marked(
          "C5",
          1,
          "<notations><technical><fingering>1</fingering></technical><articulations><staccato/><detached-legato/></articulations></notations>"
        ) + grace + marked("C5", 1, slur["start"]) + note("D5", 1) + marked("E5", 1, slur["stop"]),
        marked("C5", 4, "<notations><arpeggiate/></notations>")
      )
    first, *slurred = map.notes[1][:right]
    expect([first.finger, first.articulation]).to eq([1, ["detached legato", "staccato"]])
    expect(slurred.map(&:articulation)).to eq([["slurred"]] * 3)
    expect(slurred.first.graces.map(&:to_s)).to eq(["B4"])
    expect(map.notes[2][:right].first.articulation).to eq(["broken"])
    expect(written(map)).to include("start right: finger 1 on C5")
    expect(map.unread).to eq([])
  end

  it "is clefs and their changes, double bar lines, ritardandi, and signs on bar lines" do
    clef = ->(number, sign, line) do
      %(<attributes><clef number="#{number}"><sign>#{sign}</sign><line>#{line}</line></clef></attributes>)
    end
    map =
      read(
        clef[1, "G", 2] + clef[2, "F", 4] + note("C4", 4) +
          '<barline location="right"><bar-style>light-light</bar-style></barline>',
        '<barline location="left"><segno/></barline>' + note("C4", 2) + clef[2, "G", 2] +
          note("C4", 2),
        direction("<words>rit.</words>") + note("C4", 4),
        direction("<words>a tempo</words>") + note("C4", 4),
        direction("<words>rall.</words>") + note("C4", 4)
      )
    expect(written(map)).to include(
      "clef left: bass",
      "clef left: treble from 2 beat 3",
      "double bar: 1",
      "segno: 2",
      "ritardando: 3\nritardando: 5"
    )
  end

  it "is the hand: L.H. above the upper staff, and a voice that only visits the other staff" do
    voice = ->(pitch, number, staff) do
      note(pitch, 1, staff: staff).sub("<staff>", "<voice>#{number}</voice><staff>")
    end
    first =
      voice["E4", 1, 1] * 4 + "<backup><duration>4</duration></backup>" + voice["C3", 5, 2] * 4
    crossing =
      voice["E4", 1, 1] * 2 + voice["B3", 1, 2] * 2 + "<backup><duration>4</duration></backup>" +
        voice["C3", 5, 2] * 4
    named = direction("<words>L.H.</words>", "<staff>1</staff>") + voice["C5", 1, 1] * 4
    map = read(first, first, crossing, named)
    expect(map.notes[3][:right].map { |one| one.pitch.to_s }).to eq(%w[E4 E4 B3 B3])
    expect(map.notes[4][:left].size).to eq(4)
    # Voice 1 on both staves of every bar is two voices.
    anew = (voice["E4", 1, 1] * 4) + "<backup><duration>4</duration></backup>" + voice["C3", 1, 2]
    expect(read(anew, anew).notes[1].transform_values(&:size)).to eq(right: 4, left: 1)
  end

  it "is written for another pitch than it sounds" do
    transposed =
      "<attributes><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose><key><fifths>2</fifths></key></attributes>"
    map = read(transposed + note("D4", 2) + note("C4", 2))
    expect(map.notes[1][:right].map { |one| one.pitch.to_s }).to eq(%w[C4 Bb3])
    expect(map.keys.last.to_s).to eq("C major")
  end

  # "The after-jump attribute indicates if the repeats occur after a jump."
  it "is repeats that are taken again after a jump" do
    back = '<barline location="right"><repeat direction="backward" after-jump="yes"/></barline>'
    map =
      read(
        note("C4", 4),
        note("C4", 4) + back,
        note("C4", 4) + direction("<words>D.C. al Fine</words>", '<sound dacapo="yes"/>')
      )
    expect([map.repeats.first.again, map.jumps.first.repeats]).to eq([true, false])
    expect(
      Stairwell::Formats::MusicXML.read(Stairwell::Formats::MusicXML.write(map)).repeats
    ).to eq(map.repeats)
  end

  # "The forward-repeat attribute indicates that a forward repeat sign is implied
  # but not displayed."
  it "is a repeat whose opening sign is only implied" do
    back = '<barline location="right"><repeat direction="backward"/></barline>'
    map = read(note("C4", 4), '<sound forward-repeat="yes"/>' + note("C4", 4), note("C4", 4) + back)
    expect(Stairwell::Roadmap.read(map).order).to eq([1, 2, 3, 2, 3])
  end

  it "lists the rest, with what the words say" do
    map =
      read(
        direction("<words>dolce</words>") + note("C4", 4),
        "<harmony><root><root-step>C</root-step></root></harmony>" +
          note("C4", 4).sub("<note>", '<note time-only="2">')
      )
    expect(map.unread.to_h).to eq(
      "the words “dolce”" => [1],
      "chord symbols" => [2],
      "what holds on one pass only" => [2]
    )
  end

  it "comes back as it was written, from the demo pieces and a page full of marks" do
    full = page(<<~TEXT)
      bars: 8
      unnumbered: #5
      bar #4: 3 counts
      bar #5: 1 counts
      double bar: 2
      clef left: treble from 3
      section A: 1-2
      fermata: 8 beat 3 for 2
      dynamics: 1 mf, 1 beat 3 f, 2 - 3 beat 2 softer
      pedal: 1-2, 3 beat 2 - 3 beat 4
      octave: 6 left hand, down
    TEXT
    tone = ->(onset, length, pitch, **more) do
      Stairwell::Score::Note.new(
        onset: onset,
        length: length,
        pitch: Stairwell::Score::Pitch.parse(pitch),
        **more
      )
    end
    notes = full.bars.to_h { |bar| [bar.index, { right: [tone[0r, bar.length, "C5"]], left: [] }] }
    notes[9] = {
      right: [
        tone[0r, 1 / 2r, "C5", finger: 3, articulation: %w[accent]],
        tone[
          1 / 2r,
          1 / 2r,
          "D5",
          graces: [Stairwell::Score::Pitch.parse("C5")],
          articulation: %w[broken]
        ]
      ],
      left: []
    }
    map = full.with(notes: notes)
    back = Stairwell::Formats::MusicXML.read(Stairwell::Formats::MusicXML.write(map))
    expect(back.bars.map(&:name)).to eq(map.bars.map(&:name))
    expect(back.notes).to eq(map.notes)
    expect(back.unread).to eq([["rehearsal marks", [1]]])
    difference = Stairwell::Formats::PageScript.difference(map, back)
    expect(difference).to eq(
      drop: ["section A: 1-2"],
      put: ["clef left: bass", "clef right: treble"]
    )
  end
end
