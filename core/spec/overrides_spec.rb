# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# What the teacher pins, moves, adds, drops and changes. 3 March 2027 is a
# Wednesday; practice is on Wednesday to Sunday.
RSpec.describe "The teacher's hand on a week" do
  let(:from) { Date.new(2027, 3, 3) }

  def on(day) = from + %i[wed thu fri sat sun].index(day)

  def put(id, day, **more) =
    Stairwell::Planning::Override.new(kind: :on, id: id, date: on(day), **more)

  def off(id, day = nil) =
    Stairwell::Planning::Override.new(kind: :off, id: id, date: day && on(day))

  def extra(title, day, minutes) =
    Stairwell::Planning::Override.new(
      kind: :added,
      id: "extra #{title}",
      date: on(day),
      title: title,
      minutes: minutes
    )

  def week(tasks, *overrides, minutes: 20, begin_per_day: 2, **more)
    practice =
      Stairwell::Planning::Practice.new(
        weekdays: [3, 4, 5, 6, 0],
        minutes: minutes.to_r,
        begin_per_day: begin_per_day
      )
    Stairwell::Planning.week(
      tasks: tasks,
      practice: practice,
      from: from,
      next_lesson: from + 6,
      overrides: overrides,
      **more
    )
  end

  def days(plan) = plan.days.map { |day| day.items.map(&:id) }

  def item(plan, id, day) =
    plan.days.find { |one| one.date == on(day) }.items.find { |one| one.id == id }

  it "puts a step on a day and gives it no more days for that" do
    plan = week([task("a"), task("b")], put("a", :sat))
    expect(days(plan)).to eq([%w[a b], %w[b], [], %w[a], []])
    expect(item(plan, "a", :sat)).to have_attributes(
      pinned: true,
      breaks: nil,
      why: "you put it here; good day 2 of 2"
    )
  end

  it "moves a step: off one day and on another, with what waits for it after both" do
    plan = week([task("a"), task("b", needs: ["a"])], off("a", :thu), put("a", :fri))
    expect(days(plan)).to eq([%w[a], [], %w[a], %w[b], %w[b]])
  end

  it "drops a step from a day, or from the week, and says so where it is left out" do
    expect(days(week([task("a")], off("a", :wed)))).to eq([[], %w[a], %w[a], [], []])
    dropped = week([task("a"), task("b", needs: ["a"])], off("a"))
    expect(days(dropped).flatten).to eq([])
    expect(dropped.left_out.map(&:why)).to eq(
      [
        "you left it out of this week",
        "waits until a has all its good days; 2 good days to go after this week"
      ]
    )
  end

  it "changes how often, and the minutes with it, on that day" do
    often = item(week([task("a", minutes: 4r)], put("a", :wed, repetitions: 8)), "a", :wed)
    expect([often.repetitions, often.minutes]).to eq([8, 32 / 5r]) # 4 × 8 / 5
  end

  it "adds the teacher's own things, and fills the rest of the day" do
    plan =
      week(
        [task("a", minutes: 4r), task("b", minutes: 4r)],
        extra("bring the duet book", :wed, 15r)
      )
    expect(days(plan).first).to eq(["a", "extra bring the duet book"])
    expect(plan.days.first.minutes).to eq(19)
  end

  describe "keeps what breaks a constraint, and says what it breaks" do
    it("a need that is not done") do
      expect(
        item(week([task("a"), task("b", needs: ["a"])], put("b", :wed)), "b", :wed).breaks
      ).to eq("before a is done")
    end

    it("a day that is too long") do
      expect(
        item(
          week([task("a", minutes: 6r), task("b", minutes: 18r)], put("a", :wed), put("b", :wed)),
          "b",
          :wed
        ).breaks
      ).to eq("the day is 4 min too long")
    end

    it "too many beginnings" do
      plan = week([task("a"), task("b"), task("c")], put("a", :wed), put("b", :wed), put("c", :wed))
      expect(%w[a b c].map { |id| item(plan, id, :wed).breaks }).to eq(
        [nil, nil, "3 new steps on one day, and 2 are the most"]
      )
    end

    it "what is not taught" do
      closed = task("a").with(introduced: false)
      expect(item(week([closed], put("a", :wed)), "a", :wed).breaks).to eq("not introduced yet")
    end

    it "nothing, where the step it comes after stands on the same day" do
      expect(
        item(
          week([task("a"), task("b", after: ["a"])], put("a", :wed), put("b", :wed)),
          "b",
          :wed
        ).breaks
      ).to be_nil
    end
  end

  it "says which overrides lead nowhere: no practice day, or a step that is gone" do
    plan =
      week(
        [task("a")],
        put("ghost", :wed),
        Stairwell::Planning::Override.new(kind: :on, id: "a", date: from + 5)
      )
    expect(plan.unmet.map(&:last)).to eq(
      ["it is no longer one of this student's steps", "Monday is not a practice day this week"]
    )
  end

  it "reaches reviews, warm-ups and other work too" do
    review = Stairwell::Planning::Review.new(id: "old", due: from, minutes: 2r)
    scale = Stairwell::Planning::WarmUp.new(id: "scale", minutes: 3r)
    reading = Stairwell::Planning::ExtraWork.new(id: "reading", minutes: 5r, times: 1)
    more = { reviews: [review], warm_ups: [scale], extra_work: [reading] }
    expect(days(week([], **more))).to eq(
      [%w[scale old reading], %w[scale], %w[scale], %w[scale], %w[scale]]
    )
    plan = week([], off("scale", :thu), put("old", :fri), put("reading", :sat), **more)
    expect(days(plan)).to eq([%w[scale], [], %w[scale old], %w[scale reading], %w[scale]])
    expect(
      days(week([], off("scale", :wed), off("old"), off("reading"), **more)).flatten.tally
    ).to eq({ "scale" => 4 })
  end

  it "changes nothing where nothing is left of the overrides, and the same overrides give the same plan" do
    tasks = [task("a"), task("b", needs: ["a"]), task("c")]
    gone = Stairwell::Planning::Override.new(kind: :off, id: "a", date: from - 7)
    expect(week(tasks, gone)).to eq(week(tasks))
    expect(week(tasks, put("c", :sun), off("a", :wed))).to eq(
      week(tasks, put("c", :sun), off("a", :wed))
    )
  end

  # The rules hold for all the planner chose itself, whatever was put by hand.
  it "breaks no constraint of its own around what was put there" do
    random = Random.new(77)
    120.times do
      tasks =
        (1..random.rand(2..9)).map do |at|
          task(
            "s#{at}",
            minutes: random.rand(1..14) / 2r,
            days: random.rand(1..3),
            needs: (1...at).map { |one| "s#{one}" }.sample(random.rand(0..2), random: random)
          )
        end
      overrides =
        Array.new(random.rand(0..4)) do
          [
            put("s#{random.rand(1..tasks.size)}", %i[wed thu fri sat sun].sample(random: random)),
            off("s#{random.rand(1..tasks.size)}", %i[wed fri].sample(random: random))
          ].sample(random: random)
        end
      plan = week(tasks, *overrides)
      done = Hash.new(0)
      plan.days.each do |day|
        put, own = day.items.partition(&:pinned)
        expect(own).to all(
          satisfy do |one|
            tasks
              .find { |task| task.id == one.id }
              .needs
              .all? { |id| done[id] >= tasks.find { |task| task.id == id }.good_days }
          end
        )
        expect(day.minutes).to be <= [20, put.sum(0r, &:minutes)].max
        expect(own.count(&:begins)).to be <= [2 - put.count(&:begins), 0].max
        expect(day.items.map(&:id).uniq.size).to eq(day.items.size)
        overrides.each do |override|
          if override.kind == :off && override.date == day.date
            expect(own.map(&:id)).not_to include(override.id)
          end
        end
        overrides.each do |override|
          if override.kind == :on && override.date == day.date
            expect(put.map(&:id)).to include(override.id)
          end
        end
        day.items.each { |one| done[one.id] += 1 }
      end
    end
  end

  describe "edits" do
    def draw(overrides, edit, **said) =
      Stairwell::Planning::OverrideEdits.draw(overrides, edit, **said)

    it "move an item, keeping how often it was asked for" do
      sized = draw([], :resize, id: "a", date: on(:wed), repetitions: 8)
      expect(sized).to eq([put("a", :wed, repetitions: 8)])
      expect(draw(sized, :move, id: "a", date: on(:wed), to: on(:fri))).to contain_exactly(
        off("a", :wed),
        put("a", :fri, repetitions: 8)
      )
      back =
        draw(
          draw(sized, :move, id: "a", date: on(:wed), to: on(:fri)),
          :move,
          id: "a",
          date: on(:fri),
          to: on(:wed)
        )
      expect(back).to contain_exactly(off("a", :fri), put("a", :wed, repetitions: 8))
    end

    it "pin, drop, leave out and give back to the planner" do
      expect(draw([], :pin, id: "a", date: on(:wed))).to eq([put("a", :wed)])
      expect(draw([put("a", :wed)], :drop, id: "a", date: on(:wed))).to eq([off("a", :wed)])
      expect(draw([put("a", :wed), off("a", :thu)], :leave_out, id: "a")).to eq([off("a")])
      expect(draw([off("a")], :pin, id: "a", date: on(:sat))).to eq([put("a", :sat)])
      expect(draw([put("a", :wed), off("a", :thu), put("b", :wed)], :loosen, id: "a")).to eq(
        [put("b", :wed)]
      )
    end

    it "add, move, resize and take out a thing of the teacher's own" do
      added = draw([], :add, id: "x", date: on(:wed), title: "flash cards", minutes: 3r)
      moved =
        draw(
          draw(added, :move, id: "x", date: on(:wed), to: on(:thu)),
          :resize,
          id: "x",
          date: on(:thu),
          minutes: 5r
        )
      expect(moved).to eq(
        [
          Stairwell::Planning::Override.new(
            kind: :added,
            id: "x",
            date: on(:thu),
            title: "flash cards",
            minutes: 5r
          )
        ]
      )
      expect(draw(moved, :drop, id: "x", date: on(:thu))).to eq([])
    end

    it "are refused without their day" do
      expect { draw([], :move, id: "a", date: on(:wed)) }.to raise_error(
        Stairwell::ContradictionError,
        /where it goes/
      )
      expect { draw([], :paint, id: "a") }.to raise_error(Stairwell::ContradictionError, /no edit/)
    end
  end

  describe "what would make it fit" do
    it "is said in minutes of a day" do
      expect(
        week([task("a", days: 9, minutes: 15r), task("b", minutes: 8r)]).left_out.first.why
      ).to eq("no room: takes 8 min; 3 min more on Wednesday would make it fit")
    end

    it "is said in new steps a day" do
      late =
        week(
          [
            task("a", days: 1),
            task("b", days: 1),
            task("c", days: 1),
            task("d", days: 1),
            task("e", days: 1),
            task("f", days: 1)
          ],
          begin_per_day: 1
        )
      expect(late.left_out.map(&:why)).to eq(
        ["1 step begins each day already; with one more new step a day it would fit"]
      )
    end
  end

  it "lets a piece that is late in its turn go first, and says why" do
    tasks = [task("1/a", days: 5, minutes: 12r), task("2/a", days: 2, minutes: 12r)]
    practice = Stairwell::Planning::Practice.new(weekdays: [3, 4, 5, 6, 0], minutes: 20r)
    more = {
      practice: practice,
      from: from,
      next_lesson: from + 6,
      group: ->(id) { id[/\d+/].to_i }
    }
    raised = Stairwell::Planning::Urgency.call(tasks, due: { 2 => from + 4 }, **more)
    expect(raised.map(&:priority)).to eq([0, 1])
    expect(days(week(raised)).first(2)).to eq([%w[2/a], %w[2/a]])
    expect(item(week(raised), "2/a", :wed).why).to include(
      "due on 7 March and would be late if it waited its turn, so it goes first"
    )
    expect(Stairwell::Planning::Urgency.call(tasks, due: { 2 => from + 60 }, **more)).to eq(tasks)
  end

  it "ends the week with a run of what is known, where there is room" do
    run = Stairwell::Planning::Run.new(id: "run", minutes: 3r)
    expect(days(week([task("a")], runs: [run])).last).to eq(%w[run])
    expect(days(week([task("a", days: 5, minutes: 18r)], runs: [run])).last).to eq(%w[a])
  end
end
