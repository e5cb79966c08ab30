# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/composed"

# Which bar of another print is which, and what of a page stays over it.
RSpec.describe Stairwell::Studio::OtherScore do
  score = Stairwell::Score
  span = ->(from, to, **beats) { score::Span.new(from: from, to: to, **beats) }
  piece = ->(seed) { Composed.new(seed).piece.map }
  # The same music with bars before it, and one taken out.
  other = ->(map, before: 0, without: nil) do
    kept = map.bars.map(&:index) - [without]
    chord = {
      right: [score::Note.new(onset: 0r, length: 1 / 4r, pitch: score::Pitch.parse("C6"))],
      left: []
    }
    notes = {
      **(1..before).to_h { |bar| [bar, chord] },
      **kept.each_with_index.to_h do |bar, at|
        [before + at + 1, map.notes.fetch(bar, { right: [], left: [] })]
      end
    }
    map.with(
      bars: score.bars(kept.size + before, meters: [map.bars[1].meter]),
      notes: notes,
      phrasing: score::Phrasing.new
    )
  end

  it "finds every bar again behind bars that are new, or where one is missing" do
    (1..60).each do |seed|
      map = piece.call(seed)
      next if map.pickup?

      match = score::BarMatch.new(map, other[map, before: 3])
      expect(map.bars.map { |bar| match[bar.index] }).to eq(map.bars.map { |bar| bar.index + 3 })
      gone = map.bars.size / 2
      found = score::BarMatch.new(map, other[map, without: gone])
      # A bar that is like its neighbour may stand for it.
      right =
        map
          .bars
          .map(&:index)
          .count { |bar| bar != gone && found[bar] == ((bar < gone) ? bar : bar - 1) }
      expect(right).to be >= map.bars.size - 3
    end
  end

  it "goes by printed numbers where no notes are known, and by place where there are as many" do
    match = score::BarMatch.new(page("pickup: 1\nbars: 8"), page("bars: 9"))
    expect([match[1], match[2], match[9], match.same?]).to eq([nil, 1, 8, false])
    expect(score::BarMatch.new(page("bars: 8"), page("bars: 8\nbar 5: number 21")).same?).to be(
      true
    )
  end

  it "takes what teachers said to the same music, and what is printed from the score" do
    map =
      page(
        "title: Ours\nbars: 8\ntime: 4/4\ntempo: target 66\nsection A: 1-4\nsection B: 5-8 like A except 8\nspot: 3 beat 2 - 3 beat 3\ndynamics: 1 p\nfermata: 8 for 2\nrepeat: 1-4\nfingering A: thumb on E\npass 2: 5-6 softer\ntrack: 4\n# ask"
      )
    print =
      page(
        "title: Theirs\nbars: 10\ntime: 4/4\ntempo: Allegro, marked quarter = 120\ndynamics: 3 f\nrepeat: 3-10"
      ).with(notes: {})
    shifted =
      described_class.new(
        map,
        print.with(
          bars:
            score.bars(
              10,
              meters: [print.bars.first.meter],
              numbers: {
                1 => 101,
                2 => 102,
                3 => 1
              }
            )
        )
      )
    made = shifted.map
    expect(made.sections.map { |one| [one.label, one.spans, one.variant&.except] }).to eq(
      [["A", [span[3, 6]], nil], ["B", [span[7, 10]], [10]]]
    )
    expect(
      [made.title, made.tempo.target, made.tempo.mark, made.markings.track, made.remarks]
    ).to eq(["Ours", 66, 120, 4, ["# ask"]])
    expect(made.markings.spots.first.span).to eq(span[5, 5, from_beat: 2r, to_beat: 3r])
    expect(made.markings.pass_notes.first.span).to eq(span[7, 8])
    # Loudness and repeats are the print's, what it does not have is ours.
    expect(
      [
        made.markings.dynamics.map(&:words),
        made.repeats.map { |one| [one.from, one.to] },
        made.markings.fermatas.map(&:bar)
      ]
    ).to eq([["f"], [[3, 10]], [10]])
    expect([shifted.lost, shifted.same_bars?]).to eq([[], false])
    score::Coherence.check(made)
  end

  it "keeps our signs over a score that is only notes" do
    made =
      described_class.new(
        page("bars: 8\nrepeat: 1-4\nsegno: 5\ndal segno: 8 al fine\nfine: 6"),
        page("bars: 8")
      ).map
    expect(Stairwell::Roadmap.read(made).order).to eq([1, 2, 3, 4, 1, 2, 3, 4, 5, 6, 7, 8, 5, 6])
  end
end
