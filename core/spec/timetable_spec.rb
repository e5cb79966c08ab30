# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# When a student has lessons, and to which day a week is planned: the times of every week,
# what is changed of single lessons, days without.
RSpec.describe "A student's lessons" do
  include Records

  studio = Stairwell::Studio
  day = ->(number, month = 3) { Date.new(2027, month, number) } # 3 March 2027 is a Wednesday
  friday = studio::LessonTime.new(weekday: 5, time: "15:00", minutes: 45, teacher_id: 9)

  def days(record, from, to) =
    record.timetable.between(from, to).map { |one| [one.day, one.time, one.held?] }

  def change(record, **said) = Stairwell::Studio.change_lesson(record, seen: 0, **said).record

  it "stand at the times of every week, two of them too" do
    expect(days(record, day[1], day[14])).to eq([[day[3], "16:30", true], [day[10], "16:30", true]])
    twice = record(more_lessons: [friday])
    expect(days(twice, day[1], day[14]).map(&:first)).to eq([day[3], day[5], day[10], day[12]])
    expect(twice.timetable.on(day[5])).to have_attributes(minutes: 45, teacher_id: 9)
    expect(twice.student.lesson_times.map(&:weekday)).to eq([3, 5])
  end

  it "go on over the end of a year" do
    new_year = record(today: Date.new(2026, 12, 30))
    expect(new_year.timetable.next_after(new_year.today)).to eq(Date.new(2027, 1, 6))
    expect(new_year.timetable.next_after(Date.new(2026, 12, 29))).to eq(Date.new(2026, 12, 30))
  end

  it "are planned to the next one that is held" do
    # Two a week: from Wednesday to Friday, and from Friday to Wednesday.
    twice = record(more_lessons: [friday])
    expect([day[4], day[5], day[6]].map { |from| twice.plan_end(from) }).to eq(
      [day[5], day[10], day[10]]
    )
    left_out = change(record, on: day[10], left_out: true)
    expect(left_out.plan_end(day[4])).to eq(day[17])
    moved = change(record, on: day[10], day: day[11])
    expect(moved.plan_end(day[4])).to eq(day[11])
    expect(moved.plan_end(day[11])).to eq(day[17])
    # Moved past its neighbour: Friday's lesson stands after the next Wednesday's.
    past = change(twice, on: day[5], day: day[11])
    expect(days(past, day[3], day[12]).map(&:first)).to eq([day[3], day[10], day[11], day[12]])
    expect(past.plan_end(day[4])).to eq(day[10])
  end

  it "fall out in holidays, also over the end of a term" do
    spring = record(holidays: [{ from: "2027-03-08", to: "2027-03-12" }])
    expect(spring.timetable.next_after(day[3])).to eq(day[17])
    # What was put in by hand stands all the same.
    put_in = studio.put_lesson_in(spring, key: "k", day: day[9], time: "10:00").record
    expect(put_in.timetable.next_after(day[3])).to eq(day[9])
    # Three weeks without lessons in which nobody practises make one plan: there is nothing to
    # plan in them.
    long = record(holidays: [{ from: "2027-03-08", to: "2027-04-02" }])
    expect(long.plan_end(day[4])).to eq(Date.new(2027, 4, 7))
  end

  it "are planned by calendar week where none is near and practice goes on" do
    summer = record(holidays: [{ from: "2027-03-08", to: "2027-04-30", practice: true }])
    expect(summer.practice.on?(day[12])).to be(true)
    expect(summer.timetable.held?(day[10])).to be(false)
    ends = [day[4], day[8], day[14], day[15]].map { |from| summer.plan_end(from) }
    expect(ends).to eq([day[8], day[15], day[15], day[22]])
    expect(ends.map(&:wday)).to all(eq(1))
    # Near the end of it the plan goes to the lesson again: on 5 May.
    expect(summer.plan_end(Date.new(2027, 4, 24))).to eq(Date.new(2027, 5, 5))
    week = studio.plan(summer).week
    expect(week).to have_attributes(next_lesson: day[8], with_lesson: false)
    expect(week.dates).to eq([day[4], day[5], day[6], day[7]])
    # Each week begins by itself when the one before is over.
    monday = summer.with(today: day[8], weeks: studio::Weeks.new.with(week))
    expect(studio::Sheet.new(monday).days.map(&:date)).to eq(
      [day[8], day[11], day[12], day[13], day[14]]
    )
    # What is told names the lesson there will be, not the end of a week.
    expect(studio::Sheet.new(monday).next_lesson).to eq(Date.new(2027, 5, 5))
    expect(studio::LessonRecap.write(summer, [], week)).to include("See you on Wednesday, 5 May.")
    expect(studio::Concerns.of(monday.with(today: day[20]), {}).map(&:kind)).not_to include(
      :no_plan
    )
    expect(studio.mend(monday).week).to have_attributes(
      planned_from: day[8],
      next_lesson: day[15],
      with_lesson: false
    )
  end

  it "are none in a pause, and nothing is planned" do
    pausing = record(paused_on: Records::WEDNESDAY)
    expect(pausing.timetable.next_after(day[3])).to be_nil
    expect(studio.plan(pausing).week.days).to eq([])
    expect(studio::Concerns.of(studio.plan(pausing).record.with(today: day[20]), {})).to eq([])
    expect(studio::LessonRecap.write(pausing, [], studio.plan(pausing).week)).not_to include(
      "See you"
    )
  end

  describe "when one is moved" do
    let(:planned) { studio.plan(record).record }

    it "the week under way is planned anew to its new day, and keeps the days that have gone by" do
      under_way = planned.with(today: day[5])
      moved = studio.change_lesson(under_way, on: day[10], day: day[8], time: "14:00", seen: 0)
      expect(moved.week).to have_attributes(
        starts: day[4],
        planned_from: day[5],
        next_lesson: day[8],
        with_lesson: true
      )
      expect(moved.week.day(day[4])).to eq(under_way.week.day(day[4]))
      expect(moved.record.weeks.begun(day[5]).map(&:next_lesson)).to eq([day[8]])
      expect(moved.record.week).to eq(moved.week)
      expect(moved.appointments).to contain_exactly(
        have_attributes(planned_on: day[10], day: day[8], time: "14:00", minutes: 30, version: 0)
      )
    end

    it "the week is still under way where today was practised, and tomorrow is the first day that is planned anew" do
      practised = planned.with(today: day[5], practised_on: [day[5]])
      moved = studio.change_lesson(practised, on: day[10], day: day[11], seen: 0)
      expect(moved.week.planned_from).to eq(day[6])
      expect(moved.record.week).to eq(moved.week)
    end

    it "what was changed of the week by hand goes along" do
      pinned =
        studio.change_week(
          planned,
          edit: :leave_out,
          starts: day[4],
          seen: 0,
          id: "7/A.right"
        ).record
      moved = studio.change_lesson(pinned, on: day[10], day: day[12], seen: 0)
      expect(moved.overrides).to match(
        [day[12], have_attributes(version: 0), pinned.overrides_of(day[10]).overrides]
      )
      expect(moved.week.days.flat_map(&:items).map(&:id)).not_to include("7/A.right")
    end

    it "nothing is planned where only its hour, its length or who holds it changes" do
      expect(
        studio.change_lesson(planned, on: day[10], time: "17:00", teacher_id: 4, seen: 0).week
      ).to be_nil
      expect(studio.change_lesson(planned, on: day[3], attendance: :late, seen: 0).week).to be_nil
    end

    it "it is moved once more from where it stands, and back" do
      there = change(planned, on: day[10], day: day[11])
      again = change(there, on: day[11], day: day[12])
      expect(days(again, day[8], day[14]).map(&:first)).to eq([day[12]])
      expect(days(change(again, on: day[12], day: day[10]), day[8], day[14])).to eq(
        days(planned, day[8], day[14])
      )
    end

    it "no day has two lessons, since what is heard belongs to a student and a day" do
      twice = record(more_lessons: [friday])
      expect { change(twice, on: day[10], day: day[12]) }.to raise_error(
        Stairwell::RefusedError,
        /Nell has a lesson on Friday, 12 March already/
      )
      expect { studio.put_lesson_in(twice, key: "k", day: day[12], time: "10:00") }.to raise_error(
        Stairwell::RefusedError
      )
      # In the place of one that is left out there is room.
      free = change(twice, on: day[12], left_out: true)
      expect(days(change(free, on: day[10], day: day[12]), day[8], day[14])).to contain_exactly(
        [day[12], "15:00", false],
        [day[12], "16:30", true]
      )
      expect {
        change(change(free, on: day[10], day: day[12]), on: day[9], day: day[8])
      }.to raise_error(Stairwell::MissingError)
      # Which is not held after all as long as another stands there, put in or moved.
      expect {
        change(change(free, on: day[10], day: day[12]), on: day[12], left_out: false)
      }.to raise_error(Stairwell::RefusedError)
      put_in = studio.put_lesson_in(free, key: "k", day: day[12], time: "10:00").record
      expect { change(put_in, on: day[12], left_out: false) }.to raise_error(
        Stairwell::RefusedError
      )
      expect {
        studio.put_lesson_in(put_in, key: "other", day: day[12], time: "11:00")
      }.to raise_error(Stairwell::RefusedError)
    end
  end

  it "that was not held after all sends the student on to the next one" do
    came = studio.plan(record(today: day[4])).record.with(today: day[10])
    missed = studio.change_lesson(came, on: day[10], attendance: :missed, seen: 0)
    expect(missed.week).to have_attributes(planned_from: day[10], next_lesson: day[17])
    expect { studio.change_lesson(came, on: day[17], attendance: :came, seen: 0) }.to raise_error(
      Stairwell::RefusedError,
      /Who came is known/
    )
    excused = studio.change_lesson(came, on: day[17], attendance: :excused, seen: 0)
    expect(excused.record.timetable.next_after(day[10])).to eq(day[24])
  end

  it "that is finished was attended, unless somebody said otherwise" do
    on = studio.plan(record(today: day[4])).record.with(today: day[10])
    came = studio.came(on)
    expect(came.appointments.map { |one| [one.day, one.attendance] }).to eq([[day[10], :came]])
    expect(came.week).to be_nil
    expect(studio.came(came.record)).to be_none
    late = studio.change_lesson(on, on: day[10], attendance: :late, seen: 0).record
    left_out = studio.change_lesson(on, on: day[10], left_out: true, seen: 0).record
    expect([late, left_out, on.with(today: day[11])].map { |one| studio.came(one).none? }).to all(
      be(true)
    )
  end

  it "one that makes up for another counts once, however often it is sent" do
    left_out = change(record, on: day[10], left_out: true)
    made_up =
      studio.put_lesson_in(left_out, key: "k", day: day[12], time: "10:00", makes_up_for: day[10])
    expect(made_up.week.next_lesson).to eq(day[12])
    expect(studio.put_lesson_in(made_up.record, key: "k", day: day[12], time: "10:00").none?).to be(
      true
    )
  end

  it "of one teacher meet where they overlap, not where one follows the other" do
    at = ->(time, minutes, on = day[3]) do
      studio::Appointment.new(day: on, time: time, minutes: minutes)
    end
    one = at["16:30", 30]
    meets = {
      at["16:00", 30] => false,
      at["16:00", 31] => true,
      at["16:45", 10] => true,
      at["17:00", 30] => false,
      at["16:30", 30, day[4]] => false
    }
    expect(meets.keys.map { |other| one.meets?(other) }).to eq(meets.values)
  end

  it "were heard with a result that is corrected a week later: the last word counts, and the week follows" do
    heard =
      studio.hear(record, assignment_id: 7, step_id: "A.right", result: :steady, key: "a").record
    expect(heard.piece(7).standing("A.right").state).to eq(:steady)
    later = heard.with(today: day[10], moment: day[10].to_time, heard_today: {})
    corrected =
      studio.hear(
        later,
        assignment_id: 7,
        step_id: "A.right",
        result: :not_yet,
        key: "b",
        day: day[3]
      )
    expect(corrected.added[:results].first).to include(day: day[3], result: "not_yet")
    expect(corrected.record.piece(7).standing("A.right").state).not_to eq(:steady)
    expect(corrected.told.map(&:to_s)).to include(/A, right hand/)
    expect(corrected.record.heard_today).to eq({})
    expect {
      studio.hear(
        later,
        assignment_id: 7,
        step_id: "A.right",
        result: :steady,
        key: "c",
        day: day[4]
      )
    }.to raise_error(Stairwell::MissingError)
  end

  it "are as a stand-in needs them: how far each section is, and what was hard at home" do
    mark =
      Stairwell::Progress::Mark.new(
        key: "m",
        step_id: "A.left",
        date: day[5],
        kind: :struggle,
        at: day[5].to_time
      )
    known = record.with_piece(record.piece(7).after(mark)).with(today: day[10], lessons: [day[3]])
    heard =
      studio.hear(known, assignment_id: 7, step_id: "A.right", result: :steady, key: "a").record
    piece = studio::StandIn.new(heard).pieces.first
    of = heard.piece(7).progress.steps.count { |step| step.section == "A" }
    expect(piece.sections.first).to have_attributes(name: "A", done: 1, of: of)
    expect(piece.hard.map(&:to_s)).to eq(["A, left hand"])
  end
end

RSpec.describe "Something due at an hour" do
  studio = Stairwell::Studio
  day = ->(number) { Date.new(2027, 3, number) }

  it "has the practice of its own day where that is over by the evening" do
    expect(
      %w[08:00 17:59 18:00 19:30].map { |time| studio::Due.last_day(day[10], time).day }
    ).to eq([9, 9, 10, 10])
  end

  it "is reached with caution, in the middle of the futures, or not" do
    by = ->(middle, cautious) do
      studio::Readiness.by(
        day[10],
        likely: middle && day[middle],
        cautious: cautious && day[cautious]
      )
    end
    expect([by[8, 10], by[10, 11], by[10, nil], by[11, 12], by[nil, nil]]).to eq(
      %i[ready likely likely late late]
    )
  end
end
