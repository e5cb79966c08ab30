# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/fingered_score"

# Fingers worked out without seeing the printed ones, compared with scores that carry them. The
# printed ones are one editor's choice out of several good ones: what counts is that most are the
# same, and that no hand is asked for what none can do.
RSpec.describe "Fingers of printed scores" do
  # Bars 9 to 14 of a scherzo (op. 31 no. 3, public domain) as an engraving program's documentation
  # prints them, with the fingers of an old edition ("Editorial headword", LilyPond 2.24 snippets,
  # package lilypond-doc). Trills and their notes after are left out.
  scherzo = {
    fifths: -4,
    meter: "2/4",
    right:
      "C5+Ab5-4/8 | Db5-2+Bb5-5/4 C5+Ab5-4/8 C5-5/8 | Bb4/8.. Ab4/32 G4/8 F4/8 | E4-2/4 r/8 F4-3/8 | G4-3/8.. F4/32 E4-1/8 D4-2/8 | C4/4 r/4",
    left:
      "Ab3+Ab4/8 | Eb4-3+G4-2/4 Ab3+Ab4/8 C4-1/8 | Bb3/8.. Ab3/32 G3-1/8 F3/8 | E3/4 r/8 F3-2/8 | G3-1/8.. F3/32 E3/8 D3/8 | C3/4 r/4"
  }
  # Wide chords with a second in them, as the same program's own tests finger them
  # ("fingering-adjacent-note-chord-new").
  seconds = {
    fifths: 0,
    meter: "4/4",
    right: "E4-1+D5-4+E5-5/1 | A4-1+B4-2+F#5-5/1 | E4-1+D5-4+E5-5/1"
  }
  # The first bars of a minuet in G (Anna Magdalena's notebook) as beginners' editions finger them,
  # from memory.
  minuet = {
    fifths: 1,
    meter: "3/4",
    right:
      "D5-5/4 G4-1/8 A4-2/8 B4-3/8 C5-4/8 | D5-5/4 G4-1/4 G4-1/4 | E5-3/4 C5-1/8 D5-2/8 E5-3/8 F#5-4/8 | G5-5/4 G4-1/4 G4-1/4"
  }
  # The opening of a bagatelle in A minor, from memory.
  bagatelle = {
    fifths: 0,
    meter: "3/8",
    right:
      "E5-5/16 D#5-4/16 | E5-5/16 D#5-4/16 E5-5/16 B4-2/16 D5-4/16 C5-3/16 | A4-1/8 r/16 C4-1/16 E4-2/16 A4-5/16"
  }
  # Figures of finger exercises of 1873, nos. 1, 2, 3, 5 and 6, each begun three times, from memory.
  exercises =
    {
      "0 2 3 4 5 4 3 2" => %w[12345432 54321234],
      "0 2 5 4 3 4 3 2" => %w[12543432 53123234],
      "0 2 5 4 3 2 3 4" => %w[12543234 53123432],
      "0 5 4 5 3 4 2 3" => %w[15453423 51213243],
      "0 5 4 5 3 5 2 5" => %w[15453525 51213141]
    }.map do |steps, (right, left)|
      bars = ->(fingers, octave) do
        Array
          .new(3) do |start|
            steps
              .split
              .each_with_index
              .map do |step, at|
                (start + step.to_i).then do |degree|
                  "#{%w[C D E F G A B][degree % 7]}#{octave + degree / 7}-#{fingers[at]}/8"
                end
              end
              .join(" ")
          end
          .join(" | ")
      end
      { fifths: 0, meter: "4/4", right: bars.call(right, 4), left: bars.call(left, 3) }
    end

  # [printed, worked out] of each printed finger, where ours has not seen it.
  compared = ->(how) do
    map = FingeredScore.read(**how)
    bare =
      map.with(
        notes:
          map.notes.transform_values do |hands|
            hands.transform_values { |notes| notes.map { |note| note.with(finger: nil) } }
          end
      )
    how
      .keys
      .intersection(%i[right left])
      .flat_map do |hand|
        found = Stairwell::Aspects::Fingering.new(Stairwell::Aspects::Line.new(bare, hand)).fingers
        Stairwell::Aspects::Line
          .new(map, hand)
          .touches
          .zip(found)
          .flat_map { |touch, one| touch.notes.map(&:finger).zip(one.fingers) }
          .select(&:first)
      end
  end
  alike = ->(scores) do
    scores
      .flat_map(&compared)
      .then { |pairs| pairs.count { |printed, ours| printed == ours }.fdiv(pairs.size) }
  end
  pieces = [scherzo, seconds, minuet, bagatelle]

  it "are read, every one at its note" do
    read = [*pieces, *exercises].flat_map { |how| compared.call(how).map(&:first).sort }
    expect(read).to eq(
      [*pieces, *exercises].flat_map do |how|
        how.values_at(:right, :left).compact.flat_map { |text| FingeredScore.printed(text) }.sort
      end
    )
  end

  it "are those of pieces in four of five places" do
    expect(alike.call(pieces)).to be >= 0.8
  end

  # Where a figure stays under the hand; the last two train the fourth and fifth finger on purpose,
  # which ours spare.
  it "are those of figures that lie under the hand, in four of five places; what trains the weak fingers is spared" do
    expect(alike.call(exercises.first(3))).to be >= 0.8
    weak = exercises.last(2).flat_map(&compared)
    expect(weak.count { |_, ours| ours >= 4 }).to be < weak.count { |printed, _| printed >= 4 }
  end

  it "hold where they are printed, also against what would be worked out" do
    map = FingeredScore.read(**exercises.last)
    found = Stairwell::Aspects::Fingering.new(Stairwell::Aspects::Line.new(map, :right)).fingers
    expect(found.flat_map(&:fingers).join).to eq("15453525" * 3)
    expect(found).to all(be_said)
  end
end
