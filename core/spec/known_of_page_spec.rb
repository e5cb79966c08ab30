# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "What the studio knows of a page" do
  include Making

  let(:known) { Stairwell::Studio::KnownOfPage }
  let(:map) { page("bars: 8\ntempo: target 60\nsection A: 1-4\nsection B: 5-8\nhard: 3") }

  def stumbles(*all) =
    all.map do |bar, student, cause|
      known::Stumble.new(bar: bar, student_id: student, cause: cause)
    end

  def of(stumbles: [], hard: [], learners: 4) =
    known.of(map, stumbles: stumbles, hard: hard, learners: learners)

  it "is where several stumbled, the most first, with their causes" do
    found =
      of(
        stumbles:
          stumbles([7, 1, "rhythm"], [7, 2, "rhythm"], [7, 3, "fingers"], [2, 1, nil], [2, 4, nil])
      )
    expect(found.map { |one| one.words.to_s }).to eq(
      ["Bar 7: 3 of 4 students stumbled (rhythm, fingers).", "Bar 2: 2 of 4 students stumbled."]
    )
    expect(found.first.mend).to have_attributes(put: ["hard: 7"], drop: [])
    expect(found.first.mend.words.to_s).to eq("Mark bar 7 as hard")
  end

  it "is not where one did, however often, nor where it was a few of many" do
    expect(of(stumbles: stumbles([7, 1, "rhythm"], [7, 1, "fingers"]))).to eq([])
    expect(of(stumbles: stumbles([7, 1, nil], [7, 2, nil]), learners: 7)).to eq([])
    expect(of(stumbles: stumbles([7, 1, nil], [7, 2, nil]), learners: 6).size).to eq(1)
  end

  it "marks nothing twice, and knows nothing of bars and sections that are not there any more" do
    expect(of(stumbles: stumbles([3, 1, nil], [3, 2, nil])).map(&:mend)).to eq([nil])
    expect(
      of(
        stumbles: stumbles([9, 1, nil], [9, 2, nil]),
        hard:
          %w[Z Z].each_with_index.map do |label, at|
            known::Hard.new(section: label, student_id: at)
          end
      )
    ).to eq([])
  end

  it "is which sections were found hard" do
    hard =
      [["B", 1], ["B", 2], ["A", 1]].map do |label, student|
        known::Hard.new(section: label, student_id: student)
      end
    expect(of(hard: hard).map { |one| one.words.to_s }).to eq(
      ["Section B: 2 of 4 students found a step of it hard."]
    )
  end

  describe "is chosen with the page for the next student" do
    let(:found) do
      of(
        stumbles: stumbles([7, 1, nil], [7, 2, nil], [2, 1, nil], [2, 2, nil], [2, 3, nil]),
        hard: [1, 2].map { |student| known::Hard.new(section: "B", student_id: student) }
      )
    end
    let(:choices) { known.beforehand(found) }

    def steps(choices) =
      Stairwell::Practice
        .steps(Stairwell::Studio::Assigned.page(map, choices))
        .to_h { |step| [step.id, step] }

    it "as spots where others stumbled, and days for what they found hard" do
      expect(choices).to eq("known_bars" => [2, 7], "known_hard" => ["B"])
      expect(JSON.parse(JSON.generate(choices))).to eq(choices)
      expect(known.words(map, choices).map(&:to_s)).to eq(
        [
          "spots at bars 2 and 7, where others stumbled",
          "B a level more difficult, as half of the others found it hard"
        ]
      )
      before, after = steps({}), steps(choices)
      expect(after.keys - before.keys).to eq(%w[spot@2.spot spot@7.spot])
      expect(after["spot@7.spot"].title).to eq("Spot at bar 7, others stumbled here, the spot")
      expect(after["B.together"].needs).to include("spot@7.spot")
      # 2 days × (0.7 + 0.1 × 3) = 2, of difficulty 4 2 × 1.1 = 2.2.
      expect([before["B.together"].good_days, after["B.together"].good_days]).to eq([2, 3])
      expect(before["A.together"].good_days).to eq(after["A.together"].good_days)
    end

    it "never twice, nor where the teacher said there is none, nor beyond the most difficult" do
      spots = page("bars: 8\nsection A: 1-4\nsection B: 5-8 difficulty 5\nspot: 2\nno spot: 7")
      made = known.on(spots, choices)
      expect(made.markings.spots).to eq(spots.markings.spots)
      expect(made.sections.map(&:difficulty)).to eq([3, 5])
      expect(known.on(spots, {})).to equal(spots)
      expect(
        known.beforehand(
          of(stumbles: (1..6).flat_map { |bar| stumbles([bar, 1, nil], [bar, 2, nil]) })
        )[
          "known_bars"
        ].size
      ).to eq(4)
    end
  end
end
