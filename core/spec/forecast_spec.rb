# frozen_string_literal: true

require_relative "spec_helper"
require "date"
require "timeout"
require_relative "support/lives"

RSpec.describe "Looking ahead" do
  let(:from) { Date.new(2027, 3, 3) }
  let(:lesson) { Date.new(2027, 3, 9) }
  let(:practice) do
    Stairwell::Planning::Practice.new(weekdays: [1, 2, 4, 6], minutes: 15r, begin_per_day: 2)
  end
  let(:tasks) do
    map =
      page(
        "bars: 16\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-16"
      )
    Stairwell::Progress.piece(Stairwell::Practice.steps(map), []).tasks
  end

  def forecast(**observed) =
    Stairwell::Planning.forecast(
      tasks: tasks,
      practice: practice,
      from: from,
      next_lesson: lesson,
      **observed
    )

  # What was seen of a student, much of it unless said otherwise.
  def habit(kept, went: 1.0, days: 4_000, taken: 1, steps: 0)
    learnt = {
      alone:
        Stairwell::Planning::Habit::Learnt.new(
          taken: (taken * steps).to_r,
          gained: steps.to_r,
          steps: steps
        )
    }
    Stairwell::Planning::Habit.new(
      Stairwell::Planning::Habit::Seen.new(
        planned: days,
        kept: (kept * days).round,
        tried: days,
        went: (went * days).round,
        learnt: learnt
      )
    )
  end

  it "is later the fewer days are kept, the fewer go well, and the slower the pace; the cautious date never before the middle one" do
    by_days = [1.0, 0.8, 0.5, 0.25].map { |kept| forecast(habit: habit(kept)) }
    by_luck = [1.0, 0.75, 0.5].map { |went| forecast(habit: habit(0.8, went: went)) }
    by_pace = [1, 1.5, 2.2].map { |taken| forecast(habit: habit(0.8, taken: taken, steps: 60)) }
    [by_days, by_luck, by_pace].each do |outlooks|
      expect(outlooks.map(&:middle)).to eq(outlooks.map(&:middle).sort)
      expect(outlooks.map(&:middle).uniq.size).to eq(outlooks.size)
      outlooks.each { |one| expect(one.cautious).to be > one.middle }
      expect(outlooks.map(&:planned).uniq.size).to eq(1)
    end
    # Half the days kept takes about twice the practice days.
    expect((by_days[2].middle - from).to_f / (by_days[0].middle - from)).to be_within(0.35).of(2)
  end

  it "is wider the less was seen" do
    width = ->(one) { (one.cautious - one.middle).to_i }
    widths =
      [0, 20, 4_000].map do |days|
        width[forecast(habit: habit(0.7, went: 0.85, days: days, taken: 1.17, steps: days / 10))]
      end
    expect(widths).to eq(widths.sort.reverse)
    expect(widths.uniq.size).to eq(3)
  end

  it "goes by what became of promised dates" do
    usual, doubled = forecast, forecast(stretch: 2)
    %i[middle cautious].each { |name| expect(doubled[name] - from).to eq(2 * (usual[name] - from)) }
    expect(doubled.planned).to eq(usual.planned)
  end

  it "says for each of several pieces when it is ready, all planned together" do
    two =
      tasks +
        tasks.map do |one|
          one.with(
            id: "2/#{one.id}",
            needs: one.needs.map { |id| "2/#{id}" },
            after: one.after.map { |id| "2/#{id}" }
          )
        end
    both =
      Stairwell::Planning.forecasts(
        tasks: two,
        practice: practice,
        from: from,
        next_lesson: lesson,
        group: ->(id) { id.start_with?("2/") }
      )
    together =
      Stairwell::Planning.finish(
        tasks: two,
        practice: practice,
        from: from,
        next_lesson: lesson
      ).date
    expect(both.values.map(&:planned).max).to eq(together)
    expect(both[false].planned).to be > forecast.planned
  end

  it "is the same for the same seed, whatever number a piece was given, and none where a step never fits" do
    expect(forecast(seed: 5)).to eq(forecast(seed: 5))
    numbered = ->(number) do
      tasks.map do |one|
        one.with(
          id: "#{number}/#{one.id}",
          needs: one.needs.map { |id| "#{number}/#{id}" },
          after: one.after.map { |id| "#{number}/#{id}" }
        )
      end
    end
    outlooks =
      [7, 4_611].map do |number|
        Stairwell::Planning.forecast(
          tasks: numbered[number],
          practice: practice,
          from: from,
          next_lesson: lesson
        )
      end
    expect(outlooks.first).to eq(outlooks.last)
    never =
      Stairwell::Planning.forecast(
        tasks: [task("long", minutes: 90r)],
        practice: practice,
        from: from,
        next_lesson: lesson
      )
    expect([never.planned, never.middle, never.cautious]).to eq([nil, nil, nil])
  end

  # Holidays that never end, from September on: a student who may miss many days is not done by
  # then. It must come to an end.
  it "comes to an end where there is no practice for ever" do
    away = Stairwell::Planning::Away.new(stretches: [Date.new(2027, 9, 1)..Date.new(9999, 12, 31)])
    outlook =
      Timeout.timeout(20) do
        Stairwell::Planning.forecast(
          tasks: tasks,
          practice: practice.with(absent: away),
          from: from,
          next_lesson: lesson,
          habit: habit(0.1)
        )
      end
    expect(outlook.planned).to be < Date.new(2027, 9, 1)
    expect(outlook.cautious).to be > Date.new(2027, 9, 1)
    never =
      Timeout.timeout(20) do
        Stairwell::Planning.finish(
          tasks: tasks,
          practice:
            practice.with(
              absent: Stairwell::Planning::Away.new(stretches: [from..Date.new(9999, 12, 31)])
            ),
          from: from,
          next_lesson: lesson
        )
      end
    expect(never.date).to be_nil
  end

  # Four lessons a week apart, from Tuesday the 9th, each of which shows one section: the last
  # is open from the 30th on, and its step takes two days more, the Tuesday and the Thursday.
  it "waits for the lessons at which sections are shown, one after another" do
    shown = (1..4).map { |at| task("s#{at}", minutes: 3r, days: 2, introduced: false, lesson: at) }
    finish =
      Stairwell::Planning.finish(tasks: shown, practice: practice, from: from, next_lesson: lesson)
    expect(finish.date).to eq(Date.new(2027, 4, 1))
    # A lesson falls out: the last one is a week later. On lesson days nothing is planned.
    later = practice.with(lessons: [9, 16, 30].map { |day| Date.new(2027, 3, day) })
    expect(
      Stairwell::Planning.finish(
        tasks: shown,
        practice: later,
        from: from,
        next_lesson: lesson
      ).date
    ).to eq(Date.new(2027, 4, 8))
    without = practice.with(lesson_days: [2])
    expect(
      Stairwell::Planning.finish(
        tasks: shown,
        practice: without,
        from: from,
        next_lesson: lesson
      ).date
    ).to eq(Date.new(2027, 4, 3))
    # However often one practises, it is not ready before.
    eager =
      Stairwell::Planning.forecast(
        tasks: shown,
        practice: practice,
        from: from,
        next_lesson: lesson,
        habit: habit(1.0)
      )
    expect(eager.middle).to be >= Date.new(2027, 4, 1)
  end

  # Students of four kinds that share no formula with the forecast: see {Lives}. What a run of
  # so many can be off by chance (two standard errors) is allowed for; the long run is narrow.
  describe "dates" do
    def held(lives, name, date) =
      lives
        .select(&name)
        .then { |all| all.count { |life| life.finished <= life[name][date] }.fdiv(all.size) }

    def expect_dates(lives, cautious, likely)
      %i[start half].each do |name|
        expect(held(lives, name, :cautious)).to be_between(*cautious),
        "cautious dates at the #{name} held in #{held(lives, name, :cautious)}"
        expect(held(lives, name, :likely)).to be_between(*likely),
        "likely dates at the #{name} held in #{held(lives, name, :likely)}"
      end
    end

    def lives(count, first) =
      [0, count].flat_map do |before|
        Lives::KINDS.flat_map do |kind|
          Array.new(count) do |at|
            Lives.new(kind, first + before + at, introduce: before.zero?).live
          end
        end
      end

    it "hold as often as they say, for new students, half-way, and with sections shown one after another" do
      expect_dates(lives(5, 40_000), [0.76, 0.98], [0.32, 0.64])
    end

    it "hold in 80 to 90, and 45 to 55, of 100 in the long run", :slow do
      count, before = Slow.part(60)
      all = lives(count, 50_000 + before)
      next expect_dates(all, [0.76, 0.98], [0.32, 0.64]) unless Slow.whole?

      expect_dates(all, [0.80, 0.91], [0.43, 0.56])
    end
  end

  describe "habit" do
    kind = Stairwell::Planning::Habit

    # Worked by hand: usual are 70 % of days, as 8 of them. Of 18 days 9 were kept, which, being
    # alike, count as 10 and 5: (8 × 0.7 + 5) / (8 + 10) = 0.589.
    it "is what is usual until something is seen, then drawn to what was seen" do
      expect(kind.new.kept.mean).to be_within(0.001).of(0.7)
      expect(kind.new.went.mean).to be_within(0.001).of(0.9)
      seen = kind::Seen.new(planned: 18, kept: 9)
      expect(kind.new(seen).kept.mean).to be_within(0.001).of(0.589)
      expect(kind.new(seen).kept.deviation).to be < kind.new.kept.deviation
    end

    # 400 days of the studio's, half of them kept, count as 222 beside 40 usual ones:
    # (40 × 0.7 + 111.1) / (40 + 222.2) = 0.531.
    it "starts from what the studio's students do" do
      studio = kind::Seen.new(planned: 400, kept: 200)
      expect(kind.new(studio: studio).kept.mean).to be_within(0.001).of(0.531)
      expect(kind::Seen.load(JSON.parse(JSON.generate(studio.dump)))).to eq(studio)
      twice = studio + studio
      expect([twice.planned, twice.kept]).to eq([800, 400])
    end

    it "knows kinds of steps apart, and the student where a kind was not met yet" do
      learnt = {
        alone: kind::Learnt.new(taken: 20r, gained: 20r, steps: 12),
        together: kind::Learnt.new(taken: 40r, gained: 20r, steps: 12)
      }
      seen = kind.new(kind::Seen.new(learnt: learnt))
      expect(seen.pace(:together)).to be > seen.pace(:join)
      expect(seen.pace(:join)).to be > seen.pace(:alone)
      expect(seen.spread).to be < kind.new.spread
      expect(
        kind::Seen.load(JSON.parse(JSON.generate(kind::Seen.new(learnt: learnt).dump))).learnt
      ).to eq(learnt)
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
      expect(pace.call([[1, 9]] * 100)).to eq(1 / 2r)
      expect(pace.call([[0, 1], [1, 0]])).to eq(1)
    end

    it "comes with the share of planned days that were kept" do
      days = (1..4).map { |day| Date.new(2027, 3, day) }
      expect(
        Stairwell::Progress::Pace.adherence(days, [days[1], days[3], Date.new(2027, 3, 9)])
      ).to eq(1 / 2r)
      expect(Stairwell::Progress::Pace.adherence([], days)).to be_nil
    end
  end
end

# How well a student's own pace is known, worked out by hand.
RSpec.describe Stairwell::Planning::Habit do
  constants = Stairwell::Constants
  def learnt(steps, days_each) =
    Stairwell::Planning::Habit::Seen.new(
      learnt: {
        alone:
          Stairwell::Planning::Habit::Learnt.new(
            taken: (steps * days_each).to_r,
            gained: steps.to_r,
            steps: steps
          )
      }
    )

  it "knows nothing of a student only where neither days nor tries were seen" do
    kind = described_class::Seen
    expect(
      [kind.new, kind.new(planned: 3, kept: 0), kind.new(tried: 3, went: 1)].map do |seen|
        described_class.new(seen).none?
      end
    ).to eq([true, false, false])
  end

  it "is as sure as so many steps make one: each differs by its own luck, and half of it tells" do
    [0, 4, 20].each do |steps|
      certainty = (1 / constants::PACE_DIFFERS**2) + (steps / (2 * constants::STEPS_DIFFER**2))
      expect(described_class.new(learnt(steps, 2)).spread).to be_within(1e-9).of(
        1 / Math.sqrt(certainty)
      ),
      steps.to_s
    end
  end

  it "begins where the studio's students are, the more the more of their steps were seen" do
    paces = [0, 30, 3000].map { |steps| described_class.new(studio: learnt(steps, 2)).pace(:alone) }
    few = Math.log(61.0 / 31)
    expect(paces[0]).to be_within(1e-9).of(Math.exp(constants::USUAL_PACE))
    expect(paces[1]).to be_within(1e-9).of(
      Math.exp(
        ((constants::USUAL_PACE * constants::USUAL_WEIGHT) + (few * 30)) /
          (constants::USUAL_WEIGHT + 30)
      )
    )
    expect(paces[2]).to be_within(0.05).of(2)
  end
end
