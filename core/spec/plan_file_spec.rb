# frozen_string_literal: true

require_relative "spec_helper"
require "date"
require "stairwell/command"
require "tempfile"

RSpec.describe "Planning from a file" do
  def command(*arguments)
    out, err = StringIO.new, StringIO.new
    [Stairwell::Command.run(arguments, out: out, err: err), out.string, err.string]
  end

  def file(data)
    Tempfile.create(%w[plan .json]) do |file|
      file.write(data.is_a?(String) ? data : JSON.generate(data))
      file.flush
      yield file.path
    end
  end

  let(:practice) { { "days" => %w[wed thu fri sat sun], "minutes" => 25, "begin_per_day" => 2 } }
  let(:step) { { "counts" => 24, "tempo" => 60, "good_days" => 2 } }

  def planned(more = {})
    data = {
      "from" => "2027-03-03",
      "next_lesson" => "2027-03-09",
      "practice" => practice,
      "steps" => []
    }.merge(more)
    file(data) do |path|
      JSON.parse(
        command("plan", path, "--json").then { |status, out, err| status.zero? ? out : raise(err) }
      )
    end
  end

  def days(plan) = plan["days"].map { |day| day["items"].map { |item| item["id"] } }

  # Worked by hand: 24 counts at 60, five times, are 3 min. Two steps may begin
  # a day; "both" waits for its two; the warm-up takes 3 min of 25 every day.
  it "plans a worked week" do
    plan =
      planned(
        "steps" => [
          { "id" => "right", **step },
          { "id" => "left", "after" => ["right"], **step },
          { "id" => "both", "needs" => %w[right left], **step }
        ],
        "warm_ups" => [{ "id" => "scale", "minutes" => 3 }],
        "reviews" => [{ "id" => "old", "due" => "2027-03-05", "counts" => 64, "tempo" => 80 }]
      )
    expect(days(plan)).to eq(
      [%w[scale right left], %w[scale right left], %w[scale both old], %w[scale both], %w[scale]]
    )
    expect(plan["days"].map { |day| day["minutes"] }).to eq([9, 9, 7, 6, 3])
    expect(plan["days"][2]["items"].last).to include(
      "kind" => "review",
      "reps" => 1,
      "minutes" => 1,
      "why" => "to keep it: due today"
    )
    expect(plan.values_at("finish", "practice_days_to_finish", "lower_bound_days")).to eq(
      ["2027-03-06", 4, 4]
    )
  end

  it "takes untaught steps as introduced from the next lesson on, and says so until then" do
    plan =
      planned(
        "steps" => [
          { "id" => "a", **step },
          { "id" => "b", "taught" => false, **step },
          { "id" => "c", "needs" => ["b"], **step }
        ]
      )
    expect(days(plan)).to eq([%w[a], %w[a], [], [], []])
    expect(plan["left_out"].map { |one| one["why"] }).to eq(
      ["not introduced yet; introduce it at a lesson", "waits for b, which is not introduced yet"]
    )
    # The lesson is on Tuesday the 9th; b stands on Wed and Thu, c on Fri and Sat.
    expect(plan.values_at("finish", "practice_days_to_finish")).to eq(["2027-03-13", 9])
  end

  it "never finishes what is longer than a day after its warm-ups" do
    plan =
      planned(
        "steps" => [
          { "id" => "long", "counts" => 240, "tempo" => 60, "good_days" => 1 },
          { "id" => "then", "needs" => ["long"], **step }
        ],
        "warm_ups" => [{ "id" => "w", "minutes" => 5 }]
      )
    expect(plan["left_out"].map { |one| one["id"] }).to eq(%w[long then])
    expect(plan["left_out"].first["why"]).to include("takes 21 min at a time")
    expect(plan.values_at("finish", "practice_days_to_finish")).to eq([nil, nil])
  end

  it "gives reviews at most a quarter of a day, one always" do
    reviews =
      %w[r1 r2 r3 r4].map do |id|
        { "id" => id, "due" => "2027-03-01", "counts" => 172, "tempo" => 60 }
      end # 3 min each
    plan = planned("reviews" => reviews, "practice" => practice.merge("minutes" => 12))
    expect(days(plan)).to eq([%w[r1], %w[r2], %w[r3], %w[r4], []])
    expect(
      days(planned("reviews" => reviews, "practice" => practice.merge("minutes" => 25)))
    ).to eq([%w[r1 r2], %w[r3 r4], [], [], []])
    expect(
      days(
        planned(
          "reviews" => [{ "id" => "big", "due" => "2027-03-01", "counts" => 592, "tempo" => 60 }]
        )
      )
    ).to eq([%w[big], [], [], [], []])
  end

  it "refuses in one clear line what makes no sense" do
    wrong = {
      "{" => /not JSON/,
      "[]" => /object/,
      { "from" => "soon" } => /from must be a date/,
      {
        "steps" => [
          { "id" => "a", **step, "needs" => ["b"] },
          { "id" => "b", **step, "after" => ["a"] }
        ]
      } =>
        /circle: a, b|circle: b, a/,
      {
        "steps" => [{ "id" => "a", **step, "needs" => ["ghost"] }]
      } =>
        /needs ghost, which is not in the list/,
      { "practice" => { "days" => [], "minutes" => 10 } } => /no practice day/,
      { "practice" => { "days" => ["someday"], "minutes" => 10 } } => /“someday” is no weekday/,
      {
        "practice" => {
          "days" => ["mon"],
          "minutes" => 0
        }
      } =>
        /minutes must be a number from 0.5/,
      { "practice" => { "days" => ["mon"], "minutes" => 10.3 } } => /whole or half minutes/,
      {
        "steps" => [{ "id" => "a", **step, "tempo" => 4_000 }]
      } =>
        /step a: tempo must be a number from 1 to 400/,
      { "steps" => [{ "id" => "a", **step, "good_days" => 1.5 }] } => /whole number/,
      { "steps" => [{ "id" => "a", **step, "credited" => -1 }] } => /credited/,
      { "steps" => [{ **step }] } => /must have an id/,
      { "steps" => [{ "id" => "a", **step }, { "id" => "a", **step }] } => /twice/,
      { "next_lesson" => "2027-03-03" } => /day after from/,
      { "steps" => "none" } => /steps must be a list/,
      { "steps" => [{ "id" => "a", **step, "taught" => "no" }] } => /true or false/
    }
    wrong.each do |change, said|
      data =
        (
          if change.is_a?(String)
            change
          else
            {
              "from" => "2027-03-03",
              "next_lesson" => "2027-03-09",
              "practice" => practice,
              "steps" => []
            }.merge(change)
          end
        )
      file(data) do |path|
        status, out, err = command("plan", path, "--json")
        expect([status, out]).to eq([2, ""])
        expect(err).to match(said)
        expect(err.lines.size).to eq(1)
      end
    end
    expect(command("plan", "nowhere.json").first).to eq(2)
  end

  it "prints the ladder, both ends always on it" do
    expect(command("ladder", "50", "92")).to eq(
      [0, "50 52 54 56 58 60 63 66 69 72 76 80 84 88 92\n", ""]
    )
    expect(command("ladder", "61", "61")[1]).to eq("61\n")
    expect(command("ladder", "61", "65")[1]).to eq("61 63 65\n")
    [%w[92 50], %w[0 50], %w[50], %w[a b], %w[50 500]].each do |ends|
      expect(command("ladder", *ends).first).to eq(2)
    end
  end

  describe "how soon everything is done" do
    def tasks(random, count)
      (1..count).map do |at|
        earlier = (1...at).map { |one| "s#{one}" }.last(6)
        needs = earlier.sample(random.rand(0..2), random: random)
        task(
          "s#{at}",
          minutes: random.rand(1..16) / 2r,
          days: random.rand(1..4),
          needs: needs,
          after: (earlier - needs).sample(random.rand(0..1), random: random)
        )
      end
    end

    it "is close to the lower bound for forty steps, and never below it" do
      random = Random.new(3)
      ratios =
        Array.new(60) do
          practice =
            Stairwell::Planning::Practice.new(
              weekdays: (0..6).to_a.sample(random.rand(3..7), random: random),
              minutes: random.rand(15..40).to_r,
              begin_per_day: random.rand(2..4)
            )
          finish =
            Stairwell::Planning.finish(
              tasks: tasks(random, 40),
              practice: practice,
              from: Date.new(2027, 3, 3),
              next_lesson: Date.new(2027, 3, 9)
            )
          finish.days / finish.lower_bound.to_f
        end
      expect(ratios.min).to be >= 1
      expect(ratios.sum / ratios.size).to be < 1.05
    end

    it "is where planning week after week, and crediting what stood there, arrives too" do
      random = Random.new(8)
      40.times do
        list = tasks(random, random.rand(1..10))
        practice =
          Stairwell::Planning::Practice.new(weekdays: [1, 3, 4, 6], minutes: 12r, begin_per_day: 2)
        from = Date.new(2027, 3, 3)
        finish =
          Stairwell::Planning.finish(
            tasks: list,
            practice: practice,
            from: from,
            next_lesson: from + 6
          )
        last = nil
        lesson = from + 6
        30.times do
          days =
            Stairwell::Planning.week(
              tasks: list,
              practice: practice,
              from: from,
              next_lesson: lesson
            ).days
          last = days.reverse.find { |day| day.items.any? }&.date || last
          stood = days.flat_map { |day| day.items.map(&:id) }.tally
          list =
            list.map do |one|
              one.with(
                credited: one.credited + stood.fetch(one.id, 0),
                begun: one.begun? || stood.key?(one.id)
              )
            end
          break if list.all? { |one| one.remaining.zero? }

          from, lesson = lesson, lesson + 7
        end
        expect(finish.date).to eq(last)
      end
    end
  end
end
