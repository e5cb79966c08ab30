# frozen_string_literal: true

require_relative "spec_helper"
require "demo/notation"

# Fingers for what a hand plays, against the handbooks' scales, and what is printed.
RSpec.describe Stairwell::Aspects::Fingering do
  score = Stairwell::Score
  # A hand's notes in bars of four, quarters or as said.
  line = ->(text, hand: :right, key: "C major", fingers: {}) do
    bars = Demo::Notation.bars(text)
    at = -1
    notes =
      bars.each_with_index.to_h do |bar, index|
        [index + 1, { hand => bar.map { |note| note.with(finger: fingers[at += 1]) } }]
      end
    Stairwell::Aspects::Line.new(
      score::Map.new(
        title: "Line",
        bars: score.bars(bars.size, meters: [score::Meter.new(beats: 4, unit: 4)]),
        keys: [score::Key.parse(key)],
        notes: notes
      ),
      hand
    )
  end
  fingers = ->(of, **how) do
    described_class.new(of, **how).fingers.map { |one| one.fingers.join("+") }
  end

  # Two octaves of a scale in the notation of bars.
  scale = ->(key, octaves) do
    names = score::Scale.new(key).names.first(7)
    octave = 3
    pitches =
      Array.new(7 * octaves + 1) do |at|
        octave += 1 if at.positive? &&
          score::Pitch::STEPS.index(names[at % 7][0]) <
            score::Pitch::STEPS.index(names[(at - 1) % 7][0])
        "#{names[at % 7]}#{octave}q"
      end
    pitches.each_slice(4).map { |four| four.join(" ") }.join(" | ")
  end
  keys =
    [
      *Stairwell::Aspects::ScaleFingers::MAJOR.keys.map { |tonic| "#{tonic} major" },
      *Stairwell::Aspects::ScaleFingers::MINOR.keys.map { |tonic| "#{tonic} minor" }
    ].filter_map { |name| score::Key.parse(name) }

  # The tables are those of handbooks of scales (see ScaleFingers).
  it "comes near the handbooks by the strain of the hand alone, where the first and the last finger are printed" do
    agree =
      keys.flat_map do |key|
        Stairwell::Aspects::ScaleFingers
          .of(key)
          .zip(%i[right left])
          .flat_map do |book, hand|
            found =
              fingers.call(
                line.call(
                  scale.call(key, 1),
                  hand: hand,
                  key: key.to_s,
                  fingers: {
                    0 => book.first,
                    7 => book.last
                  }
                ),
                handbook: false
              )
            found.zip(book.map(&:to_s)).map { |one, other| one == other }
          end
      end
    expect(agree.size).to be > 450
    expect(agree.count(true)).to be >= agree.size * 0.9
  end

  # Over an octave the thumb goes under in the middle, as it began.
  it "is that of the handbooks where a scale runs, also over two octaves" do
    {
      ["C major", :right] => "123123412312345",
      ["C major", :left] => "543213214321321",
      ["Bb major", :right] => "412312341231234",
      ["F# minor", :left] => "432132143213214"
    }.each do |(key, hand), book|
      expect(
        [
          key,
          hand,
          fingers.call(line.call(scale.call(score::Key.parse(key), 2), hand: hand, key: key)).join
        ]
      ).to eq([key, hand, book])
    end
  end

  octave_lower = ->(pitches) { pitches.map { |one| one[..-2] + (one[-1].to_i - 1).to_s } }
  bars = ->(pitches) do
    pitches.map { |one| "#{one}q" }.each_slice(4).map { |four| four.join(" ") }.join(" | ")
  end

  # Chromatic scales and broken triads over two octaves, as handbooks of scales print them (J. F.
  # Cooke, Mastering the Scales and Arpeggios, 1913, from memory); down they are the same.
  it "is that of the handbooks where the hand runs through semitones" do
    up = %w[C4 C#4 D4 D#4 E4 F4 F#4 G4 G#4 A4 A#4 B4 C5]
    { right: "1313123131312", left: "1313213131321" }.each do |hand, book|
      expect([hand, fingers.call(line.call(bars.call(up), hand: hand)).join]).to eq([hand, book])
      expect([hand, fingers.call(line.call(bars.call(up.reverse), hand: hand)).join]).to eq(
        [hand, book.reverse]
      )
    end
  end

  it "is that of the handbooks where a triad runs over two octaves from its root" do
    {
      "C major" => [%w[C4 E4 G4 C5 E5 G5 C6], "5421421"],
      "G major" => [%w[G3 B3 D4 G4 B4 D5 G5], "5421421"],
      "F major" => [%w[F3 A3 C4 F4 A4 C5 F5], "5421421"],
      "D major" => [%w[D4 F#4 A4 D5 F#5 A5 D6], "5321321"],
      "A major" => [%w[A3 C#4 E4 A4 C#5 E5 A5], "5321321"],
      "A minor" => [%w[A3 C4 E4 A4 C5 E5 A5], "5421421"],
      "D minor" => [%w[D4 F4 A4 D5 F5 A5 D6], "5421421"]
    }.each do |key, (up, left)|
      expect([key, fingers.call(line.call(bars.call(up), key: key)).join]).to eq([key, "1231235"])
      expect(
        [key, fingers.call(line.call(bars.call(octave_lower.call(up)), key: key, hand: :left)).join]
      ).to eq([key, left])
      expect([key, fingers.call(line.call(bars.call(up.reverse), key: key)).join]).to eq(
        [key, "5321321"]
      )
    end
  end

  # A figure of five fingers that goes up a step at a time, as books of finger exercises print it
  # (from memory): each time 1 2 3 4 5 4 3 2.
  it "is that of the books where one figure goes up step by step" do
    names = %w[C D E F G A B]
    figure =
      (0..5).flat_map do |start|
        [0, 2, 3, 4, 5, 4, 3, 2].map do |step|
          "#{names[(start + step) % 7]}#{4 + (start + step) / 7}"
        end
      end
    expect(fingers.call(line.call(bars.call(figure))).join).to eq("12345432" * 6)
  end

  it "leaves five keys under five fingers, in either hand" do
    expect(fingers.call(line.call("C4q D4q E4q F4q | G4q F4q E4q D4q | C4w"))).to eq(
      %w[1 2 3 4 5 4 3 2 1]
    )
    expect(fingers.call(line.call("C3q D3q E3q F3q | G3q F3q E3q D3q | C3w", hand: :left))).to eq(
      %w[5 4 3 2 1 2 3 4 5]
    )
  end

  # Three-note chords by the handbooks: root position 1 3 5, in the left hand 5 3 1; an octave is 1
  # 5.
  it "lays chords as handbooks do" do
    expect(fingers.call(line.call("C4+E4+G4w | C4+C5w"))).to eq(%w[1+3+5 1+5])
    # from the thumb outward
    expect(fingers.call(line.call("C3+E3+G3w | C3+C4w", hand: :left))).to eq(%w[1+3+5 1+5])
  end

  # The fingers of broken and blocked triads in handbooks of scales and arpeggios (from memory):
  # root position 1 3 5, first inversion 1 2 5, second 1 3 5 in the right hand; 5 3 1, 5 3 1, 5 2 1
  # in the left.
  it "comes near the handbooks' fingers of triads in all positions" do
    agree =
      Stairwell::Practice::WarmUps::CHORDS.each_with_index.flat_map do |(_, right, left), turn|
        %w[C D E F G A B].flat_map do |root|
          names =
            score::Scale
              .new(score::Key.parse("#{root} major"))
              .names
              .values_at(0, 2, 4)
              .rotate(turn)
          octave = 3
          pitches =
            names.each_with_index.map do |name, at|
              octave += 1 if at.positive? &&
                score::Pitch::STEPS.index(name[0]) < score::Pitch::STEPS.index(names[at - 1][0])
              "#{name}#{octave}"
            end
          chord = "#{pitches.join("+")}w"
          [
            fingers.call(line.call(chord)).first.delete("+") == right,
            fingers.call(line.call(chord, hand: :left)).first.delete("+").reverse == left
          ]
        end
      end
    expect(agree.count(true)).to be >= agree.size * 0.9
  end

  it "holds to what is printed, and to what was typed of a start" do
    expect(fingers.call(line.call("C4q D4q E4q F4q", fingers: { 0 => 2 }))).to start_with(
      "2",
      "3",
      "4"
    )
    typed = line.call("C4q D4q E4q F4q | C4w")
    map =
      typed.map.with(
        markings:
          score::Markings.new(
            starts: [
              score::Start.new(hand: :right, finger: 3, pitch: score::Pitch.parse("C4"), bar: 2)
            ]
          )
      )
    expect(fingers.call(Stairwell::Aspects::Line.new(map, :right)).last).to eq("3")
    # Even where no hand would.
    expect(fingers.call(line.call("C4+E4w", fingers: { 0 => 5, 1 => 1 }))).to eq(["5+1"])
  end

  it "tells what is said from what was worked out" do
    found = described_class.new(line.call("C4q D4q", fingers: { 1 => 2 })).fingers
    expect(found.map(&:said?)).to eq([false, true])
  end
end
