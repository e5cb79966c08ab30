# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"

RSpec.describe "Looking a piece over" do
  def facts(map, **about) =
    Stairwell::Sections
      .preview(map, **about)
      .group_by { |one| one.topic.to_s }
      .transform_values { |all| all.map(&:text) }

  def hand(text, meters: 4)
    bars = Demo::Notation.bars(text)
    page("bars: #{bars.size}\ntime: #{meters}/4").with(
      notes: bars.each_with_index.to_h { |notes, at| [at + 1, { right: notes, left: [] }] }
    )
  end

  # Checked by eye against the page as the app draws it.
  it "says of a demo piece what a teacher would" do
    expect(
      facts(Demo::Pieces.all.find { |one| one.map.title == "Two Gulls Arguing" }.map)
    ).to include(
      "length" => ["16 bars on 4 lines, 2 pages; 6 of them new"],
      "key" => ["D minor: 1 flat. Play the scale first: D E F G A B♭ C♯ D"],
      "time" => ["6/8: count 2 swinging beats, at first all 6 eighths"],
      "note values" => ["dotted half, dotted quarter, quarter, eighth"],
      "outside the key" => ["bars 5–7, bars 13–15: C♯, raised steps of the minor scale"]
    )
  end

  # Scales in letters: common practice, no source.
  {
    "C major" => "C D E F G A B C",
    "Eb major" => "Eb F G Ab Bb C D Eb",
    "F# minor" => "F# G# A B C# D E# F#",
    "C# major" => "C# D# E# F# G# A# B# C#",
    "G minor" => "G A Bb C D Eb F# G"
  }.each do |key, scale|
    it "knows the scale of #{key}" do
      expect(Stairwell::Score::Scale.new(Stairwell::Score::Key.parse(key)).names.join(" ")).to eq(
        scale
      )
    end
  end

  it "finds the widest stretch, and warns where this hand does not reach it" do
    map = hand("C4+E4w | C4+C5h D4+E5h | G4w")
    expect(facts(map, span: 12)["right hand"]).to start_with(
      "C4 to E5; could start with finger 1 on C4; 4 places: from bar 1, 2, 2 beat 3, 3"
    ).and end_with(
            "widest together: D4 to E5, a ninth, at bar 2; that is 2 semitones wider than this hand reaches",
            "break the chord at bar 2, which is wider than this hand"
          )
    expect(Stairwell::Sections.preview(map, span: 12).filter_map(&:caution)).to match(
      [/Never force a stretch.*see a doctor/]
    )
    expect(Stairwell::Sections.preview(map, span: 14).filter_map(&:caution)).to eq([])
  end

  it "counts as a shift only what leaves a fifth" do
    reach = Stairwell::Sections::Reach.new(hand("C4q D4q E4q G4q | A4q G4q E4q D4q | C4w"), :right)
    expect(reach.shifts.map { |one| [one.bar, one.beat, one.pitch.to_s] }).to eq(
      [[2, 1, "A4"], [3, 1, "C4"]]
    )
    expect(reach.start.map(&:to_s)).to eq(%w[C4 G4])
  end

  it "finds where fingers cross, change on one key, or the hand moves far, and suggests them as spots once" do
    map = hand("C4q D4q E4q F4q | G4q G4q C6q C6q")
    fingers = [1, 2, 3, 1, 2, 3, nil, nil].each
    fingered =
      map.with(
        notes:
          map.notes.transform_values do |hands|
            hands.merge(right: hands[:right].map { |note| note.with(finger: fingers.next) })
          end
      )
    spots = Stairwell::Sections::Spots.new(fingered).suggested
    writer = Stairwell::Formats::PageScript::Writer.new(fingered)
    statements = spots.map { |one| writer.statement(:spots, one) }
    expect(statements).to eq(
      [
        "spot: 1 beat 3 - 1 right hand, fingers cross at F4",
        "spot: 2 - 2 beat 2 right hand, change the finger on G4",
        "spot: 2 beat 2 - 2 beat 3 right hand, far move to C6"
      ]
    )
    settled =
      fingered.with(markings: page("bars: 2\nspot: 1 beat 3 - 1\nno spot: 2 right hand").markings)
    expect(Stairwell::Sections::Spots.new(settled).suggested).to eq([])
  end

  it "goes by the teacher's words where there are no notes, and says what is new for this student only" do
    map =
      page(
        "page 3: 4 4\nkey: G major\nclef left: bass\nclef left: treble from 5\nstart right: finger 1 on D4\nstart right at 5: finger 2 on G4\nnew: dotted quarter notes\nnew: staccato\n" \
          "pedal: 1-4\nfermata: 8 beat 3 for 2\ndynamics: 1 mf\nlyrics 1: 1-8\nornament: 4\nritardando: 7-8"
      )
    expect(facts(map, pedal: false, known: ["Staccato"])).to include(
      "right hand" => [
        "starts with finger 1 on D4",
        "moves at bar 5 (page 3, line 2, bar 1) with finger 2 on G4"
      ],
      "clef" => ["left hand: bass, treble from bar 5 (page 3, line 2, bar 1)"],
      "new here" => ["dotted quarter notes"],
      "pedal" => ["bars 1–4; the instrument at home has no pedal"],
      "fermatas" => ["bar 8 (page 3, line 2, bar 4): 2 counts held for 4"],
      "dynamics" => ["mf at 1"]
    )
  end

  # What was typed comes before what was worked out, and is no guess.
  it "tells typed harmony and patterns as they are typed, with notes or without" do
    typed =
      page(
        "bars: 4\ntime: 4/4\nkey: C major\nharmony: 1-2 vi, 3 V7\npattern: 1-4 left hand, broken chords\nguide right at 3: finger 2 on D5"
      )
    expect(facts(typed)).to include(
      "harmony" => ["vi at bars 1–2; V7 at bar 3"],
      "patterns" => ["broken chords at bars 1–4"],
      "right hand" => ["at bar 3 finger 2 guides the hand to D5"]
    )
    notes =
      Demo::Notation.hands("C5q D5q E5h | F5q E5q F5h | G5q F5q D5h | E5w", "C3w | F3w | G3w | C3w")
    told =
      Stairwell::Sections
        .preview(typed.with(notes: notes))
        .select { |fact| %w[harmony patterns].include?(fact.topic.to_s) }
    expect(told.map { |fact| [fact.text.to_s, fact.worked_out] }).to eq(
      [["vi at bars 1–2; V7 at bar 3", false], ["broken chords at bars 1–4", false]]
    )
  end

  it "notes what was worked out of the hands as it would be typed" do
    map = hand("C4q D4q E4q F4q | G4q E4q C4h | -h G4q A4q | B4q C5q D5h")
    fact = Stairwell::Sections.preview(map).find(&:worked_out)
    writer = Stairwell::Formats::PageScript::Writer.new(map)
    expect([fact.bars, fact.starts.map { |one| writer.statement(:starts, one) }]).to eq(
      [[3], ["start right at 3 beat 3: finger 1 on G4"]]
    )
    noted = map.with(markings: map.markings.with(starts: fact.starts))
    expect(Stairwell::Sections.preview(noted).select { |one| one.starts.any? }).to eq([])
  end

  it "says in which layers bars with the same notes still differ" do
    map = hand("C4q D4q E4q F4q | C4q D4q E4q F4q")
    notes =
      map.notes.merge(
        2 => {
          right:
            map.notes[2][:right].map { |note| note.with(articulation: %w[staccato], finger: 2) },
          left: []
        }
      )
    bars =
      Stairwell::Sections.survey(
        map.with(notes: notes, markings: page("bars: 2\ndynamics: 1 f").markings)
      ).summary[
        "bars"
      ]
    expect(bars.last).to include(
      "together" => {
        "relation" => "same",
        "of" => 1,
        "by" => 0
      },
      "differs" => {
        "right" => %w[touch fingering loudness]
      }
    )
    expect(bars.first).not_to have_key("differs")
  end

  # The inscription of mechanical metronomes and a handbook's table, from memory.
  it "says what a tempo word means, and where tables differ" do
    tempo = ->(words) do
      Stairwell::Sections
        .preview(page("bars: 4\ntempo: #{words}, target 60"))
        .find { |fact| fact.topic == "tempo" }
        &.text
    end
    expect(tempo["Andante"]).to eq(
      "Andante: 76–108 beats per minute on mechanical metronomes, 56–108 by newer tables. Target 60 beats per minute"
    )
    expect(tempo["Larghetto"].to_s).to start_with(
      "Larghetto: 60–66 beats per minute, as on mechanical metronomes"
    )
    expect(tempo["Vivace"]).to include("mechanical metronomes do not name it")
    expect(tempo["With a swing"]).to be_nil
  end
end
