# frozen_string_literal: true

require_relative "../spec_helper"
require_relative "../../core/spec/support/ical_js"

# Students out of a list, the people around them, and calendars they can subscribe to.
RSpec.describe "Around a student" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece["id"]
  end

  def change(**said) =
    ask(
      :put,
      "/api/students/#{student}",
      Requests::STUDENT.merge(version: ask(:get, "/api/students/#{student}")["version"], **said)
    )

  describe "a list" do
    let(:text) do
      "name,day,time,minutes,email\nIlo,Monday,16:00,15,ilo@quay.example\nOdo,Someday,17:00,15,\nAva,Tue,9:30,25,\n"
    end

    it "is shown before anything is added, with each bad line named" do
      read = ask(:post, "/api/students/read", { text: text })
      expect(read["columns"]).to eq(
        ["name", "lesson day", "lesson time", "minutes of practice", "email"]
      )
      expect(read["lines"].map { |line| line.values_at("line", "name", "troubles") }).to eq(
        [[2, "Ilo", []], [3, "Odo", ["“Someday” is no day of the week."]], [4, "Ava", []]]
      )
      expect(ask(:get, "/api/students").size).to eq(1)
      expect(ask(:post, "/api/students/read", { text: "x" })).to include("code" => "columns")
      expect(status).to eq(422)
    end

    it "is added as it was shown, once, however often it is sent, and all of it or nothing" do
      good =
        ask(:post, "/api/students/read", { text: text })["lines"].filter_map do |line|
          line["student"]&.merge("key" => SecureRandom.uuid)
        end
      2.times { ask(:post, "/api/students/list", { students: good }) }
      expect(status).to eq(201)
      expect(
        ask(:get, "/api/students").map do |one|
          one.values_at(
            "name",
            "lesson_weekday",
            "lesson_time",
            "minutes_a_day",
            "email",
            "teacher"
          )
        end
      ).to contain_exactly(
        ["Nell", 3, "16:30", 20, nil, "Mira Quist"],
        ["Ilo", 1, "16:00", 15, "ilo@quay.example", "Mira Quist"],
        ["Ava", 2, "09:30", 25, nil, "Mira Quist"]
      )
      bad = [
        good.first.merge("key" => SecureRandom.uuid, "name" => "Uma"),
        good.last.merge("key" => SecureRandom.uuid, "teacher_id" => 999)
      ]
      expect(ask(:post, "/api/students/list", { students: bad })["code"]).to eq("teacher")
      expect(ask(:get, "/api/students").map { |one| one["name"] }).not_to include("Uma")
      expect(
        ask(:post, "/api/students/list", { students: [good.first.except("key")] })["code"]
      ).not_to be_nil
      expect(status).to eq(400)
    end
  end

  describe "contact persons" do
    let(:contacts) do
      [
        { name: "Pia", email: "pia@quay.example", locale: "en-GB" },
        { name: "Tom", email: "tom@quay.example", locale: "en-US" },
        { name: "Pia again", email: "PIA@quay.example" }
      ]
    end

    it "get the recap each in their own words, each address once" do
      expect(change(email: "nell@quay.example", contacts: contacts)["contacts"].size).to eq(3)
      ask(:post, "/api/students/#{student}/lesson/finish", { send: true })
      mails = ask(:get, "/api/outbox").to_h { |mail| mail.values_at("recipient", "body") }
      expect(mails.keys).to contain_exactly(
        "nell@quay.example",
        "pia@quay.example",
        "tom@quay.example"
      )
      expect(mails["pia@quay.example"]).to include("Wednesday, 10 March")
      expect(mails["tom@quay.example"]).to include("Wednesday, March 10")
      expect(mails["nell@quay.example"]).to include("Wednesday, 10 March")
    end

    it "get the teacher's own words as they were typed; without any address nothing is sent" do
      expect(ask(:post, "/api/students/#{student}/lesson/finish", { send: true })["code"]).to eq(
        "no_address"
      )
      change(contacts: contacts.last(2))
      ask(
        :put,
        "/api/students/#{student}/lesson",
        { recap: "Four bars went well.", notes: "", version: 0 }
      )
      ask(:post, "/api/students/#{student}/lesson/finish", { send: true })
      expect(ask(:get, "/api/outbox").map { |mail| mail["body"] }).to contain_exactly(
        start_with("Four bars went well."),
        start_with("Four bars went well.")
      )
    end

    it "are refused with an address that is none" do
      change(contacts: [{ name: "Pia", email: "at home" }])
      expect(status).to eq(400)
    end
  end

  describe "brothers and sisters" do
    let!(:brother) do
      ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", lesson_time: "17:00"))["id"]
    end

    it "stand on each other's sheets, as long as their links are in force" do
      ask(:post, "/api/students/#{brother}/link", {})
      expect(ask(:put, "/api/students/#{student}/family", { with: brother })["family"]).to eq(
        [{ "id" => brother, "name" => "Ilo" }]
      )
      sheets = [student, brother].to_h { |id| [id, sheet_of(ask(:get, "/api/students/#{id}"))] }
      clear_cookies
      family = ask(:get, sheets[student])["family"]
      expect(family.map { |one| one["name"] }).to eq(["Ilo"])
      expect(ask(:get, family.first["path"].sub("/s/", "/api/sheet/"))).to include(
        "student" => "Ilo",
        "family" => [include("name" => "Nell")]
      )
      sign_in
      # A sheet that was asked for before says so too.
      ask(:delete, "/api/students/#{brother}/link")
      expect(ask(:get, sheets[student])["family"]).to eq([])
      ask(:put, "/api/students/#{student}/family", { with: nil })
      expect(ask(:get, "/api/students/#{brother}")["family"]).to eq([])
      expect(ask(:put, "/api/students/#{student}/family", { with: student })["code"]).to eq(
        "family"
      )
    end

    it "may be three" do
      sister =
        ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ava", lesson_time: "18:00"))[
          "id"
        ]
      ask(:put, "/api/students/#{student}/family", { with: brother })
      expect(
        ask(:put, "/api/students/#{sister}/family", { with: brother })["family"].map do |one|
          one["name"]
        end
      ).to eq(%w[Ilo Nell])
    end
  end

  describe "a calendar" do
    def read(path)
      get path
      last_response.ok? ? IcalJs.read(last_response.body) : last_response.status
    end

    it "tells a teacher's lessons behind a private link, with what was moved, left out and handed on, under a name that stays" do
      path = ask(:post, "/api/calendar", {})["path"]
      before = read(path).find { |one| one["local"].start_with?("2027-03-10") }
      expect(before).to include(
        "local" => "2027-03-10T16:30:00",
        "zone" => "Europe/Lisbon",
        "summary" => "Lesson: Nell",
        "status" => "CONFIRMED",
        "sequence" => 0
      )
      ask(
        :put,
        "/api/students/#{student}/lessons/2027-03-10",
        { version: 0, day: "2027-03-11", time: "09:00" }
      )
      ask(:put, "/api/students/#{student}/lessons/2027-03-17", { version: 0, left_out: true })
      after = read(path)
      expect(after.find { |one| one["uid"] == before["uid"] }).to include(
        "local" => "2027-03-11T09:00:00",
        "sequence" => 1
      )
      expect(after.find { |one| one["local"].start_with?("2027-03-17") }["status"]).to eq(
        "CANCELLED"
      )
      expect(after.map { |one| one["uid"] }.uniq.size).to eq(after.size)
      # Over the change of clocks on 28 March the lesson stays at its hour.
      expect(
        after
          .select { |one| one["local"].match?(/2027-03-24|2027-03-31/) }
          .map { |one| one["utc"][11, 5] }
      ).to eq(%w[16:30 15:30])
      expect(last_response.headers.values_at("content-type", "cache-control")).to eq(
        ["text/calendar; charset=utf-8", "no-store"]
      )
    end

    it "tells lessons that are held for another as one's own, and one's own that another holds as cancelled" do
      other =
        Stairwell::Server::Auth.add_account(
          TestApp.store.db,
          email: "ida@quay.example",
          name: "Ida",
          password: TestApp::PASSWORD
        )
      TestApp::OWNER[:memberships].insert(
        studio_id: studio[:studio_id],
        account_id: other,
        role: "teacher"
      )
      ida =
        Class
          .new { include Requests }
          .new
          .then { |one| one.sign_in(email: "ida@quay.example") && one }
      paths = [self, ida].map { |one| one.ask(:post, "/api/calendar", {})["path"] }
      expect(paths.map { |path| read(path).size.positive? }).to eq([true, false])
      ida.ask(
        :post,
        "/api/covers",
        {
          key: SecureRandom.uuid,
          away_id: studio[:account_id],
          cover_id: other,
          first_day: "2027-03-10",
          last_day: "2027-03-11"
        }
      )
      ask(:put, "/api/students/#{student}/lessons/2027-03-24", { version: 0, teacher_id: other })
      told =
        paths.map do |path|
          read(path)
            .to_h { |one| [one["local"][0, 10], one["status"]] }
            .slice("2027-03-10", "2027-03-17", "2027-03-24")
        end
      expect(told).to eq(
        [
          { "2027-03-10" => "CANCELLED", "2027-03-17" => "CONFIRMED" },
          { "2027-03-10" => "CONFIRMED", "2027-03-24" => "CONFIRMED" }
        ]
      )
    end

    it "is gone when the link is withdrawn or renewed, when it is another's, and when its owner has left" do
      path = ask(:post, "/api/calendar", {})["path"]
      expect(read(path.sub(/.\z/) { |last| (last == "0") ? "1" : "0" })).to eq(404)
      fresh = ask(:post, "/api/calendar", {})["path"]
      expect([read(path), read(fresh).size.positive?]).to eq([404, true])
      # A sheet's link opens no calendar.
      expect(
        read(ask(:get, "/api/students/#{student}")["sheet_path"].sub("/s/", "/api/calendars/"))
      ).to eq(404)
      ask(:delete, "/api/calendar", {})
      expect([read(fresh), ask(:get, "/api/calendar")["path"]]).to eq([404, nil])
      own = ask(:post, "/api/students/#{student}/calendar", {})["calendar_path"]
      expect(read(own)).not_to eq([])
      ask(:post, "/api/students/#{student}/leave", {})
      expect(read(own)).to eq(404)
    end

    it "tells a family their own lessons and nobody else's, in their language" do
      brother =
        ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", lesson_time: "17:00"))[
          "id"
        ]
      ask(:post, "/api/students", Requests::STUDENT.merge(name: "Odo", lesson_time: "18:00"))
      path = ask(:post, "/api/students/#{student}/calendar", {})["calendar_path"]
      expect(read(path).map { |one| one["summary"] }.uniq).to eq(["Nell: lesson with Mira Quist"])
      # Brothers and sisters stand in one.
      ask(:put, "/api/students/#{student}/family", { with: brother })
      clear_cookies
      expect(read(path).map { |one| one["summary"] }.uniq).to contain_exactly(
        "Nell: lesson with Mira Quist",
        "Ilo: lesson with Mira Quist"
      )
    end
  end

  describe "holidays" do
    def read(text)
      header("X-CSRF-Token", @csrf)
      header("Content-Type", "application/octet-stream")
      custom_request("POST", "/api/studio/holidays", {}, input: text)
      JSON.parse(last_response.body)
    end

    it "come out of a calendar file, in a process of its own, and are saved with the settings" do
      text =
        "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20270405\r\nDTEND;VALUE=DATE:20270417\r\nSUMMARY:Spring\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n"
      found = read(text)
      expect(found).to eq(
        "holidays" => [{ "from" => "2027-04-05", "to" => "2027-04-16", "name" => "Spring" }],
        "passed_over" => 0
      )
      ask(
        :put,
        "/api/studio/settings",
        { holidays: found["holidays"].map { |one| one.slice("from", "to") } }
      )
      expect(
        ask(:get, "/api/timetable?from=2027-04-07")["days"].map { |one| one["holiday"] }
      ).to all(be(true))
      expect(read("no calendar")).to include(
        "code" => "no_calendar",
        "detail" => include("ends in .ics")
      )
      expect(read("BEGIN:VCALENDAR\n#{"BEGIN:VALARM\n" * 20_000}")["status"]).to eq(422)
      expect(read("x" * 2_000_000)["status"]).to eq(413)
    end
  end
end
