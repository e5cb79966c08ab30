# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/composed"
require "demo/notation"

# Sections where a musician hears them.
RSpec.describe "Suggested sections" do
  # Where sections begin, in whole notes from the first full bar's line, with their letters.
  def starts(map, sections = Stairwell::Sections.suggest(map))
    offsets = map.bars.inject([0r]) { |all, bar| all << (all.last + bar.length) }
    pickup = map.pickup? ? map.bars.first.length : 0r
    sections
      .flat_map do |section|
        section.spans.map do |span|
          [
            offsets[span.from - 1] - pickup +
              (span.from_beat ? (span.from_beat - 1) * map.bar(span.from).meter.count_length : 0),
            section.label
          ]
        end
      end
      .sort
  end

  describe "of pieces that are composed by a known form" do
    let(:pieces) { (2001..2400).map { |seed| Composed.new(seed).piece } }
    let(:found) { pieces.map { |piece| [piece, starts(piece.map)] } }

    def beat(piece) = piece.map.bars.last.meter.count_length

    def near(piece, found, place) =
      found.select { |at, _| (at - place).abs <= beat(piece) || (at <= 0 && place <= 0) }

    it "begin within a beat of nine phrases in ten, and hardly anywhere else" do
      edges = found.sum { |piece, _| piece.edges.size }
      heard = found.sum { |piece, all| piece.edges.count { |edge| near(piece, all, edge).any? } }
      elsewhere =
        found.sum do |piece, all|
          all.count do |at, _|
            at.positive? &&
              (piece.edges + piece.optional).none? { |edge| (at - edge).abs <= beat(piece) }
          end
        end
      expect(heard / edges.to_f).to be >= 0.9
      expect(elsewhere / edges.to_f).to be <= 0.1
      # What is to be heard is really there.
      expect(pieces.map(&:form).tally.values).to all(be > 40)
      expect(pieces.count { |piece| piece.map.pickup? }).to be > 100
    end

    it "find the second place of what comes back literally in nineteen of twenty" do
      returns =
        found.flat_map do |piece, all|
          piece.returns.map { |later, first| [near(piece, all, later), near(piece, all, first)] }
        end
      expect(returns.size).to be > 300
      expect(
        returns.count { |later, first| (later.map(&:last) & first.map(&:last)).any? } /
          returns.size.to_f
      ).to be >= 0.95
    end
  end

  it "lie one behind the other without a gap, and can be written as a page and a document" do
    40.times do |seed|
      map = Composed.new(seed).piece.map
      sections = Stairwell::Sections.suggest(map)
      spans = sections.flat_map(&:spans).sort_by { |span| [span.from, span.from_beat || 1] }
      expect([spans.first.from, spans.last.to, spans.last.to_beat]).to eq([1, map.bars.size, nil])
      spans.each_cons(2) do |one, other|
        expect(other.from_beat ? [one.to, one.to_beat] : [one.to + 1, one.to_beat]).to eq(
          other.from_beat ? [other.from, other.from_beat - 1] : [other.from, nil]
        )
      end
      expect(Stairwell::Sections::Check.call(map.with(sections: sections)).map(&:code)).to eq([])
      script = Stairwell::Formats::PageScript.write(map.with(sections: sections))
      expect(page(script).sections).to eq(sections)
      expect(
        Stairwell::Score::Document.read(
          JSON.generate(Stairwell::Score::Document.dump(map.with(sections: sections)))
        ).sections
      ).to eq(sections)
      expect(Stairwell::Practice.steps(map.with(sections: sections))).not_to be_empty
    end
  end

  # A page out of bars in short; `meter` as printed, `pickup` in counts.
  def made(right, left = nil, meter: "4/4", key: "C major", pickup: nil, phrasing: {})
    meter = Stairwell::Score::Meter.parse(meter)
    count = right.split("|").size
    left ||= Array.new(count) { "-w" }.join(" | ")
    bars =
      Stairwell::Score.bars(
        count - (pickup ? 1 : 0),
        meters: [meter],
        pickup: pickup,
        counts: pickup ? { count => meter.counts(meter.bar_length) - pickup } : {}
      )
    Stairwell::Score::Map.new(
      title: "Made",
      bars: bars,
      notes: Demo::Notation.hands(right, left),
      keys: [Stairwell::Score::Key.parse(key)],
      phrasing: Stairwell::Score::Phrasing.new(**phrasing)
    )
  end

  # [letter, first bar and beat] of each place, in order.
  def heard(map)
    Stairwell::Sections
      .suggest(map)
      .flat_map do |section|
        section.spans.map { |span| [span.from, span.from_beat || 1, section.label] }
      end
      .sort
      .map do |bar, beat, label|
        "#{label} #{map.bar(bar).name}#{".#{beat.to_f.round(1).to_s.delete_suffix(".0")}" unless beat == 1}"
      end
  end

  question = "C4q E4q G4q E4q | F4q A4q G4h | E4q F4q G4q A4q | D4h -h"
  answer = "C4q E4q G4q E4q | F4q A4q G4h | E4q D4q C4q D4q | C4h -h"
  middle = "G4q G4q A4q B4q | C5h B4h | A4q G4q F4q E4q | D4h -h"

  # Each as a teacher would cut it, and why.
  it "cut a question and its answer where the question rests, and call the answer by its letter" do
    # The tune stops on a half note and a rest in bar 4; bars 5 and 6 are bars 1 and 2 again.
    expect(heard(made("#{question} | #{answer}"))).to eq(["A 1", "A1 5"])
  end

  it "cut a song of four lines at its lines, and find the first again as the last" do
    # A A B A: what comes back begins where it began before.
    expect(heard(made("#{answer} | #{answer} | #{middle} | #{answer}"))).to eq(
      ["A 1", "A 5", "B 9", "A 13"]
    )
  end

  it "begin a phrase with its upbeat, also where the bar before it is cut in two" do
    # Each line begins with the fourth beat, as the piece does.
    line = "C5q B4q A4q G4q | A4q G4q F4q E4q | F4q G4q A4q F4q | G4h."
    other = "E4q F4q G4q A4q | B4q A4q G4q F4q | E4q D4q E4q D4q | C4h."
    map = made("G4q | #{line} G4q | #{line} E4q | #{other} G4q | #{line}", pickup: 1r)
    expect(heard(map)).to eq(["A 0", "A 4.4", "B 8.4", "A 12.4"])
    expect(
      Stairwell::Sections.suggest(map).first.spans.map { |span| [span.to, span.to_beat] }
    ).to eq([[5, 3], [9, 3], [17, nil]])
  end

  it "cut where the accompaniment changes and the bass closes, though the tune runs on" do
    # The bass falls from G to C into bar 4, and the broken chords give way to held ones.
    tune = "C5q D5q E5q D5q | C5q B4q A4q B4q | D5q C5q B4q A4q | C5q D5q E5q C5q"
    broken =
      Array.new(2) { "C3e G3e E3e G3e C3e G3e E3e G3e" } +
        ["G2e D3e B2e D3e G2e D3e B2e D3e", "C3e G3e E3e G3e C3e G3e E3e G3e"]
    held = %w[C3+E3w F3+A3w G2+B2w C3+E3w]
    other = "E5q F5q G5q F5q | A4q B4q C5q D5q | B4q A4q G4q F4q | E4q F4q G4q E4q"
    expect(heard(made("#{tune} | #{other}", [*broken, *held].join(" | ")))).to eq(["A 1", "B 5"])
  end

  it "know a tune again over another accompaniment, and say that it is the right hand's" do
    # The same line over held chords, then over broken ones.
    held = %w[C3+E3w F3+A3w G2+B2w C3+E3w]
    broken = [
      "C3e G3e E3e G3e C3e G3e E3e G3e",
      "F3e C4e A3e C4e F3e C4e A3e C4e",
      "G2e D3e B2e D3e G2e D3e B2e D3e",
      "C3e G3e E3e G3e C3e G3e E3e G3e"
    ]
    sections =
      Stairwell::Sections.suggest(made("#{answer} | #{answer}", [*held, *broken].join(" | ")))
    expect(sections.map { |one| [one.label, one.variant&.of, one.variant&.hand] }).to eq(
      [["A", nil, nil], ["A1", "A", :right]]
    )
  end

  it "cut two bars and the same a step higher from the four that go on" do
    # A sentence: an idea, the idea moved, and a continuation to the close.
    idea = "C4q E4q D4q F4q | E4q G4h."
    going = "A4q G4q F4q E4q | F4q E4q D4q C4q | E4e D4e C4e D4e B3q D4q | C4h -h"
    expect(
      heard(
        made(
          "#{idea} | #{Demo::Notation.moved(idea, 1, Stairwell::Score::Key.parse("C major"))} | #{going} | #{idea} | #{Demo::Notation.moved(idea, 1, Stairwell::Score::Key.parse("C major"))} | #{going}"
        )
      )
    ).to include("A 1", "A 9").and include(a_string_ending_with(" 5"))
  end

  it "never cut inside a word, though the tune waits there" do
    # The long note of bar 4 carries the first half of a word, which bar 5 goes on with.
    line = "C4q D4q E4q F4q | G4q F4q E4q D4q | E4q F4q G4q A4q | G4h -h | E4q D4q C4h"
    begins = ->(words) do
      heard(made("#{line} | #{line}", phrasing: { inside_words: words })).map do |one|
        one[/\d+/].to_i
      end
    end
    expect(begins[[]]).to include(5)
    expect(begins[[[5, 0r], [10, 0r]]] & [5, 10]).to eq([])
  end

  it "cut at a breath where nothing else tells" do
    # Even quarters, no rest: the comma above the staff behind bar 4 is all there is.
    even =
      "C4q D4q E4q F4q | G4q F4q A4q G4q | B4q A4q G4q F4q | E4q G4q F4q D4q | A4q G4q C5q B4q | D5q B4q C5q A4q | F4q A4q G4q B4q | C5q E4q D4q C4q | B3q D4q G4q F4q | E4q C4q D4q C4q"
    expect(
      heard(made(even, phrasing: { breaths: [[5, 0r]] })).map { |one| one[/\d+/].to_i }
    ).to include(5)
    expect(
      heard(made(even, phrasing: { breaths: [[7, 0r]] })).map { |one| one[/\d+/].to_i }
    ).to include(7)
  end

  it "cut three bars from three in a song of threes" do
    # Lines of three bars, each with its close.
    one = "C4q E4q G4q | A4q G4q E4q | D4h -q"
    two = "G4q F4q E4q | F4q E4q D4q | C4h -q"
    expect(heard(made("#{one} | #{two} | #{one} | #{two}", meter: "3/4"))).to eq(
      ["A 1", "B 4", "A 7", "B 10"]
    )
  end

  it "follow the repeat signs of the page before all else" do
    # Eight bars each way: the second part begins where the sign is.
    map =
      made("#{question} | #{answer} | #{middle} | #{answer}").with(
        repeats: [
          Stairwell::Score::Repeat.new(from: 1, to: 8),
          Stairwell::Score::Repeat.new(from: 9, to: 16)
        ]
      )
    expect(heard(map)).to eq(["A 1", "A1 5", "B 9", "A1 13"])
  end

  it "stand in parts, and hold phrases, which the survey says under keys of their own" do
    # Two lines of eight bars, repeated each by its sign; each line a question and an answer.
    map =
      made("#{question} | #{answer} | #{middle} | #{answer}").with(
        repeats: [
          Stairwell::Score::Repeat.new(from: 1, to: 8),
          Stairwell::Score::Repeat.new(from: 9, to: 16)
        ]
      )
    told = Stairwell::Sections.survey(map).summary
    expect(told["parts"]).to eq([[1, 8], [9, 16]])
    expect(told["phrases"].map(&:first)).to include(1, 5, 9, 13)
    # What is typed and has no notes has its signs.
    typed = Stairwell::Sections.survey(page("bars: 16\nrepeat: 1-8\n")).summary
    expect(typed["parts"]).to eq([[1, 8], [9, 16]])
  end

  it "cut where the key changes" do
    # The same question a fifth higher, in the key of the fifth.
    moved = Demo::Notation.moved(question, 4, Stairwell::Score::Key.parse("G major"))
    map =
      made("#{question} | #{moved}").with(
        keys: [
          Stairwell::Score::Key.parse("C major"),
          Stairwell::Score::Key.parse("G major", bar: 5)
        ]
      )
    sections = Stairwell::Sections.suggest(map)
    expect([heard(map), sections.last.variant&.relation]).to eq([["A 1", "B 5"], :moved])
  end

  it "let a phrase run into the next where the note that ends it begins that" do
    # Bar 4 leads into bar 5 without a stop; bars 1 to 4 come back there and tell it.
    run = "C4q E4q G4q E4q | F4q A4q C5q A4q | G4q E4q D4q F4q | E4q D4q B3q D4q"
    other = "E4q G4q C5q G4q | A4q F4q D4q F4q | B3q D4q G4q F4q | E4q D4q B3q D4q"
    expect(heard(made("#{run} | #{run} | #{other} | #{run}"))).to eq(["A 1", "A 5", "B 9", "A 13"])
  end
end
