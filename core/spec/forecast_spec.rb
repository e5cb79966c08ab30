# frozen_string_literal: true

require_relative "spec_helper"
require "date"
require_relative "support/simulated_student"

RSpec.describe "Looking ahead" do
  let(:from) { Date.new(2027, 3, 3) }
  let(:lesson) { Date.new(2027, 3, 9) }
  let(:practice) { Stairwell::Planning::Practice.new(weekdays: [1, 2, 4, 6], minutes: 15r, begin_per_day: 2) }
  let(:tasks) do
    map = page("bars: 16\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-16")
    Stairwell::Progress.piece(Stairwell::Practice.steps(map), []).tasks
  end

  def forecast(**observed) = Stairwell::Planning.forecast(tasks: tasks, practice: practice, from: from, next_lesson: lesson, **observed)

  it "is the plan itself for a student who keeps every day and is well known" do
    outlook = forecast(known: 1_000_000)
    expect(outlook.planned).to eq(Stairwell::Planning.finish(tasks: tasks, practice: practice, from: from, next_lesson: lesson).date)
    expect([outlook.middle, outlook.cautious]).to all(eq(outlook.planned))
  end

  it "is later the fewer days are kept, and the cautious date never before the middle one" do
    outlooks = [1.0, 0.8, 0.5, 0.25].map { |adherence| forecast(adherence: adherence, known: 20) }
    expect(outlooks.map(&:middle)).to eq(outlooks.map(&:middle).sort)
    expect(outlooks.map { |one| one.cautious >= one.middle }).to all(be(true))
    # Half the days kept takes about twice the practice days.
    expect((outlooks[2].middle - from).to_f / (outlooks[0].middle - from)).to be_within(0.35).of(2)
  end

  it "says for each of several pieces when it is ready, all planned together" do
    two = tasks + tasks.map { |one| one.with(id: "2/#{one.id}", needs: one.needs.map { |id| "2/#{id}" }, after: one.after.map { |id| "2/#{id}" }) }
    both = Stairwell::Planning.forecasts(tasks: two, practice: practice, from: from, next_lesson: lesson, group: ->(id) { id.start_with?("2/") }, known: 1_000_000)
    together = Stairwell::Planning.finish(tasks: two, practice: practice, from: from, next_lesson: lesson).date
    expect(both.values.map(&:planned).max).to eq(together)
    expect(both[false].planned).to be > forecast.planned
  end

  it "is the same for the same seed, and none where a step never fits" do
    expect(forecast(adherence: 0.6, seed: 5)).to eq(forecast(adherence: 0.6, seed: 5))
    never = Stairwell::Planning.forecast(tasks: [task("long", minutes: 90r)], practice: practice, from: from, next_lesson: lesson)
    expect([never.planned, never.middle, never.cautious]).to eq([nil, nil, nil])
  end

  # Seeded students live through the plan, planned anew each week. How often the
  # date foretold on the first day held, over students of every kind, whose paces
  # differ by as much as is assumed of one nobody knows (0.3, own choice).
  it "foretells a cautious date that holds in about 85 of 100 lives" do
    random = Random.new(41)
    gauss = -> { Math.sqrt(-2 * Math.log(1 - random.rand)) * Math.cos(2 * Math::PI * random.rand) }
    held = Array.new(160) do |at|
      student = SimulatedStudent.new(adherence: 0.45 + random.rand * 0.5, struggle: random.rand * 0.2, pace: Math.exp(gauss.call * 0.3), seed: at)
      outlook = forecast(adherence: student.adherence, struggle: student.struggle, known: 0, seed: at)
      student.finish(tasks, practice, from, lesson) <= outlook.cautious
    end
    # 85 of 100 are hit within 79 to 91 by chance alone (two standard errors).
    expect(held.count(true) / held.size.to_f).to be_between(0.79, 0.91)
  end

  describe "options" do
    def options(**more) = Stairwell::Planning.options(tasks: tasks, practice: practice, from: from, next_lesson: lesson, **more)

    it "show what helps, each with the date that planning it gives" do
      now = Stairwell::Planning.finish(tasks: tasks, practice: practice, from: from, next_lesson: lesson).date
      found = options(without: {fewer_sections: tasks.first(6)})
      expect(found.map(&:change)).to include("fewer_sections").and include(a_string_starting_with("day_"))
      expect(found.map(&:date)).to eq(found.map(&:date).sort)
      found.each { |one| expect(one.date).to eq(now - one.days_sooner).and be < now }
      day = found.find { |one| one.change.start_with?("day_") }
      more = practice.with(weekdays: practice.weekdays + [day.change[/\d/].to_i])
      expect(Stairwell::Planning.finish(tasks: tasks, practice: more, from: from, next_lesson: lesson).date).to eq(day.date)
    end

    it "leave out what does not help" do
      expect(options(without: {no_pedal: tasks}).map(&:change)).not_to include("no_pedal")
    end
  end

  describe "pace" do
    # Worked by hand: two steps took twice their days; five average ones are
    # taken as seen: exp(2 × ln 2 / 7) = 1.219.
    it "is pulled toward the average until much was seen, and bounded" do
      pace = Stairwell::Progress::Pace.method(:of)
      expect(pace.call([])).to eq(1)
      expect(pace.call([[4, 2], [6, 3]])).to be_within(0.001).of(1.219)
      expect(pace.call([[9, 1]] * 100)).to eq(2)
      expect(pace.call([[1, 9]] * 100)).to eq(1/2r)
      expect(pace.call([[0, 1], [1, 0]])).to eq(1)
    end

    it "comes with the share of planned days that were kept" do
      days = (1..4).map { |day| Date.new(2027, 3, day) }
      expect(Stairwell::Progress::Pace.adherence(days, [days[1], days[3], Date.new(2027, 3, 9)])).to eq(1/2r)
      expect(Stairwell::Progress::Pace.adherence([], days)).to eq(1)
    end
  end
end
