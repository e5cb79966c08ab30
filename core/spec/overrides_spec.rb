# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/charts"

# What the teacher pins, moves, adds, drops and changes. 3 March 2027 is a Wednesday; the days of
# practice are Thursday to Monday.
RSpec.describe "The teacher's hand on a week" do
  include Charts

  let(:text) { "title: The Mill\nbars: 8\ntempo: target 76\nsection A: 1-4\nsection B: 5-8" }

  def on(day) = Charts::DAY + %i[wed thu fri sat sun mon].index(day)

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

  def laid(*overrides, events: [heard("A.faster")], minutes: 20, beside: [], **of) =
    week(
      [piece(text, events, **of)],
      days: 5,
      minutes: minutes,
      beside: beside,
      overrides: Stairwell::Planning::Overrides.new(overrides)
    )

  # @return [Array<Array<String>>] keys by day
  def keys(week) = days(week).map { |day| week.rows.flat_map { |row| row.on(day).map(&:key) } }

  def part(week, key, day)
    week
      .rows
      .flat_map { |row| row.on(%i[wed thu fri sat sun mon].index(day)) }
      .find { |one| one.key == key }
  end

  it "puts a step on a day, says that it is pinned, and what that breaks" do
    week = laid(put("1/B.together", :thu))
    pinned = part(week, "1/B.together", :thu)
    expect(pinned.pinned).to be(true)
    expect(pinned.breaks.map(&:to_s)).to eq(["before B, right hand and B, left hand are done"])
    expect(part(laid, "1/B.together", :thu)).to be_nil
    # It was played that day, so that it needs one more.
    expect(keys(week).flatten.count("1/B.together")).to be <=
      keys(laid).flatten.count("1/B.together") + 1
  end

  it "moves a step: off one day and on another, with what waits for it after both" do
    week = laid(off("1/B.left", :thu), put("1/B.left", :sat))
    at = ->(key) { keys(week).each_index.select { |day| keys(week)[day].include?(key) } }
    expect(at["1/B.left"]).to include(2)
    expect(at["1/B.left"]).not_to include(0)
    expect(at["1/B.together"].min).to be > at["1/B.left"].min
  end

  it "drops a step from a day, or from the week" do
    expect(keys(laid(off("1/B.right", :thu))).first).not_to include("1/B.right")
    expect(keys(laid(off("1/B.right"))).flatten).not_to include("1/B.right")
  end

  it "changes how often, on that day alone, however short it is" do
    week = laid(put("1/B.right", :thu, repetitions: 9), minutes: 6)
    expect(part(week, "1/B.right", :thu).times).to eq(9)
    others = week.rows.flat_map { |row| row.on(2) }.reject(&:pinned)
    expect(others.map(&:times)).to all(be < 9)
  end

  it "has a row for each thing of the teacher's own, and for a step that lies in none" do
    week =
      laid(
        put("1/whole.whole", :fri),
        extra("Bring the duet book", :sat, 2r),
        put("1/B.right", :mon),
        events: %w[A B].map { |label| heard("#{label}.faster") }
      )
    rows =
      week
        .rows
        .select { |row| row.kind == :other_work }
        .map { |row| [row.title.to_s, row.days.keys] }
    expect(rows).to eq([["B", [5]], ["Bring the duet book", [3]]])
  end

  it "reaches warm-ups, old pieces and other work too" do
    reading = line(:other_work, "reading", "A new line", 5r, times: 1)
    week =
      laid(
        off("warm-up 1", :fri),
        put("reading", :thu, minutes: 8r),
        off("kept 1"),
        beside: [fingers, old, reading]
      )
    expect(row(week, "Five fingers").days.keys).to eq([1, 3, 4, 5])
    expect(part(week, "reading", :thu)).to have_attributes(minutes: 8, pinned: true)
    expect(row(week, "An old song")&.days.to_h).to eq({})
  end

  it "says which lead nowhere: no practice day, or a step that is gone" do
    overrides = Stairwell::Planning::Overrides.new([put("1/A.right", :wed), put("1/Z.right", :fri)])
    dates = (1..5).map { |at| Charts::DAY + at }
    expect(
      overrides.unmet(dates[1..], Set["1/A.right"]).map { |one, why| [one.id, why.to_s] }
    ).to eq([["1/Z.right", "it is no longer one of this student's steps"]])
    lost = overrides.unmet(dates, Set["1/A.right"]).map { |one, why| [one.id, why.to_s] }
    expect(lost.map(&:first)).to eq(["1/Z.right"])
  end

  it "gives the same week for the same changes, and the week of before without them" do
    changes = [put("1/B.right", :fri), off("1/B.left", :thu)]
    expect(keys(laid(*changes))).to eq(keys(laid(*changes)))
    expect(keys(laid(*[]))).to eq(keys(laid))
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

  # In plan files.
  describe "what would make it fit" do
    def left_out(tasks, begin_per_day: 2)
      practice =
        Stairwell::Planning::Practice.new(
          weekdays: [3, 4, 5, 6, 0],
          minutes: 20r,
          begin_per_day: begin_per_day
        )
      Stairwell::Planning
        .week(tasks: tasks, practice: practice, from: Charts::DAY, next_lesson: Charts::DAY + 6)
        .left_out
        .map { |one| one.why.to_s }
    end

    def task(id, days: 1, minutes: 4r) =
      Stairwell::Planning::Task.new(id: id, title: id, good_days: days, minutes: minutes)

    it "is said in minutes of a day" do
      expect(left_out([task("a", days: 9, minutes: 15r), task("b", minutes: 8r)]).first).to eq(
        "no room: takes 8 min; 3 min more on Wednesday would make it fit"
      )
    end

    it "is said in new steps a day" do
      expect(left_out(%w[a b c d e f].map { |id| task(id) }, begin_per_day: 1)).to eq(
        ["1 step begins each day already; with one more new step a day it would fit"]
      )
    end
  end

  it "lets a piece that is late in its turn go first, and says why" do
    tasks =
      %w[1/a 2/a]
        .zip([5, 2])
        .map { |id, days| Stairwell::Planning::Task.new(id: id, good_days: days, minutes: 12r) }
    from = Charts::DAY
    practice = Stairwell::Planning::Practice.new(weekdays: [3, 4, 5, 6, 0], minutes: 20r)
    more = {
      practice: practice,
      from: from,
      next_lesson: from + 6,
      group: ->(id) { id[/\d+/].to_i }
    }
    raised = Stairwell::Planning::Urgency.call(tasks, due: { 2 => from + 4 }, **more)
    expect(raised.map(&:priority)).to eq([0, 1])
    expect(raised.last.because.to_s).to eq(
      "due on 7 March and would be late if it waited its turn, so it goes first"
    )
    expect(Stairwell::Planning::Urgency.call(tasks, due: { 2 => from + 60 }, **more)).to eq(tasks)
  end
end
