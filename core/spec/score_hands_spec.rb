# frozen_string_literal: true

require_relative "spec_helper"

# Which staves are the hands, what a piece is called, and that every guess is said.
RSpec.describe "A score of several parts" do
  # Parts by name; each `staves`, the `clef` of it, whether it is `sung`, and the letter it plays.
  def score_of(parts, more: "")
    list =
      parts
        .each_with_index
        .map do |(name, _), at|
          %(<score-part id="P#{at + 1}"><part-name>#{name}</part-name></score-part>)
        end
        .join
    music =
      parts
        .each_with_index
        .map do |(_, said), at|
          %(<part id="P#{at + 1}"><measure number="1">#{measure(**said)}</measure></part>)
        end
        .join
    "<score-partwise>#{more}<part-list>#{list}</part-list>#{music}</score-partwise>"
  end

  def measure(staves: 1, clef: nil, sung: false, plays: "C")
    clefs =
      [clef].flatten
        .compact
        .each_with_index
        .map { |sign, at| %(<clef number="#{at + 1}"><sign>#{sign}</sign></clef>) }
        .join
    note = ->(letter, staff) do
      "<note><pitch><step>#{letter}</step><octave>4</octave></pitch><duration>4</duration>#{"<staff>#{staff}</staff>" if staves > 1}#{"<lyric><text>la</text></lyric>" if sung}</note>"
    end
    attributes =
      "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time>#{"<staves>2</staves>" if staves > 1}#{clefs}</attributes>"
    attributes + note[plays[0], 1] +
      ((staves > 1) ? "<backup><duration>4</duration></backup>#{note[plays[1], 2]}" : "")
  end

  def read(text, **said) = Stairwell::Formats::MusicXML.read(text, **said)

  # Letters of the right hand and of the left.
  def hands(map) =
    %i[right left].map { |hand| map.notes[1].fetch(hand, []).map { |one| one.pitch.step }.join }

  def assumed(map) = map.assumed.map(&:first) - ["no_title"]

  it "has its hands where one part has two staves, and nothing to assume" do
    found =
      read(
        score_of({ "Voice" => { sung: true, plays: "A" }, "Piano" => { staves: 2, plays: "CE" } })
      )
    expect([hands(found), assumed(found)]).to eq([%w[C E], []])
  end

  it "has them in the piano where other parts have two staves too, which is said" do
    found =
      read(
        score_of(
          {
            "Harp" => {
              staves: 2,
              plays: "AB"
            },
            "Piano" => {
              staves: 2,
              plays: "CE"
            },
            "Marimba" => {
              staves: 2,
              plays: "FG"
            }
          }
        )
      )
    expect([hands(found), assumed(found)]).to eq([%w[C E], ["hands: Piano"]])
  end

  it "has them in two parts that are called so, wherever they stand" do
    found =
      read(
        score_of(
          {
            "Piano RH" => {
              plays: "C"
            },
            "Piano LH" => {
              plays: "E"
            },
            "Flute" => {
              clef: "G",
              plays: "A"
            },
            "Cello" => {
              clef: "F",
              plays: "B"
            }
          }
        )
      )
    expect([hands(found), assumed(found)]).to eq(
      [%w[C E], ["right_hand: Piano RH", "left_hand: Piano LH"]]
    )
    turned = read(score_of({ "main gauche" => { plays: "E" }, "main droite" => { plays: "C" } }))
    expect(hands(turned)).to eq(%w[C E])
  end

  it "finds an accompaniment beneath voices: a bass clef beneath a treble clef, unsung" do
    voices = {
      "Soprano" => {
        clef: "G",
        sung: true,
        plays: "A"
      },
      "Bass" => {
        clef: "F",
        sung: true,
        plays: "B"
      },
      "" => {
        clef: "G",
        plays: "C"
      },
      "Part 4" => {
        clef: "F",
        plays: "E"
      }
    }
    found = read(score_of(voices))
    expect([hands(found), assumed(found)]).to eq([%w[C E], ["right_hand: P3", "left_hand: Part 4"]])
  end

  it "takes no tablature, no percussion and no solo part for a left hand" do
    expect(
      hands(
        read(
          score_of(
            { "Flute" => { clef: "G", plays: "C" }, "Guitar" => { clef: "TAB", plays: "A" } }
          )
        )
      )
    ).to eq(["C", ""])
    expect(
      hands(
        read(
          score_of(
            { "Piano" => { clef: "G", plays: "C" }, "Drums" => { clef: "percussion", plays: "A" } }
          )
        )
      )
    ).to eq(["C", ""])
    duet =
      read(
        score_of({ "Violin" => { clef: "G", plays: "A" }, "Piano" => { clef: "G", plays: "C" } })
      )
    expect([hands(duet), assumed(duet)]).to eq([["C", ""], ["one_staff: Piano"]])
    guitar =
      read(
        score_of(
          {
            "Guitar" => {
              staves: 2,
              clef: %w[G TAB],
              plays: "AB"
            },
            "Piano" => {
              staves: 2,
              clef: %w[G F],
              plays: "CE"
            }
          }
        )
      )
    expect(hands(guitar)).to eq(%w[C E])
  end

  it "has both hands on one staff where there is only one" do
    found = read(score_of({ "Piano" => { plays: "C" } }))
    expect([hands(found), assumed(found)]).to eq([["C", ""], ["one_staff: Piano"]])
  end

  it "takes what a person says" do
    parts =
      score_of({ "Harp" => { staves: 2, plays: "AB" }, "Piano" => { staves: 2, plays: "CE" } })
    expect(hands(read(parts, hands: { right: "P1.1", left: "P1.2" }))).to eq(%w[A B])
    expect(hands(read(parts, hands: { right: "P2.2", left: "P2.1" }))).to eq(%w[E C])
    expect(hands(read(parts, hands: { right: "P1.1", left: "P2.2" }))).to eq(%w[A E])
    expect(hands(read(parts, hands: { left: "P2.2" }))).to eq(["", "E"])
    expect(assumed(read(parts, hands: { right: "P1.1", left: "P1.2" }))).to eq([])
    expect { read(parts, hands: { right: "P9" }) }.to raise_error(
      Stairwell::UnreadableError,
      /no part P9.*P1, P2/
    )
  end

  it "is called as its work, its movement, or the heading on its first page" do
    named = ->(more) do
      read(score_of({ "Piano" => { staves: 2, plays: "CE" } }, more: more)).then do |map|
        [map.title, map.assumed.map(&:first)]
      end
    end
    credit = ->(words, type: nil, **said) do
      %(<credit page="1">#{"<credit-type>#{type}</credit-type>" if type}<credit-words#{said.map { |name, value| %( #{name.to_s.tr("_", "-")}="#{value}") }.join}>#{words}</credit-words></credit>)
    end
    expect(
      named["<work><work-title>Low Tide</work-title></work><movement-title>Second</movement-title>"]
    ).to eq(["Low Tide", []])
    expect(
      named["<work><work-title> </work-title></work><movement-title>Second</movement-title>"]
    ).to eq(["Second", []])
    expect(
      named[
        credit["17"] + credit["A. Person", font_size: 30, justify: "right"] +
          credit["Rain Song", font_size: 24] + credit["slowly", font_size: 10]
      ]
    ).to eq(["Rain Song", []])
    expect(
      named[
        credit["A. Person", type: "composer", font_size: 40] +
          credit["The Heading", type: "title", font_size: 12]
      ]
    ).to eq(["The Heading", []])
    expect(named[credit["17"]]).to eq(["Untitled", ["no_title"]])
  end

  it "says a repeat that is never closed, a sign inside a bar, and a voice on both staves" do
    forward = '<barline location="left"><repeat direction="forward"/></barline>'
    fine = "<direction><direction-type><words>Fine</words></direction-type></direction>"
    both =
      note("C4", 1).sub("<staff>", "<voice>1</voice><staff>") +
        note("C3", 1, staff: 2).sub("<staff>", "<voice>1</voice><staff>")
    text = ->(*bars) do
      "<score-partwise><movement-title>X</movement-title>#{score(Making::FIRST + bars.first, *bars.drop(1))[/<part-list>.*/m]}"
    end
    expect(
      read(text[note("C4", 4) + note("C3", 4, staff: 2), forward + note("C4", 4)]).assumed
    ).to eq([["repeat_not_closed", [2]]])
    expect(read(text[note("C4", 4), note("C4", 2) + fine + note("D4", 2)]).assumed).to eq(
      [["sign_inside", [2]]]
    )
    expect(read(text[note("C4", 4), note("C4", 4) + fine]).assumed).to eq([])
    expect(read(text[both + both]).assumed).to eq([["voice_on_both_staves", []]])
  end

  it "says each in words" do
    Stairwell::Score::Assumed::CODES.each do |code|
      expect(Stairwell::Score::Assumed.said("#{code}: X").to_s).to match(/\A[a-z].{15,}/)
    end
    expect(Stairwell::Score::Assumed.said("right_hand: Harp: two").to_s).to eq(
      "the right hand is in “Harp: two”"
    )
  end

  # One voice over both staves, at home on the upper one: its chord from C2 to E5 is two hands'
  # work.
  it "shares a chord that no hand reaches, where its voice goes over both staves" do
    sound = ->(pitch, staff, chord: false) do
      "<note>#{"<chord/>" if chord}<pitch><step>#{pitch[0]}</step><octave>#{pitch[1]}</octave></pitch><duration>1</duration><voice>1</voice><staff>#{staff}</staff></note>"
    end
    inside =
      "<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves></attributes>"
    inside +=
      %w[E5 D5 F5].map { |pitch| sound[pitch, 1] }.join + sound["E5", 1] +
        sound["C5", 1, chord: true] + sound["C2", 2, chord: true]
    found =
      read(
        "<score-partwise><part-list><score-part id=\"P1\"><part-name>Piano</part-name></score-part></part-list><part id=\"P1\"><measure number=\"1\">#{inside}</measure></part></score-partwise>"
      )
    expect(found.notes[1].transform_values { |notes| notes.map { |note| note.pitch.to_s } }).to eq(
      right: %w[E5 D5 F5 E5 C5],
      left: %w[C2]
    )
    expect(found.assumed).to include(["shared_by_reach", [1]])
    expect(Stairwell::Score::Assumed.said("shared_by_reach").to_s).to start_with(
      "a chord is wider than a hand"
    )
  end
end
