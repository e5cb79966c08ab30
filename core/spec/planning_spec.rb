# frozen_string_literal: true

require_relative "spec_helper"
require "date"

RSpec.describe Stairwell::Planning do
  let(:from) { Date.new(2027, 3, 3) } # a Wednesday
  let(:to) { Date.new(2027, 3, 9) }

  def week(tasks, minutes: 20, weekdays: [3, 4, 5, 6, 0], begin_per_day: 2)
    practice =
      Stairwell::Planning::Practice.new(
        weekdays: weekdays,
        minutes: minutes.to_r,
        begin_per_day: begin_per_day
      )
    described_class.week(tasks: tasks, practice: practice, from: from, next_lesson: to)
  end

  def days(plan) = plan.days.map { |day| day.items.map(&:id) }

  # Worked by hand. Day 1 begins the two steps that most waits for; "both"
  # waits until each has its two days; then it takes its own.
  it "plans the worked week" do
    plan =
      week(
        [
          task("right"),
          task("left", after: ["right"]),
          task("both", needs: %w[right left]),
          task("other")
        ]
      )
    expect(days(plan)).to eq([%w[right left], %w[right left other], %w[both other], %w[both], []])
    expect(plan.days.map { |day| day.date.wday }).to eq([3, 4, 5, 6, 0])
    expect(plan.days.first.items.first.why).to eq(
      "new: what it needs is there; 2 good days of later steps depend on it"
    )
    expect(plan.left_out).to eq([])
  end

  it "puts what can never fit aside, with all that needs it" do
    plan = week([task("long", minutes: 25r), task("next", needs: ["long"]), task("free")])
    expect(plan.left_out.map { |one| [one.id, one.fits] }).to eq([["long", false], ["next", false]])
    expect(plan.left_out.first.why).to include("takes 25 min at a time, but a day has 20 min")
    expect(days(plan).flatten).to eq(%w[free free])
  end

  it "says why a step does not stand this week" do
    plan = week([task("a", days: 5), task("b", needs: ["a"])])
    expect(plan.left_out.map(&:why)).to eq(["waits until a has all its good days"])
  end

  it "refuses circles, unknown steps and a week without practice" do
    expect { week([task("a", needs: ["b"]), task("b", after: ["a"])]) }.to raise_error(
      Stairwell::ContradictionError,
      /circle/
    )
    expect { week([task("a", needs: ["ghost"])]) }.to raise_error(
      Stairwell::ContradictionError,
      /ghost/
    )
    expect { week([task("a"), task("a")]) }.to raise_error(Stairwell::ContradictionError, /twice/)
    expect { week([task("a")], weekdays: []) }.to raise_error(
      Stairwell::ContradictionError,
      /practice day/
    )
  end

  it "does not shorten what was heard: a begun step still waits for its needs" do
    plan = week([task("a", credited: 0, days: 3), task("b", needs: ["a"], begun: true)])
    expect(days(plan)).to eq([%w[a], %w[a], %w[a], %w[b], %w[b]])
  end

  describe "on random cases" do
    def random_case(random)
      tasks =
        (1..random.rand(1..14)).map do |at|
          earlier = (1...at).map { |one| "s#{one}" }
          needs = earlier.sample(random.rand(0..2), random: random)
          Stairwell::Planning::Task.new(
            id: "s#{at}",
            minutes: random.rand(1..18) / 2r,
            good_days: (good = random.rand(1..4)),
            credited: random.rand(0..good),
            begun: random.rand(4) == 0,
            hard: random.rand(5) == 0,
            needs: needs,
            after: (earlier - needs).sample(random.rand(0..1), random: random)
          )
        end
      [
        tasks,
        {
          minutes: random.rand(4..20),
          weekdays: (0..6).to_a.sample(random.rand(1..7), random: random),
          begin_per_day: random.rand(1..3)
        }
      ]
    end

    def complete_before?(plan, task, index)
      plan.days.first(index).count { |day| day.items.any? { |item| item.id == task.id } } +
        task.credited >= task.good_days
    end

    it "keeps every hard constraint, fills every day, and gives no step more days than it needs" do
      random = Random.new(21)
      400.times do
        tasks, options = random_case(random)
        plan = week(tasks, **options)
        by_id = tasks.to_h { |one| [one.id, one] }
        expect(plan.days.map(&:date)).to eq(
          (from...to).select { |date| options[:weekdays].include?(date.wday) }
        ) # 5
        plan.days.each_with_index do |day, index|
          ids = day.items.map(&:id)
          expect(day.minutes).to be <= options[:minutes] # 1
          expect(ids.uniq).to eq(ids) # 2
          begins =
            ids.reject do |id|
              by_id[id].begun? ||
                plan.days.first(index).any? { |one| one.items.any? { |item| item.id == id } }
            end
          expect(begins.size).to be <= options[:begin_per_day] # 4
          day.items.each_with_index do |item, at|
            task = by_id[item.id]
            expect(task.needs).to all(satisfy { |id| complete_before?(plan, by_id[id], index) }) # 3
            expect(task.after).to all(
              satisfy do |id|
                complete_before?(plan, by_id[id], index) || ids.first(at).include?(id)
              end
            ) # 3
          end
          idle = tasks.reject { |one| ids.include?(one.id) || complete_before?(plan, one, index) }
          idle.each do |one|
            could =
              one.needs.all? { |id| complete_before?(plan, by_id[id], index) } &&
                one.after.all? do |id|
                  complete_before?(plan, by_id[id], index) || ids.include?(id)
                end && one.minutes <= options[:minutes] - day.minutes &&
                (
                  one.begun? ||
                    plan
                      .days
                      .first(index)
                      .any? { |other| other.items.any? { |item| item.id == one.id } } ||
                    begins.size < options[:begin_per_day]
                )
            expect(could).to be(false), "#{one.id} could still stand on day #{index + 1}"
          end
        end
        tasks.each do |one|
          standing = plan.days.count { |day| day.items.any? { |item| item.id == one.id } }
          expect(standing).to be <= one.remaining
          expect(plan.left_out.map(&:id).include?(one.id)).to eq(
            standing.zero? && one.remaining.positive?
          )
        end
        expect(week(tasks, **options)).to eq(plan) # same input, same plan
      end
    end
  end

  # Six times two minutes; half a minute goes to getting ready. Of seven minutes there are three
  # times.
  it "plays up the metronome as often as a short day allows, down to once for each mark" do
    practice = ->(minutes) do
      described_class::Practice.new(weekdays: (0..6).to_a, minutes: minutes, begin_per_day: 2)
    end
    ladder = task("tempo", minutes: 25 / 2r, days: 1, repetitions: 6, ready: 1 / 2r, fewest: 2)
    day = ->(minutes) do
      described_class
        .week(
          tasks: [ladder],
          practice: practice[minutes],
          from: Date.new(2027, 3, 3),
          next_lesson: Date.new(2027, 3, 4)
        )
        .days
        .first
        .items
        .first
    end
    expect([day[20r].repetitions, day[20r].minutes]).to eq([6, 25 / 2r])
    expect([day[7r].repetitions, day[7r].minutes]).to eq([3, 13 / 2r])
    expect(day[7r].why.to_s).to end_with("3 times instead of 6, since the day is short")
    expect(day[9 / 2r].repetitions).to eq(2)
    expect(day[4r]).to be_nil
    finish =
      described_class.finish(
        tasks: [ladder],
        practice: practice[9 / 2r],
        from: Date.new(2027, 3, 3),
        next_lesson: Date.new(2027, 3, 4)
      )
    expect(finish.days).to eq(1)
  end
end
