# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# The teacher's own warm-ups: chords and scales in a chain, another key each week.
RSpec.describe "A chain of chords and scales" do
  include Records

  chain = Stairwell::Practice::Chain
  key = ->(name) { Stairwell::Score::Key.parse(name) }

  # Chords by degree as any handbook of harmony has them; in minor with the raised seventh (common
  # practice, no source).
  it "has the notes of its degrees and scales in the key" do
    expect(chain.notes("I IV V7 I", key["G major"])).to eq(
      ["I: G B D", "IV: C E G", "V7: D F# A C", "I: G B D"]
    )
    expect(chain.notes("i iv V i", key["A minor"])).to eq(
      ["i: A C E", "iv: D F A", "V: E G# B", "i: A C E"]
    )
    expect(chain.notes("Scale, ii V7", key["F major"])).to eq(
      ["F G A Bb C D E F", "ii: G Bb D", "V7: C E G Bb"]
    )
    expect(chain.notes("I see the sea, VIII", key["C major"])).to eq([])
  end

  it "goes through its keys week by week and round again, or an interval higher" do
    keys = %w[C G D].map { |tonic| key["#{tonic} major"] }
    expect((0..4).map { |week| chain.key(keys, week).tonic }).to eq(%w[C G D C G])
    expect((0..12).map { |week| chain.key([key["C major"]], week, higher: 1).tonic }).to eq(
      %w[C Db D Eb E F F# G Ab A Bb B C]
    )
    expect((0..3).map { |week| chain.key([key["A minor"]], week, higher: 2).to_s }).to eq(
      ["A minor", "B minor", "C# minor", "D# minor"]
    )
    expect(chain.key([], 3)).to be_nil
  end

  # Another implementation: semitones above C of each tonic, from their names.
  it "is as many semitones higher as was said, from any key" do
    pitch = ->(tonic) do
      { "C" => 0, "D" => 2, "E" => 4, "F" => 5, "G" => 7, "A" => 9, "B" => 11 }.fetch(tonic[0]) +
        tonic.count("#") - tonic[1..].count("b")
    end
    (-7..7)
      .to_a
      .product(%w[major minor], (1..11).to_a)
      .each do |fifths, mode, semitones|
        from = Stairwell::Score::Key.new(fifths: fifths, mode: mode)
        to = chain.up(from, semitones)
        expect([(pitch[to.tonic] - pitch[from.tonic]) % 12, to.mode]).to eq([semitones, mode])
        expect(to.fifths.abs).to be <= 6
      end
  end

  describe "given to a student" do
    let(:work) do
      Stairwell::Studio::ExtraWork.new(
        id: 4,
        kind: "exercise",
        title: "I V7 I",
        minutes: 2r,
        times: 7,
        keys: ["C major", "G major", "D major"],
        hands: %w[right left both]
      )
    end

    # Given on Wednesday 3 March; lessons on Wednesdays.
    def title(record, day) =
      Stairwell::Studio::PlanWeek
        .ahead(record.with(today: day), from: day)
        .days
        .flat_map(&:warm_ups)
        .map { |one| one.title.to_s }
        .uniq

    it "is in the next key after each lesson, the same on all days of a week, and goes on after holidays" do
      given = Stairwell::Studio::ChangeExtraWork.add(record(warm_ups: "none"), work).record
      expect(given.extra_work.first.since).to eq(Date.new(2027, 3, 3))
      said = ->(tonic) { ["I V7 I in #{tonic} major: right, left, both"] }
      expect([4, 6, 8].map { |day| title(given, Date.new(2027, 3, day)) }).to all(eq(said["C"]))
      expect([11, 15].map { |day| title(given, Date.new(2027, 3, day)) }).to all(eq(said["G"]))
      expect(title(given, Date.new(2027, 3, 18))).to eq(said["D"])
      expect(title(given, Date.new(2027, 3, 25))).to eq(said["C"])
      holidays =
        Stairwell::Studio::ChangeExtraWork.add(
          record(warm_ups: "none", holidays: [{ "from" => "2027-03-13", "to" => "2027-03-26" }]),
          work
        ).record
      expect([title(holidays, Date.new(2027, 3, 11)), title(holidays, Date.new(2027, 4, 1))]).to eq(
        [said["G"], said["D"]]
      )
    end

    it "stays in its turn when it is changed" do
      given =
        Stairwell::Studio::ChangeExtraWork
          .add(record(warm_ups: "none"), work)
          .record
          .with(today: Date.new(2027, 3, 11))
      changed = Stairwell::Studio::ChangeExtraWork.change(given, work.with(title: "I IV I")).record
      expect(title(changed, Date.new(2027, 3, 11))).to eq(["I IV I in G major: right, left, both"])
    end

    it "begins the recap, and shows its notes" do
      given = Stairwell::Studio::ChangeExtraWork.add(record(warm_ups: "none"), work).record
      week = Stairwell::Studio::PlanWeek.ahead(given, from: Date.new(2027, 3, 4))
      expect(week.days.first.warm_ups.first.notes).to eq(["I: C E G", "V7: G B D F", "I: C E G"])
      expect(Stairwell::Studio::LessonRecap.write(given, [], week)).to include(
        "I V7 I in C major: right, left, both"
      )
    end
  end

  it "calls parts as a family knows them" do
    titles =
      Stairwell::Practice
        .steps(page("bars: 12\nsection P1: 1-4\nsection P2: 5-8\nsection P3: 9-12\n"))
        .map { |step| step.title.to_s }
    expect(titles).to include(
      "the first part, right hand",
      "the second part, hands together",
      a_string_starting_with("the first part to the second part"),
      a_string_starting_with("the first part + the second part")
    )
    expect(titles.grep(/\bP\d/)).to eq([])
  end
end
