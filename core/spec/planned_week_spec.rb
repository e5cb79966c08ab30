# frozen_string_literal: true

require_relative "spec_helper"
require "json"
require "json_schemer"

# A week is kept for years and read by phones, paper and the next lesson: whatever it can
# hold reads back the same, and is as its schema says.
RSpec.describe Stairwell::Planning::WeekDocument do
  planning = Stairwell::Planning
  schema =
    JSONSchemer.schema(
      JSON.parse(File.read(File.expand_path("../../docs/planned-week-2.schema.json", __dir__)))
    )
  phrase = Stairwell::Phrase
  texts = [
    "Line 3, “slowly”",
    "Étude – 3/4",
    "a # b",
    "漢字",
    "x" * 200,
    phrase["planning.reasons.new"],
    phrase["planning.reasons.good_day_of", day: 2, good_days: 3],
    phrase.list(
      [phrase.capital(phrase["practice.wording.bar", bar: "#5"]), "jump", phrase.ordinal(12), 7],
      by: :semicolon
    ),
    phrase[
      "planning.reasons.more_on",
      minutes: Stairwell::Units.minutes(7 / 2r),
      day: phrase.day(Date.new(2027, 3, 4))
    ]
  ]
  any_of = ->(random, from) { from[random.rand(from.size)] }
  text = ->(random) { any_of.call(random, texts) }
  typed = ->(random) { any_of.call(random, texts.grep(String)) }
  date = ->(random) { Date.new(2027, 1, 1) + random.rand(400) }
  halves = ->(random) { Rational(random.rand(1..40), 2) }
  item =
    lambda do |random, kind|
      planning::PlannedItem.new(
        id: "7/A.right",
        kind: kind,
        title: text.call(random),
        minutes: halves.call(random),
        why: text.call(random),
        repetitions: random.rand(1..8),
        pinned: true,
        breaks: text.call(random),
        assignment_id: random.rand(1..99),
        step_id: "A.right~smaller",
        piece: typed.call(random),
        section: "A1",
        place: "page 12, line 1",
        tempo: random.rand(30..200),
        begins: true,
        arithmetic: text.call(random),
        one_of: [typed.call(random), typed.call(random)],
        row: "7/new/A",
        stage: text.call(random)
      )
    end
  day =
    lambda do |random|
      warm_up =
        planning::PlannedWarmUp.new(
          id: "warm-up 1",
          title: text.call(random),
          minutes: halves.call(random),
          notes: %w[G A B♭],
          right: [1, 2, 3],
          left: [5, 4, 3],
          pinned: true,
          row: "warm-up 1"
        )
      planning::PlannedDay.new(
        date: date.call(random),
        minutes: halves.call(random),
        budget: halves.call(random),
        items: %i[step review run extra_work added].map { |kind| item.call(random, kind) },
        warm_ups: [warm_up]
      )
    end
  row =
    lambda do |random|
      planning::PlannedRow.new(
        id: "7/new/A",
        kind: any_of.call(random, Stairwell::Rows::KINDS),
        title: text.call(random),
        why: text.call(random),
        piece: typed.call(random),
        assignment_id: random.rand(1..99),
        short_day: random.rand(2).zero?
      )
    end
  filled =
    lambda do |random|
      left_out =
        planning::PlannedLeftOut.new(
          id: "7/B.left",
          assignment_id: 7,
          step_id: "B.left",
          title: text.call(random),
          piece: typed.call(random),
          why: text.call(random),
          fits: false
        )
      unmet =
        planning::PlannedUnmet.new(
          id: "7/C.join",
          title: text.call(random),
          why: text.call(random),
          date: any_of.call(random, [nil, date.call(random)])
        )
      planning::PlannedWeek.new(
        starts: date.call(random),
        planned_from: date.call(random),
        next_lesson: date.call(random),
        budget: random.rand(5..90),
        rows: [row.call(random)],
        days: Array.new(random.rand(0..7)) { day.call(random) },
        left_out: [left_out],
        unmet: [unmet],
        with_lesson: random.rand(2).zero?
      )
    end
  unfilled = ->(value) do
    value.members.select { |member| value[member].nil? || value[member] == [] }
  end

  it "is tested with every field filled" do
    week = filled.call(Random.new(3))
    values = [*week.days, *week.days.flat_map { |one| one.items + one.warm_ups }, *week.left_out]
    expect(values.flat_map { |value| unfilled.call(value) }).to eq([])
  end

  100.times do |seed|
    it "reads back week #{seed} the same, through JSON" do
      week = filled.call(Random.new(seed))
      data = JSON.parse(JSON.generate(described_class.dump(week)))
      expect(described_class.load(data)).to eq(week)
      expect(schema.validate(data).map { |error| error["error"] }).to eq([])
    end
  end

  it "reads back what is bare" do
    bare =
      planning::PlannedItem.new(
        id: "work 1",
        kind: :extra_work,
        title: "Read",
        minutes: 3r,
        why: nil
      )
    week =
      planning::PlannedWeek.new(
        starts: Date.new(2026, 12, 28),
        planned_from: Date.new(2026, 12, 28),
        next_lesson: Date.new(2027, 1, 4),
        budget: 20,
        days: [
          planning::PlannedDay.new(date: Date.new(2027, 1, 1), minutes: 0r, budget: 20r),
          planning::PlannedDay.new(
            date: Date.new(2027, 1, 2),
            minutes: 3r,
            budget: 5 / 2r,
            items: [bare]
          )
        ]
      )
    data = JSON.parse(JSON.generate(described_class.dump(week)))
    expect(described_class.load(data)).to eq(week)
    expect(schema.valid?(data)).to be(true)
  end

  {
    "no hash" => [],
    "another document" => {
      "schema" => "planned-week/3"
    },
    "no days" => {
      "schema" => "planned-week/1",
      "starts" => "2027-01-01",
      "next_lesson" => "2027-01-08",
      "budget" => 20
    },
    "a date that is none" => {
      "starts" => "2027-02-30",
      "next_lesson" => "2027-03-01",
      "budget" => 20,
      "days" => []
    },
    "a day without items" => {
      "starts" => "2027-02-20",
      "next_lesson" => "2027-03-01",
      "budget" => 20,
      "days" => [{ "date" => "2027-02-20", "minutes" => 1 }]
    }
  }.each do |what, data|
    it "refuses #{what} and says it is the document" do
      expect { described_class.load(data) }.to raise_error(
        Stairwell::UnreadableError,
        %r{planned-week/2}
      )
    end
  end

  it "keeps the teacher's changes, each with all it says" do
    overrides = [
      planning::Override.new(
        kind: :on,
        id: "7/A.right",
        date: Date.new(2027, 1, 1),
        repetitions: 6,
        minutes: 5 / 2r
      ),
      planning::Override.new(kind: :off, id: "7/A.left", date: nil),
      planning::Override.new(
        kind: :added,
        id: "added 1",
        date: Date.new(2026, 12, 31),
        minutes: 4r,
        title: "Play it to “Oma” # twice"
      )
    ]
    overrides.each do |one|
      expect(
        planning::OverrideDocument.load(
          JSON.parse(JSON.generate(planning::OverrideDocument.dump(one)))
        )
      ).to eq(one)
    end
  end

  it "keeps stretches away, over a year's end too" do
    away =
      planning::Away.load(
        [
          { "from" => "2026-12-20", "to" => "2027-01-05" },
          { "from" => "2027-04-01", "to" => "2027-04-01" }
        ]
      )
    expect(planning::Away.load(JSON.parse(JSON.generate(away.dump)))).to eq(away)
    expect(
      [
        Date.new(2026, 12, 19),
        Date.new(2026, 12, 20),
        Date.new(2027, 1, 5),
        Date.new(2027, 1, 6)
      ].map { |day| away.include?(day) }
    ).to eq([false, true, true, false])
  end
end
