# frozen_string_literal: true

require_relative "../spec_helper"
require_relative "../support/weeks"

# Another teacher stands in: what they need, and what one finds on return.
RSpec.describe "Lessons" do
  include_context "lessons of real weeks"

  describe "of a teacher who is away" do
    let!(:tamsin) { member("Tamsin") }
    let(:away) do
      {
        key: key.call,
        away_id: studio[:account_id],
        cover_id: tamsin.last,
        first_day: "2027-03-08",
        last_day: "2027-03-14"
      }
    end

    it "are another's for these days, whoever hands or takes them" do
      tamsin.first.ask(:post, "/api/covers", away)
      expect(tamsin.first.status).to eq(201)
      expect(week("2027-03-10", tamsin.first)).to contain_exactly(
        include("id" => student, "holder" => "Tamsin", "teacher" => "Mira Quist")
      )
      expect(ask(:get, "/api/timetable?from=2027-03-10")["covers"]).to contain_exactly(
        include(
          "away" => "Mira Quist",
          "cover" => "Tamsin",
          "first_day" => "2027-03-08",
          "last_day" => "2027-03-14"
        )
      )
      on(10)
      expect(
        [today, today(tamsin.first)].map { |all| all.map { |one| one.values_at("id", "holder") } }
      ).to eq([[[student, "Tamsin"]], [[student, "Tamsin"]]])
      on(17)
      expect([today, today(tamsin.first)].map { |all| all.map { |one| one["holder"] } }).to eq(
        [["Mira Quist"], ["Mira Quist"]]
      )
    end

    it "may be changed by who stands in, on these days and no others, where each changes their own" do
      ask(:put, "/api/studio/settings", { own_students_only: true })
      ask(:post, "/api/covers", away)
      allowed =
        lambda do
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
      codes =
        [
          away.merge(key: key.call),
          away.merge(key: key.call, cover_id: studio[:account_id]),
          away.merge(key: key.call, away_id: tamsin.last, cover_id: studio[:account_id]),
          away.merge(key: key.call, first_day: "2027-05-01", last_day: "2027-04-30"),
          away.merge(key: key.call, first_day: "2027-05-01", last_day: "2027-12-30"),
          away.merge(key: key.call, cover_id: 999)
        ].map { |body| ask(:post, "/api/covers", body)["code"] }
      expect(codes).to eq(%w[cover cover cover cover cover teacher])
      later = { first_day: "2027-06-01", last_day: "2027-06-02" }
      expect(odo.ask(:post, "/api/covers", away.merge(key: key.call, **later))["code"]).to eq(
        "not_allowed"
      )
      expect(
        odo.ask(:post, "/api/covers", away.merge(key: key.call, cover_id: odo_id, **later)).size
      ).to eq(2)
      expect(odo.ask(:delete, "/api/covers/1", {})["code"]).to eq("not_allowed")
      expect(ask(:delete, "/api/covers/1", {}).size).to eq(1)
      expect(ask(:delete, "/api/covers/1", {})["code"]).to eq("not_found")
    end

    it "are prepared for on one page, heard under the other's name, and looked through on return" do
      ask(
        :put,
        "/api/pieces/1/script",
        { script: "finger 1 right: 3\n", revision: 0, for: "teacher" }
      )
      ask(:post, "/api/students/#{student}/lesson/finish", { send: false })
      ask(:post, "/api/covers", away)
      on(10)
      page = tamsin.first.ask(:get, "/api/students/#{student}/stand-in")
      expect(page["last"]).to include(
        "day" => "2027-03-03",
        "by" => "Mira Quist",
        "recap" => start_with("Dear Nell")
      )
      expect(page["pieces"].first).to include(
        "title" => "The Lock Gate",
        "changes" => [{ "whose" => "teacher", "lines" => ["finger 1 right: 3"] }]
      )
      expect(page["pieces"].first["sections"].map { |one| one["name"] }).to eq(%w[A A1 B])
      expect(page["hear_first"]).to include("piece" => "The Lock Gate")
      expect(page["cautions"]).not_to eq([])
      tamsin.first.ask(
        :post,
        "/api/students/#{student}/results",
        {
          assignment_id: 1,
          step_id: "A.right",
          result: "steady",
          key: key.call,
          note: "sings along"
        }
      )
      tamsin.first.ask(
        :put,
        "/api/students/#{student}/lesson",
        { recap: "Dear Nell, well done", notes: "tired", version: 0 }
      )
      tamsin.first.ask(:post, "/api/students/#{student}/lesson/finish", { send: false })
      expect(tamsin.first.ask(:get, "/api/while-away")).to eq([])
      on(15)
      expect(ask(:get, "/api/today")["unseen"]).to eq(1)
      expect(ask(:get, "/api/while-away")).to contain_exactly(
        "student_id" => student,
        "name" => "Nell",
        "giver" => "Tamsin",
        "day" => "2027-03-10",
        "recap" => "Dear Nell, well done",
        "notes" => "tired",
        "results" => [
          {
            "assignment_id" => 1,
            "step_id" => "A.right",
            "title" => "A, right hand",
            "piece" => "The Lock Gate",
            "result" => "steady",
            "note" => "sings along"
          }
        ]
      )
      expect(ask(:put, "/api/students/#{student}/lessons/2027-03-10/looked-through", {})).to eq([])
      expect(ask(:get, "/api/today")["unseen"]).to eq(0)
    end

    it "go to whoever takes the students over when the teacher leaves, and stay under the name" do
      ask(
        :put,
        "/api/students/#{student}",
        Requests::STUDENT.merge(
          version: 1,
          more_lessons: [{ weekday: 5, time: "15:00", minutes: 20, teacher_id: tamsin.last }]
        )
      )
      change("10", teacher_id: tamsin.last)
      expect(ask(:post, "/api/people/#{tamsin.last}/leave", {})["code"]).to eq("has_students")
      ask(:post, "/api/people/#{tamsin.last}/leave", { to: studio[:account_id] })
      expect(status).to eq(200)
      expect(week("2027-03-10").map { |one| one.values_at("day", "holder") }).to eq(
        [["2027-03-10", "Mira Quist"], ["2027-03-12", "Mira Quist"]]
      )
    end
  end
end
