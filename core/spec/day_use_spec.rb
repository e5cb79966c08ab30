# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

RSpec.describe "How the minutes of a day are used" do
  include Records

  let(:planning) { Stairwell::Planning }
  let(:practice) do
    planning::Practice.new(weekdays: [1, 2, 4, 5, 6], minutes: 20r, begin_per_day: 2)
  end
  let(:thursday) { Date.new(2027, 3, 4) }
  let(:wednesday) { Date.new(2027, 3, 10) }

  def task(id, **said) = planning::Task.new(id: id, title: id, minutes: 2r, good_days: 3, **said)

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
    planning.week(
      tasks: tasks,
      practice: practice.with(use: :full),
      from: thursday,
      next_lesson: wednesday,
      **said
    )

  def added(plan) =
    plan.days.to_h { |day| [day.date, day.items.select { |item| item.kind == :more }] }

  def needed(plan) = plan.days.map { |day| day.items.reject { |item| item.kind == :more } }

  let(:tasks) do
    [
      task("A.right"),
      task("A.left"),
      task("A.both", needs: %w[A.right A.left], hard: true),
      task("B.right", hard: true),
      task("B.left")
    ]
  end

  it "leaves what is needed as it is in a light week, and adds to it without going beyond a day's minutes" do
    light = planning.week(tasks: tasks, practice: practice, from: thursday, next_lesson: wednesday)
    full = plan(tasks, more: [older("Z.both")])
    expect(needed(full)).to eq(light.days.map(&:items))
    expect(full.days.map(&:minutes)).to all(be <= 20)
    expect(full.days.zip(light.days).map { |one, other| one.minutes > other.minutes }).to all(
      be(true)
    )
    expect(full.left_out).to eq(light.left_out)
  end

  it "fills a day until nothing more fits, and once it is three quarters full with one thing to five minutes at the most" do
    many = (1..12).map { |at| older("Z#{at}", last: thursday - at) }
    plan([task("A.right", minutes: 10r)], more: many, practice: practice.with(minutes: 15r))
      .days
      .first(3)
      .each { |day| expect(15 - day.minutes).to be < 1 }
    expect(
      plan([], more: many, practice: practice.with(minutes: 20r)).days.map do |day|
        [day.items.size, day.minutes]
      end
    ).to all(eq([8, 16])) # seven would be 14 min
  end

  it "adds nothing of which all is played that day anyway" do
    joined =
      planning::More.new(
        id: "A+B~more",
        kind: :older,
        each: 2r,
        repetitions: 1,
        title: "",
        why: "",
        covered_by: ["A+B"]
      )
    covered = older("A", covered_by: %w[A A+B])
    full = plan([task("A+B", begun: true)], more: [covered])
    # Once A+B is done, either it or A is kept up, by turns.
    expect(full.days.map { |day| day.items.map(&:id) - %w[A+B A+B~more] }).to eq(
      [[], [], [], %w[A~more], []]
    )
    expect(full.days.last.items.map(&:id)).to eq(%w[A+B~more])
    expect(plan([], more: [joined, covered]).days.map { |day| day.items.map(&:id) }).to all(
      eq(["A+B~more"]).or(eq(["A~more"]))
    )
  end

  it "plays no step more than 12 times a day, and no more often than its rule allows" do
    full =
      plan(
        [
          task("A.right", minutes: 1r, repetitions: 8, hard: true),
          task("B.right", minutes: 1r, repetitions: 5, most: 5),
          task("C.right", minutes: 1r, repetitions: 3, begun: true)
        ]
      )
    often =
      full.days.map do |day|
        day
          .items
          .group_by { |item| planning::More.of(item.id) }
          .transform_values { |all| all.sum(&:repetitions) }
      end
    expect(often.filter_map { |day| day["A.right"] }.max).to eq(12)
    expect(often.filter_map { |day| day["B.right"] }.max).to eq(5)
    # not more than twice what it asks for
    expect(often.filter_map { |day| day["C.right"] }.max).to eq(6)
  end

  it "gives a hard place its minutes first, then what is older, each a little less when it had its turn" do
    short = practice.with(minutes: 6r)
    full =
      plan(
        [task("B.right", hard: true, good_days: 9)],
        practice: short,
        more: [older("Y"), older("Z", last: thursday - 9)]
      )
    first = full.days.map { |day| day.items.select { |item| item.kind == :more }.map(&:id) }
    # 6 minutes: 2 are needed, 2 go to each of two things. The first days look alike, as all are
    # equally long.
    expect(first.flatten.tally.values_at("B.right~more", "Y~more", "Z~more")).to eq([4, 3, 3])
    expect(first.first).to include("B.right~more")
  end

  it "looks at the section that begins next, at one step a day, and at none that was begun or is a join" do
    of = ->(id, section, **said) { task(id, section: section, **said) }
    steps = [
      of["A.right", "A"],
      of["A.left", "A"],
      of["B.right", "B"],
      of["B.left", "B"],
      of["A>B", "B", join: true]
    ]
    looks = ->(tasks) do
      added(plan(tasks, practice: practice.with(begin_per_day: 1))).values.map do |items|
        items.select { |item| item.title.to_s.start_with?("first look") }.map(&:id)
      end
    end
    # A begins on the first day; what is left of it is no other section.
    expect(looks[steps].first(2)).to eq([%w[B.right~more], %w[B.right~more]])
    expect(
      looks[[of["A.right", "A"], of["A.left", "A"], of["A>B", "B", join: true]]].flatten
    ).to eq([])
    expect(
      looks[[of["A.right", "A"], of["B.right", "B", credited: 1], of["B.left", "B"]]].flatten
    ).to eq([])
    look =
      added(plan(steps, practice: practice.with(begin_per_day: 1)))[thursday].find do |item|
        item.id == "B.right~more"
      end
    expect(look).to have_attributes(repetitions: 2, begins: false)
  end

  it "keeps up what was finished this week and nothing goes on from" do
    full = plan([task("A.right", good_days: 1), task("A.both", good_days: 1, needs: ["A.right"])])
    expect(full.days.map { |day| day.items.map(&:id) }).to eq(
      [%w[A.right A.right~more], %w[A.both A.both~more], *Array.new(3) { %w[A.both~more] }]
    )
    expect(full.days.last.items.first).to have_attributes(
      repetitions: 3,
      title: have_attributes(to_s: "keep up A.both")
    )
  end

  it "plays a piece slowly from the start on two days of a week" do
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
    items = plan([], more: [run]).days.map(&:items)
    expect(items.map(&:size)).to contain_exactly(1, 1, 0, 0, 0)
    expect(items.flatten).to all(have_attributes(kind: :more, repetitions: 1, minutes: 3r))
  end

  it "keeps what the teacher put there, moved there, or took away" do
    on = planning::Override.new(kind: :on, id: "Z~more", date: thursday, repetitions: 1)
    off = planning::Override.new(kind: :off, id: "A.right~more", date: nil)
    full = plan([task("A.right")], more: [older("Z")], overrides: [on, off])
    expect(added(full)[thursday].find { |item| item.id == "Z~more" }).to have_attributes(
      repetitions: 1,
      minutes: 1r,
      pinned: true
    )
    expect(added(full)[thursday].count { |item| item.id == "Z~more" }).to eq(1)
    expect(added(full).values.flatten.map(&:id)).not_to include("A.right~more")
    expect(full.unmet).to be_empty
  end

  it "adds nothing of a step on a day from which the teacher took it, or moved it" do
    later = planning::Override.new(kind: :on, id: "A.left", date: thursday + 1)
    off = planning::Override.new(kind: :off, id: "A.right", date: thursday)
    full =
      plan(
        [task("A.left", good_days: 1), task("A.right")],
        overrides: [later, off],
        practice: practice.with(begin_per_day: 1)
      )
    expect(full.days.first.items).to be_empty
    expect(full.days[1].items.map(&:id)).to include("A.left", "A.left~more")
  end

  it "takes away what is more than needed first when a day goes badly" do
    items = plan([task("A.right"), task("B.right")], more: [older("Z")]).days.first.items
    skipped = planning::Skip.of(items)
    expect(skipped).to all(end_with("~more")).and(be_any)
  end

  describe "what limits a week" do
    def limits(tasks, practice: self.practice) =
      plan(tasks, practice: practice, limits: true).limits.map do |one|
        [one.kind, one.needed, one.lifted, one.id]
      end

    it "is nothing where what is needed fills three quarters of it" do
      # 18 of 20 min
      expect(limits(Array.new(9) { |at| task("A#{at}", good_days: 9, begun: true) })).to eq([])
    end

    it "is how many steps may begin, with what one more a day would bring" do
      slow = practice.with(begin_per_day: 1)
      tasks = Array.new(5) { |at| task("A#{at}", good_days: 9) }
      # 1, 2, 3, 4, 5 steps of 2 min; with two a day 2, 4, 5, 5, 5.
      expect(limits(tasks, practice: slow)).to eq([[:begin, 6r, 42 / 5r, nil]])
      expect(limits(tasks, practice: slow.with(begin_per_day: 5))).to eq(
        [[:nothing, 10r, nil, nil]]
      )
    end

    it "is what waits to be introduced, in each piece the next thing" do
      tasks = [
        task("1/A.right", group: 1, good_days: 9),
        task("1/B.right", group: 1, good_days: 9, introduced: false),
        task("1/C.right", group: 1, introduced: false, lesson: 2),
        task("2/A.right", group: 2, introduced: false)
      ]
      expect(limits(tasks)).to eq(
        [[:introduce, 2r, 4r, "1/B.right"], [:introduce, 2r, 16 / 5r, "2/A.right"]]
      )
    end

    it "is that nothing else is in hand" do
      expect(limits([task("A.right")])).to eq([[:nothing, 6 / 5r, nil, nil]])
    end
  end
end
