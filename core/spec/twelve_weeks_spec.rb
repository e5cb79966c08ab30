# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# Seeded students live through twelve weeks of plans: they practise on some days,
# struggle on some, and are heard at each lesson.
RSpec.describe "Twelve weeks" do
  let(:first) { Date.new(2027, 1, 6) }
  let(:practice) do
    Stairwell::Planning::Practice.new(weekdays: [1, 2, 4, 6, 0], minutes: 25r, begin_per_day: 2)
  end
  let(:steps) do
    Stairwell::Practice.steps(
      page(
        "bars: 16\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12 difficulty 5\nsection D: 13-16 like A moved"
      )
    )
  end

  # @return [Array<Hash>] each week's :plan, :standings and :reviews due
  def live(adherence:, struggle:, seed:, weeks: 12, decline: false)
    random = Random.new(seed)
    # Some steps are too much for this student as they are.
    @too_much = steps.select { random.rand < struggle }.map(&:id)
    events =
      (
        if decline
          steps.map do |step|
            Stairwell::Progress::Simplified.new(step_id: step.id, form: :none, at: first.to_time)
          end
        else
          []
        end
      )
    Array.new(weeks) do |week|
      from, lesson = first + 7 * week, first + 7 * week + 6
      progress = Stairwell::Progress.piece(steps, events)
      reviews = progress.reviews(lesson - 1)
      plan =
        Stairwell::Planning.week(
          tasks: progress.tasks,
          practice: practice,
          from: from,
          next_lesson: lesson,
          reviews: reviews
        )
      plan.days.each do |day|
        events.concat(practised(day, random, struggle, progress)) if random.rand < adherence
      end
      events.concat(heard(plan, lesson, random, struggle, progress))
      { plan: plan, standings: progress.standings, reviews: reviews }
    end
  end

  def practised(day, random, struggle, progress)
    day.items.flat_map do |item|
      kinds = Array.new(item.repetitions) { :repetition }
      kinds << :struggle if random.rand < hardness(item.id, struggle, progress)
      kinds.map do |kind|
        Stairwell::Progress::Mark.new(
          key: random.rand(2**60).to_s,
          step_id: item.id,
          date: day.date,
          kind: kind,
          at: day.date.to_time
        )
      end
    end
  end

  # What is too much goes wrong on nearly every day, until its smaller form is
  # easy: then it is a step like any other.
  def hardness(id, struggle, progress)
    return struggle unless @too_much.include?(id)

    smaller = progress.standings["#{id}~smaller"]
    smaller&.done? ? struggle : 0.9
  end

  def heard(plan, lesson, random, struggle, progress)
    plan
      .days
      .flat_map { |day| day.items.map(&:id) }
      .uniq
      .first(4)
      .map do |id|
        result =
          (
            if random.rand < hardness(id, struggle, progress)
              :not_yet
            else
              %i[shaky steady].sample(random: random)
            end
          )
        Stairwell::Progress::LessonResult.new(
          step_id: id,
          date: lesson,
          result: result,
          at: lesson.to_time
        )
      end
  end

  # Not done, and nothing it needs is missing (a smaller form is a need too).
  def ready(standings)
    standings
      .values
      .reject(&:done?)
      .select { |one| one.step.needs.all? { |id| standings.fetch(id).done? } }
      .map { |one| one.step.id }
  end

  let(:lives) do
    [[0.95, 0.02], [0.7, 0.15], [0.4, 0.35]].flat_map do |adherence, struggle|
      Array.new(4) { |seed| live(adherence: adherence, struggle: struggle, seed: seed) }
    end
  end

  it "starve no step: what is open stands in the plan within three weeks" do
    lives.each do |weeks|
      weeks.each_cons(3) do |three|
        open = three.map { |week| ready(week[:standings]) }.inject(:&)
        stood = three.flat_map { |week| week[:plan].days.flat_map { |day| day.items.map(&:id) } }
        expect(open - stood).to eq([])
      end
    end
  end

  it "keep reviews: what was due stood in the week, as long as a quarter of each day was enough" do
    lives.each do |weeks|
      weeks.each do |week|
        stood = week[:plan].days.flat_map { |day| day.items.select { |item| item.kind == :review } }
        waiting = week[:reviews].map(&:id).uniq - stood.map(&:id)
        expect(waiting.size).to be <=
          [week[:reviews].map(&:id).uniq.size - week[:plan].days.size, 0].max
        week[:plan].days.each do |day|
          minutes = day.items.select { |item| item.kind == :review }.map(&:minutes)
          expect(minutes.sum).to be <= [practice.minutes / 4, minutes.max || 0].max
        end
      end
    end
  end

  it "put a smaller form before every step that did not go, and end further on for those who practise" do
    share = ->(weeks) { weeks.sum { |week| week[:standings].values.count(&:done?) } }
    expect(lives.first(4).sum(&share)).to be > lives.last(4).sum(&share)
    struggling = lives.last(4).flat_map { |weeks| weeks.flat_map { |week| week[:standings].keys } }
    expect(struggling.grep(/~smaller/)).not_to be_empty
    lives.flatten.each do |week|
      week[:standings].each_value do |one|
        next unless one.step.id.end_with?("~smaller")

        original = week[:standings].fetch(one.step.id.delete_suffix("~smaller"))
        expect(original.step.needs).to include(one.step.id)
      end
    end
  end

  # The same lives with the smaller forms declined get less far.
  it "get further with smaller forms than without" do
    done = ->(**more) do
      Array.new(12) do |seed|
        live(adherence: 0.8, struggle: 0.3, seed: seed, **more).last[:standings]
          .reject { |id, _| id.include?("~") }
          .count { |_, one| one.done? }
      end
    end
    with, without = done.call, done.call(decline: true)
    expect(with.sum).to be > without.sum * 1.1
    expect(with.zip(without).count { |simplified, plain| simplified >= plain }).to be >= 8
  end

  it "are the same life for the same seed, and replanning without a change changes nothing" do
    plan = ->(weeks) { weeks.map { |week| week[:plan] } }
    expect(plan[live(adherence: 0.6, struggle: 0.2, seed: 7)]).to eq(
      plan[live(adherence: 0.6, struggle: 0.2, seed: 7)]
    )
  end
end
