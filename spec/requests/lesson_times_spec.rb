# frozen_string_literal: true

require_relative "../spec_helper"
require_relative "../support/weeks"
require "pdf-reader"

# Lessons of real weeks: moved, left out, made up for, held by another; who came; what a
# stand-in needs, and what one finds on return. Today is Wednesday, 3 March 2027.
RSpec.describe "Lessons of the week" do
  include_context "lessons of real weeks"

  it "stand in the week from Monday on, whatever day is asked for" do
    answer = ask(:get, "/api/timetable?from=2027-03-14") # a Sunday
    expect(answer.slice("today", "from")).to eq("today" => "2027-03-03", "from" => "2027-03-08")
    expect(answer["days"].map { |one| one["date"] }).to eq(
      (8..14).map { |day| "2027-03-%02d" % day }
    )
    expect(week("2027-03-14")).to contain_exactly(
      include(
        "id" => student,
        "day" => "2027-03-10",
        "time" => "16:30",
        "minutes" => 30,
        "holder" => "Mira Quist",
        "version" => 0,
        "clash" => false
      )
    )
  end

  it "are moved, and the week is planned to the day it is now on; who saw an older state is told" do
    ask(:post, "/api/students/#{student}/week", {})
    moved = change("10", day: "2027-03-11", time: "15:15")
    expect(status).to eq(200)
    expect(moved["clashes"]).to eq([])
    expect(ask(:get, "/api/students/#{student}")["week"]).to include(
      "next_lesson" => "2027-03-11",
      "with_lesson" => true
    )
    expect(week("2027-03-10")).to contain_exactly(
      include(
        "day" => "2027-03-11",
        "planned_on" => "2027-03-10",
        "time" => "15:15",
        "version" => 1
      )
    )
    expect(change("11", day: "2027-03-12")["code"]).to eq("changed_meanwhile")
    expect(status).to eq(409)
    change("11", day: "2027-03-12", version: 1)
    expect(ask(:get, "/api/students/#{student}")["coming"].map { |one| one["day"] }.first(3)).to eq(
      %w[2027-03-03 2027-03-12 2027-03-17]
    )
    expect(change("11", day: "2027-03-09")["code"]).to eq("not_found")
    expect(change("12", day: "2027-02-30", version: 2)["code"]).to eq("date")
  end

  it "say so where the teacher would be in two places at once, and not where one lesson follows the other" do
    other = another(lesson_weekday: 4, lesson_time: "16:45")
    expect(change("10", day: "2027-03-11", time: "16:30")["clashes"]).to contain_exactly(
      /Ilo has a lesson with the same teacher on Thursday, 11 March at 16:45/
    )
    expect(week("2027-03-10").map { |one| one["clash"] }).to eq([true, true])
    expect(change("11", time: "16:15", version: 1)["clashes"]).to eq([])
    # Another teacher's lesson is in nobody's way.
    _, tamsin = member("Tamsin")
    expect(change("11", time: "16:30", teacher_id: tamsin, version: 2)["clashes"]).to eq([])
    expect(change("11", id: other, teacher_id: tamsin)["clashes"].size).to eq(1)
  end

  it "say so where a student's own times meet another's, once they are saved" do
    expect(ask(:get, "/api/students/#{student}")).not_to include("clashes")
    saved = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", lesson_time: "16:45"))
    expect(saved["clashes"]).to eq(
      ["Nell has a lesson with the same teacher on Wednesday, 10 March at 16:30."]
    )
    moved =
      ask(
        :put,
        "/api/students/#{saved["id"]}",
        Requests::STUDENT.merge(
          name: "Ilo",
          lesson_time: "17:00",
          version: 1,
          more_lessons: [{ weekday: 4, time: "16:30", minutes: 30 }]
        )
      )
    expect(moved["clashes"]).to eq([])
  end

  it "are left out and taken back, and made up for once" do
    change("10", left_out: true, why: "a cold")
    expect(week("2027-03-10")).to contain_exactly(include("left_out" => true, "why" => "a cold"))
    expect(ask(:get, "/api/students/#{student}")["week"]["next_lesson"]).to eq("2027-03-17")
    again = {
      key: key.call,
      day: "2027-03-12",
      time: "10:00",
      minutes: 45,
      makes_up_for: "2027-03-10"
    }
    2.times { ask(:post, "/api/students/#{student}/lessons", again) }
    expect(
      week("2027-03-10").map { |one| one.values_at("day", "left_out", "makes_up_for", "minutes") }
    ).to eq([["2027-03-10", true, nil, 30], ["2027-03-12", false, "2027-03-10", 45]])
    expect(ask(:get, "/api/students/#{student}")["week"]["next_lesson"]).to eq("2027-03-12")
    change("10", left_out: false, version: 1)
    expect(ask(:get, "/api/students/#{student}")["week"]["next_lesson"]).to eq("2027-03-10")
  end

  it "are heard where they were moved to, not on their old day" do
    change("10", day: "2027-03-12")
    on(10)
    expect(today).to eq([])
    expect(ask(:get, "/api/today")["next_day"]).to eq("2027-03-12")
    on(12)
    expect(today).to contain_exactly(
      include(
        "id" => student,
        "day" => "2027-03-12",
        "planned_on" => "2027-03-10",
        "finished" => false
      )
    )
    ask(
      :post,
      "/api/students/#{student}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: key.call }
    )
    ask(:post, "/api/students/#{student}/lesson/finish", { send: false })
    expect(
      ask(:get, "/api/students/#{student}")["week"].values_at("planned_from", "next_lesson")
    ).to eq(%w[2027-03-13 2027-03-17])
  end

  it "know who came; one that was missed is not held, and its student goes on to the next" do
    on(10)
    attend = ->(attendance, version) do
      ask(
        :put,
        "/api/students/#{student}/lessons/2027-03-10/attendance",
        { attendance: attendance, version: version }
      )
    end
    attend["late", 0]
    expect(today).to contain_exactly(include("attendance" => "late", "version" => 1))
    attend["missed", 1]
    expect(
      ask(:get, "/api/students/#{student}")["week"].values_at("planned_from", "next_lesson")
    ).to eq(%w[2027-03-10 2027-03-17])
    attend[nil, 2]
    expect(today.first["attendance"]).to be_nil
    expect(
      ask(
        :put,
        "/api/students/#{student}/lessons/2027-03-17/attendance",
        { attendance: "came", version: 0 }
      )[
        "detail"
      ]
    ).to include("Who came is known when the lesson is over")
  end

  it "two a week, of two teachers, are planned from one to the next and stand on each one's day" do
    tamsin, id = member("Tamsin")
    ask(
      :put,
      "/api/students/#{student}",
      Requests::STUDENT.merge(
        version: 1,
        lesson_minutes: 45,
        more_lessons: [{ weekday: 5, time: "15:00", minutes: 20, teacher_id: id }]
      )
    )
    all = ask(:get, "/api/timetable?teachers=all")["days"].flat_map { |one| one["lessons"] }
    expect(all.map { |one| one.values_at("day", "minutes", "holder") }).to eq(
      [["2027-03-03", 45, "Mira Quist"], ["2027-03-05", 20, "Tamsin"]]
    )
    expect(ask(:get, "/api/students/#{student}")["week"]["next_lesson"]).to eq("2027-03-05")
    on(5)
    expect([today, today(tamsin)].map { |all| all.map { |one| one["id"] } }).to eq([[], [student]])
    # A teacher of one of the lessons may change what is theirs to teach.
    ask(:put, "/api/studio/settings", { own_students_only: true })
    tamsin.ask(:post, "/api/students/#{student}/week", {})
    expect(tamsin.status).to eq(200)
    expect(
      ask(
        :put,
        "/api/students/#{student}",
        Requests::STUDENT.merge(
          version: 2,
          more_lessons: [{ weekday: 3, time: "10:00", minutes: 20 }]
        )
      )[
        "field"
      ]
    ).to eq("more_lessons")
    expect(
      ask(
        :put,
        "/api/students/#{student}",
        Requests::STUDENT.merge(
          version: 2,
          more_lessons: [{ weekday: 5, time: "10:00", minutes: 20, teacher_id: 999 }]
        )
      )[
        "code"
      ]
    ).to eq("teacher")
  end

  it "fall out in holidays; where practice goes on weeks are those of the calendar" do
    ask(
      :put,
      "/api/studio/settings",
      { holidays: [{ from: "2027-03-08", to: "2027-04-30", practice: true }] }
    )
    TestApp.work_on_jobs
    expect(ask(:get, "/api/timetable?from=2027-03-10")["days"].map { |one| one["holiday"] }).to all(
      be(true)
    )
    expect(week("2027-03-10")).to eq([])
    shown = ask(:get, "/api/students/#{student}")
    expect(shown["week"].slice("next_lesson", "with_lesson")).to eq(
      "next_lesson" => "2027-03-08",
      "with_lesson" => false
    )
    on(9)
    sheet = ask(:get, sheet_of(shown))
    expect(sheet["over"]).to be(false)
    expect(sheet["days"].map { |one| one["date"] }).to eq(
      %w[2027-03-11 2027-03-12 2027-03-13 2027-03-14]
    )
    # Tapped it is kept, and a day later it is the same week.
    on(11)
    item = ask(:get, sheet_of(shown))["days"].first["items"].first
    expect(tap(sheet_of(shown), item)["days"].first["items"].first["done"]).to eq(1)
    TestApp.work_on_jobs
    kept = TestApp::OWNER[:week_plans].reverse(:id).first
    expect([kept[:starts], kept[:next_lesson], JSON.parse(kept[:plan])["with_lesson"]]).to eq(
      [Date.new(2027, 3, 11), Date.new(2027, 3, 15), false]
    )
    on(12)
    expect(ask(:get, sheet_of(shown))["days"].map { |one| one["date"] }).to eq(
      %w[2027-03-11 2027-03-12 2027-03-13 2027-03-14]
    )
    expect(ask(:get, sheet_of(shown))["next_lesson"]).to eq("2027-05-05")
    get "/api/students/#{student}/week.pdf"
    expect(PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join).to include(
      "11 March"
    )
  end

  it "are opened again after they were finished, and a result of last week is corrected" do
    ask(
      :post,
      "/api/students/#{student}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: key.call }
    )
    expect(ask(:post, "/api/students/#{student}/lesson/reopen", {})["code"]).to eq("not_found")
    ask(:post, "/api/students/#{student}/lesson/finish", { send: false })
    expect(ask(:post, "/api/students/#{student}/lesson/reopen", {})["lesson"]).to include(
      "finished" => false,
      "recap" => start_with("Dear Nell")
    )
    ask(:post, "/api/students/#{student}/lesson/finish", { send: false })
    on(10)
    told =
      ask(
        :post,
        "/api/students/#{student}/results",
        {
          assignment_id: 1,
          step_id: "A.right",
          result: "not_yet",
          key: key.call,
          day: "2027-03-03"
        }
      )
    expect(told["changed"]).not_to be_empty
    expect(ask(:get, "/api/students/#{student}")["lessons"].first["heard"]).to contain_exactly(
      include("step_id" => "A.right", "result" => "not_yet", "title" => "A, right hand")
    )
    expect(
      ask(
        :post,
        "/api/students/#{student}/results",
        { assignment_id: 1, step_id: "A.right", result: "steady", key: key.call, day: "2027-03-04" }
      )[
        "code"
      ]
    ).to eq("not_found")
  end

  it "of a student who pauses are none; on going on its days are absences" do
    link = sheet_of(ask(:get, "/api/students/#{student}"))
    ask(:post, "/api/students/#{student}/pause", {})
    expect([week, ask(:get, link)["paused"], ask(:get, "/api/students").first["paused_on"]]).to eq(
      [[], true, "2027-03-03"]
    )
    expect(ask(:get, "/api/students/#{student}")["coming"]).to eq([])
    on(12)
    on_again = ask(:post, "/api/students/#{student}/go-on", {})
    expect(on_again.slice("paused_on", "absent")).to eq(
      "paused_on" => nil,
      "absent" => [{ "from" => "2027-03-03", "to" => "2027-03-11" }]
    )
    expect(on_again["week"].values_at("planned_from", "next_lesson")).to eq(
      %w[2027-03-12 2027-03-17]
    )
    expect(ask(:get, link)["paused"]).to be(false)
  end
end
