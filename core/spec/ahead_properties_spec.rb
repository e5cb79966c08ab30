# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# What looks ahead agrees with what plans: seeded cases.
RSpec.describe "Looking ahead" do
  let(:from) { Date.new(2027, 3, 3) }

  def random_case(random)
    tasks =
      (1..random.rand(2..15)).map do |at|
        earlier = (1...at).map { |one| "s#{one}" }
        task(
          "s#{at}",
          minutes: random.rand(1..10) / 2r,
          days: random.rand(1..4),
          needs: earlier.sample(random.rand(0..2), random: random)
        )
      end
    practice =
      Stairwell::Planning::Practice.new(
        weekdays: (0..6).to_a.sample(random.rand(2..6), random: random),
        minutes: 15r,
        begin_per_day: random.rand(1..3)
      )
    { tasks: tasks, practice: practice, from: from, next_lesson: from + 7 }
  end

  def cases = Array.new(60) { |seed| random_case(Random.new(seed)) }

  it "schedules every step on as many practice days as it takes, after what it needs, to the day of the finish" do
    cases.each do |one|
      spans = Stairwell::Planning.schedule(**one)
      expect(spans.keys).to match_array(one[:tasks].map(&:id))
      one[:tasks].each do |task|
        first, last = spans[task.id]
        days = (first..last).count { |date| one[:practice].on?(date) }
        expect(days).to be >= task.good_days
        task.needs.each { |id| expect(spans[id].last).to be < first }
      end
      expect(spans.values.map(&:last).max).to eq(Stairwell::Planning.finish(**one).date)
    end
  end

  it "begins the schedule with the week as it is planned" do
    cases.each do |one|
      week = Stairwell::Planning.week(**one)
      spans = Stairwell::Planning.schedule(**one)
      week
        .days
        .flat_map { |day| day.items.map { |item| [item.id, day.date] } }
        .group_by(&:first)
        .each { |id, all| expect(spans[id].first).to eq(all.map(&:last).min) }
    end
  end

  it "ranks what is decisive by what really waits for it" do
    cases.each do |one|
      needs = Stairwell::Planning::Needs.new(one[:tasks])
      ranks = Stairwell::Planning::Decisive.rank(one[:tasks], one[:tasks].map(&:id))
      expect(ranks.map(&:waiting)).to eq(ranks.map(&:waiting).sort.reverse)
      ranks.each do |rank|
        reach = ->(id) { id == rank.id || one[:tasks][needs.place(id)].needs.any?(&reach) }
        expect(rank.waiting).to eq(
          one[:tasks].count { |task| task.id != rank.id && reach[task.id] }
        )
      end
    end
  end

  it "skips no more than half of a day, and never the whole of it" do
    cases.each do |one|
      Stairwell::Planning
        .week(**one)
        .days
        .each do |day|
          skipped = Stairwell::Planning::Skip.of(day.items)
          left = day.items.reject { |item| skipped.include?(item.id) }.sum(0r, &:minutes)
          expect(left * 2).to be >= day.minutes
        end
    end
  end

  # Rungs are those of the published scale; the target tempo is always the last.
  it "climbs by rungs that rise to the target tempo, each after the one before" do
    [44, 60, 63, 76, 77, 100, 144, 207, 230].each do |target_tempo|
      steps =
        Stairwell::Practice.steps(
          page("bars: 8\nsection A: 1-4\nsection B: 5-8"),
          choices: Stairwell::Practice::Choices.new(target_tempo: target_tempo)
        )
      climb = steps.select { |step| step.stage == :tempo }
      tempos = climb.map(&:tempo)
      expect(tempos).to eq(tempos.sort.uniq)
      expect(tempos.last).to eq(target_tempo)
      expect(tempos[0...-1] - Stairwell::Constants::METRONOME).to eq([])
      climb.each_cons(2) { |one, other| expect(other.needs).to include(one.id) }
    end
  end
end
