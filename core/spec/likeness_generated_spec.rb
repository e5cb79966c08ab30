# frozen_string_literal: true

require_relative "spec_helper"

# Pieces whose answer is known because of how each bar was made.
RSpec.describe "Likeness of generated pieces" do
  def rhythm(random) =
    [
      [1 / 4r, 1 / 4r, 1 / 4r, 1 / 4r],
      [1 / 2r, 1 / 4r, 1 / 4r],
      [1 / 4r, 1 / 2r, 1 / 4r],
      [1 / 8r, 1 / 8r, 1 / 4r, 1 / 2r],
      [3 / 4r, 1 / 4r]
    ].sample(random: random)

  def bar(rhythm, pitches)
    at = 0r
    rhythm
      .zip(pitches)
      .map do |length, pitch|
        Stairwell::Score::Note.new(onset: at, length: length, pitch: pitch).tap { at += length }
      end
  end

  # A pitch of C major.
  def pitch(place) =
    Stairwell::Score::Pitch.new(step: Stairwell::Score::Pitch::STEPS[place % 7], octave: place / 7)

  def piece(bars)
    Stairwell::Score::Map.new(
      title: "Made",
      bars:
        Stairwell::Score.bars(bars.size, meters: [Stairwell::Score::Meter.new(beats: 4, unit: 4)]),
      keys: [Stairwell::Score::Key.parse("C major")],
      notes: bars.each_with_index.to_h { |notes, at| [at + 1, { right: notes, left: [] }] }
    )
  end

  it "finds copies as the same, of the earliest bar" do
    random = Random.new(1)
    40.times do
      originals =
        Array.new(4) do |at|
          rhythm(random).then do |one|
            bar(one, one.each_index.map { |note| pitch(28 + at + note * (at + 1)) })
          end
        end
      chosen = Array.new(6) { random.rand(4) }
      bars =
        Stairwell::Sections::Likeness.new(piece(originals + chosen.map { |at| originals[at] })).bars
      earliest = ->(at) { originals.index(originals[at]) + 1 }
      expect(bars.last(6).map { |one| [one[:right].name, one[:right].of] }).to eq(
        chosen.map { |at| [:same, earliest.call(at)] }
      )
    end
  end

  it "finds bars shifted by semitones, and by scale steps, with the distance" do
    random = Random.new(2)
    60.times do
      lengths = rhythm(random)
      places = lengths.map { 28 + random.rand(10) }
      # C and F: a shift by one step changes their distance for B alone
      places[0] = 28 and places[1] = 31
      steps = random.rand(1..6)
      moved =
        piece(
          [
            bar(lengths, places.map { |one| pitch(one) }),
            bar(lengths, places.map { |one| pitch(one + steps) })
          ]
        )
      found = Stairwell::Sections::Likeness.new(moved).bars.last[:right]
      semitones = places.map { |one| pitch(one + steps).midi - pitch(one).midi }.uniq
      expect([found.name, found.of, found.by]).to eq(
        [:moved, 1, (semitones.size == 1) ? semitones.first : { steps: steps }]
      )
    end
  end

  it "finds the same rhythm with other notes, and takes another rhythm for new" do
    random = Random.new(3)
    40.times do
      lengths = rhythm(random)
      first = bar(lengths, lengths.each_index.map { |at| pitch(28 + at) })
      inverted = bar(lengths, lengths.each_index.map { |at| pitch(40 - 2 * at) })
      other = bar([1r], [pitch(28)])
      found =
        Stairwell::Sections::Likeness
          .new(piece([first, inverted, other]))
          .bars
          .map { |one| one[:right].name }
      expect(found).to eq(%i[new rhythm new])
    end
  end

  it "does not confuse a held note with one struck again" do
    tied = bar([1r], [pitch(28)]).map { |note| note.with(tied: true) }
    expect(
      Stairwell::Sections::Likeness.new(piece([bar([1r], [pitch(28)]), tied])).bars.last[
        :right
      ].name
    ).to eq(:new)
  end

  it "knows a bar together only when both hands come from one bar" do
    random = Random.new(4)
    40.times do
      hands =
        Array
          .new(3) do
            rhythm(random).then { |one| bar(one, one.map { pitch(21 + random.rand(14)) }) }
          end
          .uniq
      next if hands.size < 3

      pairs = [
        [hands[0], hands[1]],
        [hands[1], hands[2]],
        [hands[0], hands[2]],
        [hands[0], hands[1]]
      ]
      map =
        piece(pairs.map(&:first)).with(
          notes:
            pairs.each_with_index.to_h do |(right, left), at|
              [at + 1, { right: right, left: left }]
            end
        )
      bars = Stairwell::Sections::Likeness.new(map).bars
      expect([bars[2][:right].name, bars[2][:left].name]).to eq(%i[same same])
      expect(bars[2][:together].name).not_to eq(:same)
      expect([bars[3][:together].name, bars[3][:together].of]).to eq([:same, 1])
    end
  end
end
