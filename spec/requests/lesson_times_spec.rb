# frozen_string_literal: true

require_relative "../spec_helper"
require "pdf-reader"

# Lessons of real weeks: moved, left out, made up for, held by another; who came; what a
# stand-in needs, and what one finds on return. Today is Wednesday, 3 March 2027.
RSpec.describe "Lessons of the week" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece["id"]
  end
  let(:key) { -> { SecureRandom.uuid } }

  def member(name, role: "teacher")
    id = Stairwell::Server::Auth.add_account(TestApp.store.db, email: "#{name.downcase}@quay.example", name: name, password: TestApp::PASSWORD)
    TestApp::OWNER[:memberships].insert(studio_id: studio[:studio_id], account_id: id, role: role)
    Class.new { include Requests }.new.then { |one| one.sign_in(email: "#{name.downcase}@quay.example") && [one, id] }
  end

  def on(day) = TestApp.now = Time.utc(2027, 3, day, 12)

  def change(day, id: student, version: 0, **said) = ask(:put, "/api/students/#{id}/lessons/2027-03-#{day}", {version: version, **said})

  def week(from = nil, who = self) = who.ask(:get, "/api/timetable#{"?from=#{from}" if from}")["days"].flat_map { |one| one["lessons"] }

  def today(who = self) = who.ask(:get, "/api/today")["lessons"]

  def another(**said) = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", **said))["id"]

  it "stand in the week from Monday on, whatever day is asked for" do
    answer = ask(:get, "/api/timetable?from=2027-03-14") # a Sunday
    expect(answer.slice("today", "from")).to eq("today" => "2027-03-03", "from" => "2027-03-08")
    expect(answer["days"].map { |one| one["date"] }).to eq((8..14).map { |day| "2027-03-%02d" % day })
    expect(week("2027-03-14")).to contain_exactly(include("id" => student, "day" => "2027-03-10", "time" => "16:30", "minutes" => 30, "holder" => "Mira Quist", "version" => 0, "clash" => false))
  end

  it "are moved, and the week is planned to the day it is now on; who saw an older state is told" do
    ask(:post, "/api/students/#{student}/week", {})
    moved = change("10", day: "2027-03-11", time: "15:15")
    expect(status).to eq(200)
    expect(moved["clashes"]).to eq([])
    expect(ask(:get, "/api/students/#{student}")["week"]).to include("next_lesson" => "2027-03-11", "with_lesson" => true)
    expect(week("2027-03-10")).to contain_exactly(include("day" => "2027-03-11", "planned_on" => "2027-03-10", "time" => "15:15", "version" => 1))
    expect(change("11", day: "2027-03-12")["code"]).to eq("changed_meanwhile")
    expect(status).to eq(409)
    change("11", day: "2027-03-12", version: 1)
    expect(ask(:get, "/api/students/#{student}")["coming"].map { |one| one["day"] }.first(3)).to eq(%w[2027-03-03 2027-03-12 2027-03-17])
    expect(change("11", day: "2027-03-09")["code"]).to eq("not_found")
    expect(change("12", day: "2027-02-30", version: 2)["code"]).to eq("date")
  end

  it "say so where the teacher would be in two places at once, and not where one lesson follows the other" do
    other = another(lesson_weekday: 4, lesson_time: "16:45")
    expect(change("10", day: "2027-03-11", time: "16:30")["clashes"]).to contain_exactly(/Ilo has a lesson with the same teacher on Thursday, 11 March at 16:45/)
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
    expect(saved["clashes"]).to eq(["Nell has a lesson with the same teacher on Wednesday, 10 March at 16:30."])
    moved = ask(:put, "/api/students/#{saved["id"]}", Requests::STUDENT.merge(name: "Ilo", lesson_time: "17:00", version: 1, more_lessons: [{weekday: 4, time: "16:30", minutes: 30}]))
    expect(moved["clashes"]).to eq([])
  end

  it "are left out and taken back, and made up for once" do
    change("10", left_out: true, why: "a cold")
    expect(week("2027-03-10")).to contain_exactly(include("left_out" => true, "why" => "a cold"))
    expect(ask(:get, "/api/students/#{student}")["week"]["next_lesson"]).to eq("2027-03-17")
    again = {key: key.call, day: "2027-03-12", time: "10:00", minutes: 45, makes_up_for: "2027-03-10"}
    2.times { ask(:post, "/api/students/#{student}/lessons", again) }
    expect(week("2027-03-10").map { |one| one.values_at("day", "left_out", "makes_up_for", "minutes") }).to eq([["2027-03-10", true, nil, 30], ["2027-03-12", false, "2027-03-10", 45]])
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
    expect(today).to contain_exactly(include("id" => student, "day" => "2027-03-12", "planned_on" => "2027-03-10", "finished" => false))
    ask(:post, "/api/students/#{student}/results", {assignment_id: 1, step_id: "A.right", result: "steady", key: key.call})
    ask(:post, "/api/students/#{student}/lesson/finish", {send: false})
    expect(ask(:get, "/api/students/#{student}")["week"].values_at("planned_from", "next_lesson")).to eq(%w[2027-03-13 2027-03-17])
  end

  it "know who came; one that was missed is not held, and its student goes on to the next" do
    on(10)
    attend = ->(attendance, version) { ask(:put, "/api/students/#{student}/lessons/2027-03-10/attendance", {attendance: attendance, version: version}) }
    attend["late", 0]
    expect(today).to contain_exactly(include("attendance" => "late", "version" => 1))
    attend["missed", 1]
    expect(ask(:get, "/api/students/#{student}")["week"].values_at("planned_from", "next_lesson")).to eq(%w[2027-03-10 2027-03-17])
    attend[nil, 2]
    expect(today.first["attendance"]).to be_nil
    expect(ask(:put, "/api/students/#{student}/lessons/2027-03-17/attendance", {attendance: "came", version: 0})["detail"]).to include("Who came is known when the lesson is over")
  end

  it "two a week, of two teachers, are planned from one to the next and stand on each one's day" do
    tamsin, id = member("Tamsin")
    ask(:put, "/api/students/#{student}", Requests::STUDENT.merge(version: 1, lesson_minutes: 45, more_lessons: [{weekday: 5, time: "15:00", minutes: 20, teacher_id: id}]))
    all = ask(:get, "/api/timetable?teachers=all")["days"].flat_map { |one| one["lessons"] }
    expect(all.map { |one| one.values_at("day", "minutes", "holder") }).to eq([["2027-03-03", 45, "Mira Quist"], ["2027-03-05", 20, "Tamsin"]])
    expect(ask(:get, "/api/students/#{student}")["week"]["next_lesson"]).to eq("2027-03-05")
    on(5)
    expect([today, today(tamsin)].map { |all| all.map { |one| one["id"] } }).to eq([[], [student]])
    # A teacher of one of the lessons may change what is theirs to teach.
    ask(:put, "/api/studio/settings", {own_students_only: true})
    tamsin.ask(:post, "/api/students/#{student}/week", {})
    expect(tamsin.status).to eq(200)
    expect(ask(:put, "/api/students/#{student}", Requests::STUDENT.merge(version: 2, more_lessons: [{weekday: 3, time: "10:00", minutes: 20}]))["field"]).to eq("more_lessons")
    expect(ask(:put, "/api/students/#{student}", Requests::STUDENT.merge(version: 2, more_lessons: [{weekday: 5, time: "10:00", minutes: 20, teacher_id: 999}]))["code"]).to eq("teacher")
  end

  it "fall out in holidays; where practice goes on weeks are those of the calendar" do
    ask(:put, "/api/studio/settings", {holidays: [{from: "2027-03-08", to: "2027-04-30", practice: true}]})
    TestApp.work_on_jobs
    expect(ask(:get, "/api/timetable?from=2027-03-10")["days"].map { |one| one["holiday"] }).to all(be(true))
    expect(week("2027-03-10")).to eq([])
    shown = ask(:get, "/api/students/#{student}")
    expect(shown["week"].slice("next_lesson", "with_lesson")).to eq("next_lesson" => "2027-03-08", "with_lesson" => false)
    on(9)
    sheet = ask(:get, sheet_of(shown))
    expect(sheet["over"]).to be(false)
    expect(sheet["days"].map { |one| one["date"] }).to eq(%w[2027-03-11 2027-03-12 2027-03-13 2027-03-14])
    # Tapped it is kept, and a day later it is the same week.
    on(11)
    item = ask(:get, sheet_of(shown))["days"].first["items"].first
    expect(tap(sheet_of(shown), item)["days"].first["items"].first["done"]).to eq(1)
    TestApp.work_on_jobs
    kept = TestApp::OWNER[:week_plans].reverse(:id).first
    expect([kept[:starts], kept[:next_lesson], JSON.parse(kept[:plan])["with_lesson"]]).to eq([Date.new(2027, 3, 11), Date.new(2027, 3, 15), false])
    on(12)
    expect(ask(:get, sheet_of(shown))["days"].map { |one| one["date"] }).to eq(%w[2027-03-11 2027-03-12 2027-03-13 2027-03-14])
    expect(ask(:get, sheet_of(shown))["next_lesson"]).to eq("2027-05-05")
    get "/api/students/#{student}/week.pdf"
    expect(PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join).to include("11 March")
  end

  describe "of a teacher who is away" do
    let!(:tamsin) { member("Tamsin") }
    let(:away) { {key: key.call, away_id: studio[:account_id], cover_id: tamsin.last, first_day: "2027-03-08", last_day: "2027-03-14"} }

    it "are another's for these days, whoever hands or takes them" do
      tamsin.first.ask(:post, "/api/covers", away)
      expect(tamsin.first.status).to eq(201)
      expect(week("2027-03-10", tamsin.first)).to contain_exactly(include("id" => student, "holder" => "Tamsin", "teacher" => "Mira Quist"))
      expect(ask(:get, "/api/timetable?from=2027-03-10")["covers"]).to contain_exactly(include("away" => "Mira Quist", "cover" => "Tamsin", "first_day" => "2027-03-08", "last_day" => "2027-03-14"))
      on(10)
      expect([today, today(tamsin.first)].map { |all| all.map { |one| one.values_at("id", "holder") } }).to eq([[[student, "Tamsin"]], [[student, "Tamsin"]]])
      on(17)
      expect([today, today(tamsin.first)].map { |all| all.map { |one| one["holder"] } }).to eq([["Mira Quist"], ["Mira Quist"]])
    end

    it "may be changed by who stands in, on these days and no others, where each changes their own" do
      ask(:put, "/api/studio/settings", {own_students_only: true})
      ask(:post, "/api/covers", away)
      allowed = lambda do
        tamsin.first.ask(:post, "/api/students/#{student}/week", {})
        tamsin.first.status == 200
      end
      found = [3, 8, 14, 15].to_h { |day| [day, on(day) && allowed.call] }
      expect(found).to eq(3 => false, 8 => true, 14 => true, 15 => false)
    end

    it "are not handed twice, to oneself, to who is away, for longer than a term, nor by a third" do
      ask(:post, "/api/covers", away)
      ask(:post, "/api/covers", away) # sent again
      expect(ask(:get, "/api/covers").size).to eq(1)
      odo, odo_id = member("Odo")
      codes = [
        away.merge(key: key.call), away.merge(key: key.call, cover_id: studio[:account_id]), away.merge(key: key.call, away_id: tamsin.last, cover_id: studio[:account_id]),
        away.merge(key: key.call, first_day: "2027-05-01", last_day: "2027-04-30"), away.merge(key: key.call, first_day: "2027-05-01", last_day: "2027-12-30"), away.merge(key: key.call, cover_id: 999)
      ].map { |body| ask(:post, "/api/covers", body)["code"] }
      expect(codes).to eq(%w[cover cover cover cover cover teacher])
      later = {first_day: "2027-06-01", last_day: "2027-06-02"}
      expect(odo.ask(:post, "/api/covers", away.merge(key: key.call, **later))["code"]).to eq("not_allowed")
      expect(odo.ask(:post, "/api/covers", away.merge(key: key.call, cover_id: odo_id, **later)).size).to eq(2)
      expect(odo.ask(:delete, "/api/covers/1", {})["code"]).to eq("not_allowed")
      expect(ask(:delete, "/api/covers/1", {}).size).to eq(1)
      expect(ask(:delete, "/api/covers/1", {})["code"]).to eq("not_found")
    end

    it "are prepared for on one page, heard under the other's name, and looked through on return" do
      ask(:put, "/api/pieces/1/script", {script: "finger 1 right: 3\n", revision: 0, for: "teacher"})
      ask(:post, "/api/students/#{student}/lesson/finish", {send: false})
      ask(:post, "/api/covers", away)
      on(10)
      page = tamsin.first.ask(:get, "/api/students/#{student}/stand-in")
      expect(page["last"]).to include("day" => "2027-03-03", "by" => "Mira Quist", "recap" => start_with("Dear Nell"))
      expect(page["pieces"].first).to include("title" => "The Lock Gate", "changes" => [{"whose" => "teacher", "lines" => ["finger 1 right: 3"]}])
      expect(page["pieces"].first["sections"].map { |one| one["name"] }).to eq(%w[A A1 B])
      expect(page["hear_first"]).to include("piece" => "The Lock Gate")
      expect(page["cautions"]).not_to eq([])
      tamsin.first.ask(:post, "/api/students/#{student}/results", {assignment_id: 1, step_id: "A.right", result: "steady", key: key.call, note: "sings along"})
      tamsin.first.ask(:put, "/api/students/#{student}/lesson", {recap: "Dear Nell, well done", notes: "tired", version: 0})
      tamsin.first.ask(:post, "/api/students/#{student}/lesson/finish", {send: false})
      expect(tamsin.first.ask(:get, "/api/while-away")).to eq([])
      on(15)
      expect(ask(:get, "/api/today")["unseen"]).to eq(1)
      expect(ask(:get, "/api/while-away")).to contain_exactly(
        "student_id" => student, "name" => "Nell", "giver" => "Tamsin", "day" => "2027-03-10", "recap" => "Dear Nell, well done", "notes" => "tired",
        "results" => [{"assignment_id" => 1, "step_id" => "A.right", "title" => "A, right hand", "piece" => "The Lock Gate", "result" => "steady", "note" => "sings along"}]
      )
      expect(ask(:put, "/api/students/#{student}/lessons/2027-03-10/looked-through", {})).to eq([])
      expect(ask(:get, "/api/today")["unseen"]).to eq(0)
    end

    it "go to whoever takes the students over when the teacher leaves, and stay under the name" do
      ask(:put, "/api/students/#{student}", Requests::STUDENT.merge(version: 1, more_lessons: [{weekday: 5, time: "15:00", minutes: 20, teacher_id: tamsin.last}]))
      change("10", teacher_id: tamsin.last)
      expect(ask(:post, "/api/people/#{tamsin.last}/leave", {})["code"]).to eq("has_students")
      ask(:post, "/api/people/#{tamsin.last}/leave", {to: studio[:account_id]})
      expect(status).to eq(200)
      expect(week("2027-03-10").map { |one| one.values_at("day", "holder") }).to eq([["2027-03-10", "Mira Quist"], ["2027-03-12", "Mira Quist"]])
    end
  end

  it "are opened again after they were finished, and a result of last week is corrected" do
    ask(:post, "/api/students/#{student}/results", {assignment_id: 1, step_id: "A.right", result: "steady", key: key.call})
    expect(ask(:post, "/api/students/#{student}/lesson/reopen", {})["code"]).to eq("not_found")
    ask(:post, "/api/students/#{student}/lesson/finish", {send: false})
    expect(ask(:post, "/api/students/#{student}/lesson/reopen", {})["lesson"]).to include("finished" => false, "recap" => start_with("Dear Nell"))
    ask(:post, "/api/students/#{student}/lesson/finish", {send: false})
    on(10)
    told = ask(:post, "/api/students/#{student}/results", {assignment_id: 1, step_id: "A.right", result: "not_yet", key: key.call, day: "2027-03-03"})
    expect(told["changed"]).to include(/A, right hand/)
    expect(ask(:get, "/api/students/#{student}")["lessons"].first["heard"]).to contain_exactly(include("step_id" => "A.right", "result" => "not_yet", "title" => "A, right hand"))
    expect(ask(:post, "/api/students/#{student}/results", {assignment_id: 1, step_id: "A.right", result: "steady", key: key.call, day: "2027-03-04"})["code"]).to eq("not_found")
  end

  it "of a student who pauses are none; on going on its days are absences" do
    link = sheet_of(ask(:get, "/api/students/#{student}"))
    ask(:post, "/api/students/#{student}/pause", {})
    expect([week, ask(:get, link)["paused"], ask(:get, "/api/students").first["paused_on"]]).to eq([[], true, "2027-03-03"])
    expect(ask(:get, "/api/students/#{student}")["coming"]).to eq([])
    on(12)
    on_again = ask(:post, "/api/students/#{student}/go-on", {})
    expect(on_again.slice("paused_on", "absent")).to eq("paused_on" => nil, "absent" => [{"from" => "2027-03-03", "to" => "2027-03-11"}])
    expect(on_again["week"].values_at("planned_from", "next_lesson")).to eq(%w[2027-03-12 2027-03-17])
    expect(ask(:get, link)["paused"]).to be(false)
  end
end
