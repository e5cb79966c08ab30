# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"
require "ice_cube"

# A year of lessons with anything that may happen to them. What the weekly times give is held
# against ice_cube, a general-purpose library for recurring dates, which knows nothing of our code;
# what is planned, against what must hold however lessons move.
RSpec.describe "A year of lessons" do
  include Records

  studio = Stairwell::Studio
  first = Date.new(2027, 1, 4)
  last = first + 364

  def by_ice_cube(times, excluded, from, to)
    times
      .flat_map do |time|
        start = Time.utc(from.year, from.month, from.day)
        schedule =
          IceCube::Schedule.new(start) do |one|
            one.add_recurrence_rule(IceCube::Rule.weekly.day(time.weekday))
          end
        schedule
          .occurrences_between(start, Time.utc(to.year, to.month, to.day))
          .map { |moment| Date.new(moment.year, moment.month, moment.day) }
      end
      .reject { |day| excluded.any? { |stretch| stretch.cover?(day) } }
      .sort
  end

  it "has those of the weekly times that a calendar library gives" do
    40.times do |seed|
      random = Random.new(seed)
      days = (0..6).to_a.sample(1 + random.rand(3), random: random)
      times = days.map { |day| studio::LessonTime.new(weekday: day, time: "16:00", minutes: 30) }
      away =
        Array.new(random.rand(4)) do
          (first + random.rand(300)).then { |day| day..(day + random.rand(20)) }
        end
      practising, absent = away.partition.with_index { |_, at| at.even? }
      timetable =
        studio::Timetable.new(
          times: times,
          away: Stairwell::Planning::Away.new(stretches: absent, practising: practising)
        )
      expected = by_ice_cube(times, away, first, last)
      expect(timetable.between(first, last).map(&:day)).to eq(expected)
      from = first + random.rand(200)
      expect(timetable.next_after(from)).to eq(expected.find { |day| day > from })
    end
  end

  # Lives a year day by day: lessons move, fall out, are put in and missed, days are practised
  # or not, results are heard. After each act the week under way is there, is not over, holds no day
  # twice, and no day at or after the next lesson that is held.
  def live(random, days, summer: [])
    now =
      record(
        today: Date.new(2027, 1, 4),
        more_lessons:
          (
            if random.rand < 0.5
              [Stairwell::Studio::LessonTime.new(weekday: 5, time: "15:00", minutes: 30)]
            else
              []
            end
          ),
        holidays: summer
      )
    now = Stairwell::Studio.plan(now).record
    days.times do |at|
      today = Date.new(2027, 1, 4) + at
      now = now.with(today: today, moment: today.to_time, heard_today: {})
      change = happening(random, now)
      now = change.record if change
      yield now, change
    end
  end

  def happening(random, now)
    ahead = now.timetable.between(now.today, now.today + 20)
    one = ahead.sample(random: random)
    case random.rand(12)
    when 0
      change(now, one, day: now.today + random.rand(15))
    when 1
      change(now, one, left_out: true)
    when 2
      change(now, ahead.find(&:left_out), left_out: false)
    when 3
      Stairwell::Studio.put_lesson_in(
        now,
        key: "put in #{now.today}",
        day: now.today + 1 + random.rand(9),
        time: "10:00"
      )
    when 4
      change(now, now.timetable.on(now.today), attendance: :missed)
    when 5, 6
      Stairwell::Studio.hear(
        now,
        assignment_id: 7,
        step_id: %w[A.right A.left B.right].sample(random: random),
        result: :shaky,
        key: "heard #{now.today}"
      )
    else
      if now.timetable.held?(now.today)
        Stairwell::Studio.plan(now, from: now.today + 1)
      else
        Stairwell::Studio.mend(now)
      end
    end
  rescue Stairwell::RefusedError
    nil
  end

  def change(now, one, **changes) =
    one && Stairwell::Studio.change_lesson(now, on: one.day, seen: 0, **changes)

  [[], [{ from: "2027-05-03", to: "2027-07-11", practice: true }]].each do |summer|
    it "has a plan to the next lesson that is held, whatever happens#{" and in a summer without lessons" if summer.any?}" do
      weeks = 0
      (Slow.whole? ? 8 : 3).times do |seed|
        live(Random.new(seed), 240, summer: summer) do |now, change|
          days =
            now
              .timetable
              .between(now.today, now.today + 60)
              .group_by(&:day)
              .transform_values { |all| all.count { |one| !one.left_out } }
          expect(days.values.max || 0).to be <= 1
          next unless change&.week

          weeks += 1
          week = change.week
          expect(week.days.map(&:date)).to eq(week.days.map(&:date).uniq.sort)
          expect(week.days.map(&:date)).to all(be < week.next_lesson)
          expect(now.timetable.held?(week.next_lesson)).to be(week.with_lesson)
          between =
            (week.planned_from + 1...week.next_lesson).select { |date| now.timetable.held?(date) }
          expect(between).to eq([])
          expect(now.weeks.newest).to eq(week)
          expect(now.week).not_to be_nil
        end
      end
      expect(weeks).to be > 150
    end
  end
end
