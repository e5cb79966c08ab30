# frozen_string_literal: true

require_relative "spec_helper"

# Plans that take whatever fits can be done later with more of anything: so it is with all lists
# of tasks that are worked off in order (R. L. Graham, Bounds on multiprocessing timing anomalies,
# SIAM J. Appl. Math. 17, 1969; from memory). Here they are not.
RSpec.describe "More minutes, days or beginnings" do
  let(:planning) { Stairwell::Planning }
  let(:from) { Date.new(2027, 3, 4) }

  def finish(tasks, practice) =
    planning.finish(tasks: tasks, practice: practice, from: from, next_lesson: from + 7).date

  def task(random, at, turns)
    earlier = (1...at).map { |one| "s#{one}" }
    needs = earlier.last(6).sample(random.rand(0..2), random: random)
    minutes = random.rand(2..12) / 2r
    first = (random.rand < 0.5) ? [minutes * 2, minutes * 3 / 2, minutes * 6 / 5] : []
    planning::Task.new(
      id: "s#{at}",
      minutes: minutes,
      first: first,
      good_days: random.rand(1..4),
      needs: needs,
      after: (earlier.last(4) - needs).sample(random.rand(0..1), random: random),
      hard: random.rand < 0.2,
      turn: (at / 4 if turns)
    )
  end

  # What somebody gives more of: half a minute to three, a weekday, a beginning.
  def more(practice, random)
    {
      minutes: practice.with(minutes: practice.minutes + random.rand(1..6) / 2r),
      day:
        practice.with(
          weekdays:
            (practice.weekdays + [((0..6).to_a - practice.weekdays).sample(random: random)]).sort
        ),
      begin: practice.with(begin_per_day: practice.begin_per_day + 1)
    }
  end

  def later(count, seed, sizes = 3..16)
    random = Random.new(seed)
    Array
      .new(count) do
        turns = random.rand < 0.7
        tasks = (1..random.rand(sizes)).map { |at| task(random, at, turns) }
        practice =
          planning::Practice.new(
            weekdays: (0..6).to_a.sample(random.rand(2..5), random: random).sort,
            minutes: [random.rand(16..50) / 2r, tasks.map(&:longest).max].max,
            begin_per_day: random.rand(1..4)
          )
        yield(tasks, practice, more(practice, random))
          .map { |kind, sooner| [kind, sooner] unless sooner }
          .compact
      end
      .flatten(1)
  end

  it "never make it later, in hundreds of cases" do
    expect(
      later(120, 11) do |tasks, practice, more|
        finish(tasks, practice).then do |date|
          more.transform_values { |each| finish(tasks, each) <= date }
        end
      end
    ).to eq([])
  end

  it "never make it later, in thousands of cases", :slow do
    [[1500, 12, 3..16], [150, 14, 40..60]].each do |total, seed, sizes|
      count, before = Slow.part(total)
      expect(
        later(count, seed + before, sizes) do |tasks, practice, more|
          finish(tasks, practice).then do |date|
            more.transform_values { |each| finish(tasks, each) <= date }
          end
        end
      ).to eq([])
    end
  end

  # Found among those cases: two beginnings a day let in a step that then stands in the way of a
  # longer chain.
  describe "where to take on all that fits is later" do
    let(:cases) do
      random, found = Random.new(13), []
      until found.size == 3
        tasks = (1..12).map { |at| task(random, at, true) }
        practice =
          planning::Practice.new(
            weekdays: [1, 2, 4, 6],
            minutes: [12r, tasks.map(&:longest).max].max,
            begin_per_day: 3
          )
        greedy = planning::Horizon.new(tasks, practice).finish(from, from + 7).date
        found << [tasks, practice, greedy] if finish(tasks, practice) < greedy
      end
      found
    end

    it "takes on less, and the weeks that follow hold what was said" do
      cases.each do |tasks, practice, greedy|
        said = finish(tasks, practice)
        date, left = from, tasks
        while date < said
          week = planning.week(tasks: left, practice: practice, from: date, next_lesson: date + 7)
          stood = week.days.flat_map(&:items).select { |item| item.kind == :step }.group_by(&:id)
          left = left.map { |one| one.with(credited: one.credited + stood.fetch(one.id, []).size) }
          date += 7
        end
        expect(left.sum(&:remaining)).to eq(0)
        expect(said).to be < greedy
      end
    end

    it "says of a step that would fit why it waits" do
      whys =
        cases.flat_map do |tasks, practice, _|
          planning
            .week(tasks: tasks, practice: practice, from: from, next_lesson: from + 7)
            .left_out
            .map { |one| one.why.to_s }
        end
      expect(whys).to include("would fit, but all is done sooner where it waits")
    end

    it "stays within what is given, and lists the same days" do
      cases.each do |tasks, practice, _|
        week = planning.week(tasks: tasks, practice: practice, from: from, next_lesson: from + 7)
        expect(week.days.map(&:date)).to eq((from...from + 7).select { |date| practice.on?(date) })
        expect(week.days).to all(
          satisfy { |day| day.minutes <= practice.minutes && day.items.count(&:begins) <= 3 }
        )
      end
    end
  end

  it "change nothing where nothing is sooner" do
    tasks = [planning::Task.new(id: "a", minutes: 3r, good_days: 3)]
    practice = planning::Practice.new(weekdays: [1], minutes: 10r)
    expect(
      planning.restrained(tasks: tasks, practice: practice, from: from, next_lesson: from + 7)
    ).to eq(practice)
    expect(
      planning.restrained(tasks: [], practice: practice, from: from, next_lesson: from + 7)
    ).to eq(practice)
    never = [planning::Task.new(id: "a", minutes: 13r, good_days: 3)]
    expect(
      planning.restrained(tasks: never, practice: practice, from: from, next_lesson: from + 7)
    ).to eq(practice)
  end
end
