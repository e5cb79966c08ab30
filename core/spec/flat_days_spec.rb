# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# The usual chart, as it hangs over many pianos: everything in hand, so many times, every day
# (common practice, no source).
RSpec.describe "Days that hold everything in hand" do
  include Records

  let(:planning) { Stairwell::Planning }
  let(:practice) do
    planning::Practice.new(weekdays: [1, 2, 4, 5, 6], minutes: 20r, begin_per_day: 10, use: :flat)
  end
  let(:thursday) { Date.new(2027, 3, 4) }
  let(:wednesday) { Date.new(2027, 3, 10) }

  def task(id, **said) = planning::Task.new(id: id, title: id, minutes: 2r, good_days: 9, **said)

  def older(id, **said) =
    planning::More.new(
      id: "#{id}~more",
      kind: :older,
      each: 1r,
      repetitions: 2,
      title: "keep up #{id}",
      why: "older",
      covered_by: [id],
      **said
    )

  def plan(tasks, practice: self.practice, **said) =
    planning.week(tasks: tasks, practice: practice, from: thursday, next_lesson: wednesday, **said)

  def often(plan) = plan.days.map { |day| day.items.to_h { |item| [item.id, item.repetitions] } }

  it "puts everything on every day, as often as it asks for, and older sections beside it" do
    week = plan([task("A"), task("B"), task("C", needs: ["B"])], more: [older("Y"), older("Z")])
    expect(often(week)).to all(eq("A" => 5, "B" => 5, "Y~more" => 2, "Z~more" => 2))
    expect(week.days.map(&:minutes)).to all(eq(8))
  end

  it "adds neither hard places again, nor looks at what is to come, nor runs" do
    run =
      planning::More.new(
        id: "1/slow run",
        kind: :slow_run,
        each: 3r,
        repetitions: 1,
        title: "slowly",
        why: "",
        times: 2
      )
    tasks = [task("A", hard: true, section: "A"), task("B", section: "B")]
    expect(often(plan(tasks, more: [run], practice: practice.with(begin_per_day: 1))).first).to eq(
      "A" => 5
    )
  end

  it "lets no more begin on a day than may" do
    week = plan(Array.new(4) { |at| task("A#{at}") }, practice: practice.with(begin_per_day: 1))
    expect(often(week).map(&:size)).to eq([1, 2, 3, 4, 4])
  end

  it "takes a repetition of each where the day is short, and says so" do
    # Three steps of 2 minutes and 5 repetitions: 4 times is 1.6 minutes.
    week = plan(%w[A B C].map { |id| task(id) }, practice: practice.with(minutes: 5r))
    expect(often(week)).to all(eq("A" => 4, "B" => 4, "C" => 4))
    expect(week.days.map(&:minutes)).to all(eq(24 / 5r))
    expect(week.days.first.items.first.why.to_s).to end_with(
      "4 times instead of 5, so that everything in hand stands on the day"
    )
    once =
      plan(
        [task("A", repetitions: 2), task("B", repetitions: 2)],
        practice: practice.with(minutes: 3r)
      )
    expect(once.days.first.items.first.why.to_s).to end_with(
      "; once instead of 2 times, so that everything in hand stands on the day"
    )
  end

  it "keeps half of the repetitions, and of a section that is kept up; what has no room then takes turns" do
    # Half of 5 is 3, 1.2 minutes: in 3 minutes stand two of five.
    week = plan(("A".."E").map { |id| task(id) }, practice: practice.with(minutes: 3r))
    expect(often(week).map { |day| day.keys.sort.join }).to eq(%w[AB CD AE BC DE])
    expect(often(week).flat_map(&:values)).to all(be >= 3)
    beside =
      plan(
        [task("A")],
        practice: practice.with(minutes: 4r),
        more: ("W".."Z").map { |id| older(id) }
      )
    expect(often(beside).map { |day| day.keys.map { |id| id[0] }.join }).to eq(
      %w[AWX AYZ AWX AYZ AWX]
    )
  end

  it "leaves what the teacher put there or took away as it is" do
    on = planning::Override.new(kind: :on, id: "A", date: thursday, repetitions: 7)
    off = planning::Override.new(kind: :off, id: "Z~more", date: thursday)
    week =
      plan(
        [task("A"), task("B")],
        more: [older("Z")],
        overrides: [on, off],
        practice: practice.with(minutes: 5r)
      )
    expect(often(week).first).to include("A" => 7)
    expect(often(week).first).not_to have_key("Z~more")
    expect(often(week)[1]).to have_key("Z~more")
  end

  it "never goes beyond the minutes, lets nobody wait longer than a turn, and ends no sooner than it can" do
    random = Random.new(20_270_304)
    200.times do
      tasks =
        Array.new(random.rand(1..9)) do |at|
          task(
            "T#{at}",
            minutes: random.rand(2..10) / 2r,
            repetitions: random.rand(1..8),
            good_days: random.rand(1..5)
          )
        end
      days = practice.with(minutes: random.rand(5..15).to_r, weekdays: (0..6).to_a)
      week = planning.week(tasks: tasks, practice: days, from: thursday, next_lesson: thursday + 14)
      expect(week.days).to all(satisfy { |day| day.minutes <= days.minutes })
      turns =
        (
          tasks.sum(0r) { |one| one.least.minutes } /
            (days.minutes - tasks.map { |one| one.least.minutes }.max + 1 / 2r)
        ).ceil
      tasks.each do |one|
        stands =
          week.days.each_index.select { |at| week.days[at].items.any? { |item| item.id == one.id } }
        expect(
          [-1, *stands.first(one.good_days)].each_cons(2).map { |before, after| after - before }.max
        ).to be <= turns + 1
        expect(
          week
            .days
            .flat_map(&:items)
            .select { |item| item.id == one.id && item.kind == :step }
            .map(&:repetitions)
        ).to all(be_between((one.repetitions / 2r).ceil, one.repetitions))
      end
      finish =
        planning.finish(tasks: tasks, practice: days, from: thursday, next_lesson: thursday + 14)
      expect(finish.days).to be >= finish.lower_bound
    end
  end

  describe "a good day of it" do
    let(:step) { Stairwell::Practice.steps(page("bars: 4\nsection A: 1-4")).first }

    def credited(count, *events, asked: 3)
      marks =
        Array.new(count) do |at|
          Stairwell::Progress::Mark.new(
            key: "k#{at}",
            step_id: step.id,
            date: thursday,
            kind: :repetition,
            at: Time.utc(2027, 3, 4, 12, at),
            asked: asked
          )
        end
      Stairwell::Progress.piece([step], marks + events).standings[step.id].credited
    end

    it "has as many repetitions as stood on the sheet" do
      expect([credited(2), credited(3), credited(4, asked: nil), credited(5, asked: nil)]).to eq(
        [0, 1, 0, 1]
      )
    end

    it "has half of the step's own at the least, whatever a phone says, and no more than those" do
      expect([credited(1, asked: 1), credited(2, asked: 1), credited(5, asked: 40)]).to eq(
        [0, 1, 1]
      )
    end

    it "has what the teacher asked for before all" do
      asked = Stairwell::Progress::Asked.new(step_id: step.id, date: thursday, repetitions: 4)
      expect([credited(3, asked), credited(4, asked)]).to eq([0, 1])
    end
  end

  it "is ticked from paper as it stood there, and its boxes in the lesson have as many" do
    short =
      record(
        today: Date.new(2027, 3, 3),
        minutes_a_day: 8,
        warm_ups: "none"
      )
    planned = Stairwell::Studio.plan(short).record
    first = planned.weeks.newest.days.first.items.first
    expect(first.repetitions).to be < planned.pieces.first.standing("A.right").step.repetitions
    later = planned.with(today: Date.new(2027, 3, 10), moment: Time.utc(2027, 3, 10, 15))
    change =
      Stairwell::Studio.tick(
        later,
        ticked: Set[],
        assignment_id: 7,
        step_id: first.step_id,
        days: [first_day(planned)],
        done: true,
        key: "11111111-1111-4111-8111-111111111111"
      )
    expect(change.added[:marks].map { |row| row[:asked] }).to eq(
      [first.repetitions] * first.repetitions
    )
    standing = change.record.pieces.first.standing(first.step_id)
    expect(standing.good_dates).to eq([first_day(planned)])
    box =
      Stairwell::Studio::LessonSteps
        .new(change.record)
        .to_a
        .find { |one| one.standing.step.id == first.step_id }
        .boxes
        .first
    expect(box).to have_attributes(
      planned: true,
      of: first.repetitions,
      repetitions: first.repetitions
    )
  end

  def first_day(record) = record.weeks.newest.days.first.date
end
