# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/composed"
require "demo/notation"

# What a page asks of hands, ears and eyes. Cases are told as a teacher would tell them (common
# practice, no source), where no source is named.
RSpec.describe Stairwell::Aspects do
  score = Stairwell::Score
  aspects = described_class
  pitch = ->(text) { score::Pitch.parse(text) }
  # Both hands in 4/4, or another meter; fingers by place in a hand's line.
  map = ->(right, left = "", key: "C major", meter: [4, 4], fingers: {}, **more) do
    bars = [Demo::Notation.bars(right), Demo::Notation.bars(left)]
    count = bars.map(&:size).max
    numbered = { right: -1, left: -1 }
    notes =
      (1..count).to_h do |bar|
        [
          bar,
          %i[right left]
            .zip(bars)
            .to_h do |hand, all|
              [
                hand,
                (all[bar - 1] || []).map do |note|
                  note.with(finger: fingers.dig(hand, numbered[hand] += 1))
                end
              ]
            end
        ]
      end
    score::Map.new(
      title: "Page",
      bars: score.bars(count, meters: [score::Meter.new(beats: meter[0], unit: meter[1])]),
      keys: [score::Key.parse(key)],
      notes: notes,
      **more
    )
  end
  places = ->(page, hand) { aspects::Places.new(aspects::Line.new(page, hand)) }

  describe "places of a hand" do
    it "are one where five fingers do, and another where the hand goes up" do
      page = map["C4q D4q E4q F4q | G4q E4q C4h | -h G4q A4q | B4q C5q D5h"]
      found = places[page, :right]
      expect(found.all.map { |one| [one.bar, one.start.first, one.start.last.to_s] }).to eq(
        [[1, 1, "C4"], [3, 1, "G4"]]
      )
      # A half note of which it keeps a count, and a rest of two.
      expect(found.moves.map { |one| [one.bar, one.beat, one.steps, one.time, one.time?] }).to eq(
        [[3, 3, 4, 3, true]]
      )
    end

    it "are left without time where the next note follows at once" do
      move = places[map["C4q D4q E4q F4q | C5q D5q E5q F5q"], :right].moves.first
      expect([move.bar, move.time?, move.far, move.finger]).to eq([2, false, 7, 1])
    end

    it "are reached by a thumb that goes under, in a scale" do
      moves = places[map["C4q D4q E4q F4q | G4q A4q B4q C5q"], :right].moves
      expect(moves.map { |one| [one.bar, one.beat, one.pitch.to_s, one.crossing] }).to eq(
        [[1, 4, "F4", true]]
      )
    end

    # The thumb keeps C where the hand opens to the octave; the second finger goes from E to the F
    # beside it.
    it "are led to by a finger that keeps its key, or takes the one beside it" do
      opened = places[map["C4q D4q E4q G4q | C4+C5w"], :right].moves.first
      expect(
        [opened.steps, opened.finger, opened.pitch.to_s, opened.guide.finger, opened.guide.keeps?]
      ).to eq([0, 5, "C5", 1, true])
      moved =
        places[
          map["D4q E4q F4q E4q | F4q G4q A4h", fingers: { right: { 0 => 1, 3 => 2, 4 => 2 } }],
          :right
        ].moves
      expect(
        moved.map do |one|
          [one.bar, one.steps, one.guide.finger, one.guide.from.to_s, one.guide.to.to_s, one.said]
        end
      ).to eq([[2, 1, 2, "E4", "F4", true]])
    end

    it "are not left by a finger that reaches out and comes back" do
      expect(
        places[
          map[
            "C4q E4q G4q A4q | G4q E4q C4h",
            fingers: {
              right: {
                0 => 1,
                2 => 4,
                3 => 5,
                5 => 2
              }
            }
          ],
          :right
        ].moves
      ).to eq([])
    end

    it "are held on to by a note that sounds on" do
      page = map["C4w | C4q C5q", "", fingers: { right: { 0 => 1, 1 => 1 } }]
      tied =
        page.with(
          notes:
            page.notes.merge(
              2 => {
                right: [
                  score::Note.new(onset: 0r, length: 1r, pitch: pitch["C4"], tied: true),
                  score::Note.new(onset: 1 / 2r, length: 1 / 2r, pitch: pitch["A5"])
                ],
                left: []
              }
            )
        )
      expect(places[tied, :right].moves.map { |one| one.held.to_s }).to eq(["C4"])
    end

    it "say when both hands are under way at once" do
      page = map["C4q D4q E4q F4q | C5q D5q E5q F5q", "C3w | C2w"]
      right, left = %i[right left].map { |hand| places[page, hand].moves.first }
      expect([right.meets?(left), left.meets?(right), left.time?, right.time?]).to eq(
        [true, true, true, false]
      )
    end
  end

  describe "notes outside the key" do
    regions = ->(page) do
      aspects::Accidentals
        .new(page)
        .regions
        .map { |one| [one.from, one.to, one.names.map(&:to_s), one.why, one.key&.to_s].compact }
    end

    it "are raised steps of the minor scale" do
      expect(
        regions[map["A4q B4q C5q D5q | E5q F#5q G#5q A5q", "A3w | E3w", key: "A minor"]]
      ).to eq([[2, 2, %w[F♯ G♯], :seventh]])
    end

    it "are another key where that holds for some bars" do
      home = "C5q E5q G5q E5q | F5q D5q B4q D5q | C5q G4q E4q G4q | C5w"
      away =
        "D5q F#5q A5q F#5q | B4q D5q G5q D5q | A4q C5q F#5q A5q | G5q B4q G4h | D5q F#5q A5q F#5q | G4q B4q D5q G5q | F#5q A5q D5q C5q | B4q D5q G4h"
      bass = "C3w | G3w | C3w | C3w | D3w | G3w | D3w | G3w | D3w | G3w | D3w | G3w"
      expect(regions[map["#{home} | #{away}", bass]]).to eq([[5, 11, ["F♯"], :key, "G major"]])
    end

    it "lead a half step up, or stand beside the next note" do
      page =
        map[
          "C4q F#4q G4h | C4w | C4w | C4w | E4q D#4q E4h | C4w | C4w | C4w | C5q Bb4q A4h",
          "C3w | C3w | C3w | C3w | C3w | C3w | C3w | C3w | F3w"
        ]
      expect(
        aspects::Accidentals
          .new(page)
          .regions
          .map { |one| [one.from, one.names.map(&:to_s), one.why, one.targets] }
      ).to eq([[1, ["F♯"], :leads, ["G"]], [5, ["D♯"], :leads, ["E"]], [9, ["B♭"], :beside, []]])
    end
  end

  describe "rhythm" do
    it "is told by the bar that has it first" do
      found =
        aspects::Rhythms.new(map["C4q D4q E4h | C4w | E4q F4q G4h | C4w | C4q D4e E4e F4h"], :right)
      expect(found.all.map { |one| [one.bar, one.bars] }).to eq(
        [[1, [1, 3]], [2, [2, 4]], [5, [5]]]
      )
      expect(found.played).to eq(5)
    end

    # Dotted quarter and eighth; an eighth, a quarter over the beat; a first note behind half a
    # beat's rest.
    {
      "C4q. D4e E4h" => [[:dotted, 1]],
      "C4e D4q E4e F4h" => [[:syncopation, 3 / 2r]],
      "-e C4e D4q E4h" => [[:off_beat, 3 / 2r]],
      "C4q D4q E4q F4q" => [],
      "C4h D4h" => [],
      "C4q -q E4h" => []
    }.each do |bar, figures|
      it "has #{figures.empty? ? "no figure" : figures.map(&:first).join(", ")} in #{bar}" do
        expect(
          aspects::Rhythms.new(map[bar], :right).figures.map { |one| [one.kind, one.beat] }
        ).to eq(figures)
      end
    end

    it "has a tie where a note sounds on over the bar line" do
      page = map["C4h D4h | D4q E4q F4h"]
      tied =
        page.with(
          notes:
            page.notes.merge(
              2 => {
                right:
                  page.notes[2][:right].each_with_index.map do |note, at|
                    note.with(tied: at.zero?)
                  end,
                left: []
              }
            )
        )
      expect(
        aspects::Rhythms.new(tied, :right).figures.map { |one| [one.kind, one.bar, one.beat] }
      ).to eq([[:tie, 1, 3]])
    end

    # Counting within the bar and by length: common practice, no source; syllables after Z. Kodály,
    # from memory.
    {
      ["C4q D4e E4e F4h", [4, 4]] => ["1 2 & 3", "1 & & 1 2", "ta ti ti ta-a"],
      ["C4q. D4e E4q", [3, 4]] => ["1 & 3", "1 & 1", "ta-i ti ta"],
      ["C4s D4s E4s F4s G4q", [2, 4]] => ["1 e & a 2", "& & & & 1", "ri ri ri ri ta"],
      ["C4e D4e E4e F4q.", [6, 8]] => ["1 2 3 4", "1 1 1 1 2 3", "ti ti ti ta-i"]
    }.each do |(bar, meter), said|
      it "counts #{bar} in #{meter.join("/")}" do
        page = map[bar, meter: meter]
        found =
          aspects::Counting::SYSTEMS.map do |system|
            aspects::Counting.new(system).say(page.bar(1), page.notes[1][:right])
          end
        expect(found.values_at(0, 2)).to eq(said.values_at(0, 2))
        # a dotted quarter is one and a half
        expect(found[1]).to eq(said[1]) unless bar.include?("q.")
      end
    end

    it "counts a pickup as the end of its bar" do
      bar = score.bars(1, meters: [score::Meter.new(beats: 3, unit: 4)], pickup: 1r).first
      expect(
        aspects::Counting.new(:bar).say(
          bar,
          [score::Note.new(onset: 0r, length: 1 / 4r, pitch: pitch["C4"])]
        )
      ).to eq("3")
    end
  end

  describe "harmony by degree" do
    # Composed pieces stand on chords of the scale that are known; in minor the fifth is major.
    it "is right in at least four of five bars of pieces composed on chords" do
      roman = ->(name) { %w[I II III IV V VI VII].index(name.upcase.delete("°7")) }
      hits =
        (1..120).flat_map do |seed|
          piece = Composed.new(seed).piece
          found = aspects::Harmony.new(piece.map)
          piece.degrees.keys.map do |bar|
            found.chords([bar]).first&.then { |chord| roman[chord.degree] == piece.degrees[bar] }
          end
        end
      expect(hits.count(true)).to be >= hits.size * 0.8
    end

    it "names I, IV and V7, each where it begins" do
      page =
        map[
          "C5h E5h | F5h A5h | B4h F5h | C5w",
          "C3q E3q G3q E3q | F3q A3q C4q A3q | G3q B3q D4q F4q | C3+E3+G3w"
        ]
      expect(aspects::Harmony.new(page).chords.map { |one| [one.bar, one.degree] }).to eq(
        [[1, "I"], [2, "IV"], [3, "V7"], [4, "I"]]
      )
    end

    it "changes inside a bar where the halves are clearer" do
      page = map["E4h D4h | E4w", "C3+E3+G3h G2+B2+D3h | C3+E3+G3w"]
      expect(aspects::Harmony.new(page).chords.map { |one| [one.bar, one.beat, one.degree] }).to eq(
        [[1, 1, "I"], [1, 3, "V"], [2, 1, "I"]]
      )
    end
  end

  describe "the tune" do
    it "is in the left hand where that one sings beneath chords" do
      chords, song = "E4+G4+C5q E4+G4+C5q E4+G4+C5q E4+G4+C5q", "C3q D3q E3q F3q"
      page =
        map[
          ([chords] * 4 + [song.tr("3", "5")] * 4).join(" | "),
          ([song] * 4 + ["C3+G3w"] * 4).join(" | ")
        ]
      expect(
        aspects::Tune.new(page).stretches.map { |one| [one.from, one.to, one.hand, one.over] }
      ).to eq([[1, 4, :left, true], [5, 8, :right, true]])
    end
  end

  describe "articulation" do
    touched = ->(page, articulation, at) do
      page.with(
        notes:
          page.notes.transform_values do |hands|
            hands.merge(
              right:
                hands[:right].map do |note|
                  (note.length == at) ? note.with(articulation: [articulation]) : note
                end
            )
          end
      )
    end

    it "goes by the value of the notes: short quarters, long halves" do
      page = touched[map["C4q D4q E4h | E4q F4q G4h"], "staccato", 1 / 4r]
      expect(
        aspects::Articulations
          .new(page)
          .by_value
          .map { |one| [one.hand, one.length, one.articulation, one.count] }
      ).to eq([[:right, 1 / 4r, "staccato", 4]])
    end

    it "is no rule where half of the notes do not have it" do
      page = touched[map["C4q D4q E4h"], "staccato", 1 / 4r]
      half =
        page.with(
          notes: page.notes.merge(2 => { right: map["C4q D4q E4h"].notes[1][:right], left: [] }),
          bars: score.bars(2, meters: page.meters)
        )
      expect(aspects::Articulations.new(half).by_value).to eq([])
    end

    it "has two-note slurs" do
      page =
        touched[map["C4q D4q E4q F4q | G4q F4q E4h"], "slurred", 1 / 4r].with(
          phrasing: score::Phrasing.new(slurs: [[1, 1 / 2r], [2, 0r], [2, 1 / 2r]])
        )
      expect(
        aspects::Articulations.new(page).pairs.map { |one| [one.hand, one.count, one.bars] }
      ).to eq([[:right, 3, [1, 2]]])
    end
  end

  describe "pedal" do
    under = ->(*spans) do
      map["C5w | D5w | E5w", "C3w | G2w | C3w", markings: score::Markings.new(pedal: spans)]
    end
    span = ->(from, to, from_beat = nil) do
      score::Span.new(from: from, to: to, from_beat: from_beat, to_beat: nil)
    end

    it "changes with each bar, or right behind the bass" do
      expect(aspects::Pedalling.new(under[span[1, 1], span[2, 2], span[3, 3]]).in.pattern).to eq(
        :bar
      )
      expect(
        aspects::Pedalling.new(under[span[1, 1, 2r], span[2, 2, 2r], span[3, 3, 2r]]).in.pattern
      ).to eq(:after)
      expect(
        aspects::Pedalling.new(under[span[1, 1], span[2, 2, 3r], span[3, 3]]).in.pattern
      ).to be_nil
      expect(aspects::Pedalling.new(under[]).in).to be_nil
    end
  end
end
