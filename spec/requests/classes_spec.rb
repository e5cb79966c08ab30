# frozen_string_literal: true

require_relative "../spec_helper"

# Classes: members, an hour, units due on a day and hour, criteria, and a lesson of all at once.
# Today is Wednesday, 3 March 2027.
RSpec.describe "A class" do
  let!(:studio) { TestApp.studio }
  let!(:students) do
    sign_in
    ask(:post, "/api/pieces", { script: Requests::SCRIPT })
    ask(:post, "/api/pieces", { script: Requests::SCRIPT.sub("The Lock Gate", "The Weir") })
    [["Ilo", "right", 10], ["Nell", "left", 20], ["Odo", "right", 40]].map do |name, hand, minutes|
      ask(
        :post,
        "/api/students",
        Requests::STUDENT.merge(
          name: name,
          hand_order: hand,
          minutes_a_day: minutes,
          lesson_weekday: 1,
          practice_days: [0, 2, 3, 5, 6]
        )
      )[
        "id"
      ]
    end
  end
  let(:key) { -> { SecureRandom.uuid } }
  let(:criteria) do
    [
      { key: "pulse", name: "Pulse", levels: %w[falls holds carries] },
      { key: "how-far", name: "How far", levels: ["first part", "all"] }
    ]
  end
  let(:made) do
    ask(
      :post,
      "/api/classes",
      {
        key: key.call,
        name: "Thursday evening",
        weekday: 4,
        time: "19:30",
        minutes: 60,
        members: students
      }
    )
  end

  def unit(**more) =
    ask(
      :post,
      "/api/classes/#{made["id"]}/units",
      {
        key: key.call,
        title: "The Lock Gate by heart",
        piece_ids: [1],
        due_on: "2027-05-27",
        due_time: "19:30",
        criteria: criteria,
        **more
      }
    )

  # As it is when the jobs have worked out how everyone stands.
  def worked_out
    10.times do
      TestApp.work_on_jobs
      shown = ask(:get, "/api/classes/#{made["id"]}")
      return shown["units"] if shown["fresh"]
    end
  end

  def lesson = ask(:get, "/api/classes/#{made["id"]}/lesson")

  it "has members, who come at its hour beside their own lessons" do
    expect(made["members"].map { |one| one["name"] }).to eq(%w[Ilo Nell Odo])
    times = ->(days) do
      days.to_h { |day| [day["date"], day["lessons"].map { |lesson| lesson["time"] }] }
    end
    # Nobody had a lesson on Monday, before they came.
    expect(times.call(ask(:get, "/api/timetable")["days"])).to include(
      "2027-03-01" => [],
      "2027-03-04" => ["19:30"] * 3
    )
    next_week = ask(:get, "/api/timetable?from=2027-03-08")["days"]
    expect(times.call(next_week)).to include(
      "2027-03-08" => ["16:30"] * 3,
      "2027-03-11" => ["19:30"] * 3
    )
    # All of a class at once are in nobody's way; three lessons on Monday at one time are.
    expect(
      next_week
        .flat_map { |day| day["lessons"] }
        .group_by { |one| one["time"] }
        .transform_values { |all| all.map { |one| one["clash"] }.uniq }
    ).to eq("16:30" => [true], "19:30" => [false])
    expect(ask(:get, "/api/students/#{students.first}")["week"]["next_lesson"]).to eq("2027-03-04")
    # Sent again it is the same class.
    again = { key: key.call, name: "Again", weekday: 4, time: "19:30", minutes: 60 }
    expect(Array.new(2) { ask(:post, "/api/classes", again)["id"] }.uniq.size).to eq(1)
    expect(ask(:post, "/api/classes", again.merge(key: key.call))["code"]).to eq("name")
  end

  it "moves its members' lessons with its hour, keeps them under a new name, and lets them go" do
    id = made["id"]
    moved =
      ask(
        :put,
        "/api/classes/#{id}",
        { version: 1, name: "Friday evening", weekday: 5, time: "18:00" }
      )
    expect(moved.values_at("name", "weekday", "time", "version")).to eq(
      ["Friday evening", 5, "18:00", 2]
    )
    student = ask(:get, "/api/students/#{students.first}")
    expect(student.values_at("class_name", "more_lessons")).to eq(
      [
        "Friday evening",
        [
          {
            "weekday" => 5,
            "time" => "18:00",
            "minutes" => 60,
            "teacher_id" => studio[:account_id]
          }
        ]
      ]
    )
    expect(student["week"]["next_lesson"]).to eq("2027-03-05")
    expect(ask(:put, "/api/classes/#{id}", { version: 1, name: "Late" })["code"]).to eq(
      "changed_meanwhile"
    )
    expect(
      ask(:put, "/api/classes/#{id}", { version: 2, members: students.first(2) })["members"].size
    ).to eq(2)
    expect(
      ask(:get, "/api/students/#{students.last}").values_at(
        "class_name",
        "more_lessons",
        "lesson_time"
      )
    ).to eq([nil, [], "16:30"])
    # A student's form may name one that is not there yet.
    ask(
      :put,
      "/api/students/#{students.last}",
      Requests::STUDENT.merge(
        version: ask(:get, "/api/students/#{students.last}")["version"],
        name: "Odo",
        class_name: "Monday duo"
      )
    )
    expect(
      ask(:get, "/api/classes").map { |one| one.values_at("name", "weekday", "time") }
    ).to include(["Monday duo", 3, "16:30"])
  end

  it "gets a unit all at once, fitted to each, and says who will be ready by the hour" do
    expect(unit["fresh"]).to be(false)
    expect(status).to eq(201)
    found = worked_out.first
    expect(
      found["members"].map { |one| one.values_at("name", "in_it", "piece_id", "percent") }
    ).to eq([["Ilo", true, 1, 0], ["Nell", true, 1, 0], ["Odo", true, 1, 0]])
    pieces =
      students.to_h do |id|
        ask(:get, "/api/students/#{id}").then { |one| [one["name"], one["pieces"].first] }
      end
    expect(pieces.transform_values { |piece| piece.values_at("hand_order", "due_on") }).to eq(
      "Ilo" => %w[right 2027-05-27],
      "Nell" => %w[left 2027-05-27],
      "Odo" => %w[right 2027-05-27]
    )
    # What is due in the afternoon has to stand the evening before.
    unit(title: "Soon", piece_ids: [2], due_on: "2027-03-06", due_time: "15:00")
    soon = worked_out.find { |one| one["title"] == "Soon" }
    expect(ask(:get, "/api/students/#{students.last}")["pieces"].last["due_on"]).to eq("2027-03-05")
    expect(soon["members"].map { |one| one["ready"] }).to all(eq("late"))
    # What would help stands with each member.
    late = ask(:get, "/api/students/#{students.last}")["pieces"].last
    expect(late["outlook"]).to include("late" => true)
    expect(ask(:get, "/api/students/#{students.last}/pieces/#{late["id"]}/ways-out")).to include(
      include("change" => be_a(String), "days_sooner" => be_positive)
    )
    # As the rules say it of what the student's own page foretells.
    middle, cautious = pieces["Odo"]["outlook"].values_at("likely", "cautious")
    expect(found["members"].last["ready"]).to eq(
      ((cautious <= "2027-05-27") && "ready") || ((middle <= "2027-05-27") && "likely") || "late"
    )
    expect(middle).to be <= "2027-05-27"
  end

  it "gets a unit once, however often it is sent; who has the piece in hand goes on with it" do
    ask(
      :post,
      "/api/students/#{students.first}/pieces",
      { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 90 }
    )
    ask(
      :post,
      "/api/students/#{students.first}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: key.call }
    )
    said = {
      key: key.call,
      title: "Gate",
      piece_ids: [1],
      due_on: "2027-05-27",
      due_time: "19:30",
      criteria: criteria,
      keep_as: "Usual"
    }
    2.times { ask(:post, "/api/classes/#{made["id"]}/units", said) }
    worked_out
    whole = ask(:get, "/api/classes/#{made["id"]}")
    expect(whole["fresh"]).to be(true)
    expect(whole["units"].size).to eq(1)
    expect(whole["sets"]).to eq(
      [{ "name" => "Usual", "criteria" => JSON.parse(JSON.generate(criteria)) }]
    )
    first = ask(:get, "/api/students/#{students.first}")["pieces"]
    expect([first.size, first.first["target_tempo"], first.first["due_on"]]).to eq(
      [1, 90, "2027-05-27"]
    )
    expect(whole["units"].first["members"].first["percent"]).to be_positive
  end

  it "is learnt by the routine its teacher chose, also by who chooses a piece later" do
    unit(routine: "shapes_first")
    worked_out
    open = unit(title: "One of two", piece_ids: [1, 2], routine: "shapes_first")["units"].last
    ask(
      :put,
      "/api/classes/#{made["id"]}/units/#{open["id"]}/choice",
      { student_id: students[1], piece_id: 2 }
    )
    expect(
      TestApp::OWNER[:assignments].order(:id).select_map(%i[student_id piece_id routine])
    ).to eq([*students.map { |id| [id, 1, "shapes_first"] }, [students[1], 2, "shapes_first"]])
  end

  it "lets each choose one of several pieces, or has an exercise for all" do
    unit(piece_ids: [1, 2])
    open = worked_out.first
    expect(open["members"].map { |one| one.values_at("in_it", "piece_id", "ready") }).to all(
      eq([true, nil, "none"])
    )
    chosen =
      ask(
        :put,
        "/api/classes/#{made["id"]}/units/#{open["id"]}/choice",
        { student_id: students[1], piece_id: 2 }
      )[
        "units"
      ].first[
        "members"
      ]
    expect(chosen.map { |one| one["piece_id"] }).to eq([nil, 2, nil])
    expect(
      ask(
        :put,
        "/api/classes/#{made["id"]}/units/#{open["id"]}/choice",
        { student_id: students[1], piece_id: 9 }
      )[
        "code"
      ]
    ).to eq("unit")
    unit(title: "I, IV, V in three keys", piece_ids: [], minutes: 3)
    worked_out
    expect(
      ask(:get, "/api/students/#{students.first}")["extra_work"].map do |one|
        one.values_at("title", "minutes")
      end
    ).to eq([["I, IV, V in three keys", 3.0]])
    expect(
      [
        unit(piece_ids: []),
        unit(minutes: 3),
        unit(piece_ids: [77]),
        unit(criteria: [criteria.first, criteria.first])
      ].map { |one| one["code"] }
    ).to eq(%w[unit unit not_found criteria])
    ask(:post, "/api/pieces", { script: "title: Bare\npage 1: 4\n" })
    expect(unit(piece_ids: [3])).to include("code" => "no_steps", "detail" => include("Bare"))
    expect(ask(:get, "/api/classes/#{made["id"]}")["units"].size).to eq(2)
  end

  describe "at its lesson" do
    before do
      unit
      worked_out
      TestApp.now = Time.utc(2027, 3, 4, 19, 30)
    end

    it "shows members down, and the steps they have in common across" do
      shown = lesson
      expect(
        shown["members"].map do |one|
          [one["name"], one["lesson"]["time"], one["in_unit"], one["finished"]]
        end
      ).to eq(%w[Ilo Nell Odo].map { |name| [name, "19:30", true, false] })
      expect(shown["unit"].slice("title", "due_on", "due_time")).to eq(
        "title" => "The Lock Gate by heart",
        "due_on" => "2027-05-27",
        "due_time" => "19:30"
      )
      cells = shown["members"].map { |one| one["cells"].keys }
      expect(shown["steps"].map { |one| one["key"] }).to match_array(cells.flatten.uniq)
      expect(shown["steps"].size).to be <= 10
    end

    it "hears a step with one request a cell, judges by criteria, and takes both back" do
      column = lesson["steps"].first
      cell = lesson["members"].first["cells"].fetch(column["key"])
      say = ->(result) do
        ask(
          :post,
          "/api/classes/#{made["id"]}/results",
          {
            student_id: students.first,
            assignment_id: cell["assignment_id"],
            step_id: cell["step_id"],
            result: result,
            key: key.call
          }
        )
      end
      expect(say["steady"]).to include(
        "student_id" => students.first,
        "result" => "steady",
        "state" => "steady"
      )
      expect(lesson["members"].first["cells"][column["key"]]).to include(
        "result" => "steady",
        "state" => "steady"
      )
      # What a member has alone follows from it too.
      expect(
        ask(:get, "/api/students/#{students.first}/lesson")["steps"].find do |one|
          one["id"] == column["step_id"]
        end[
          "result"
        ]
      ).to eq("steady")
      say["not_heard"]
      expect(lesson["members"].first["cells"][column["key"]]["result"]).to eq("not_heard")
      judge = ->(criterion, level, id = students.first) do
        ask(
          :post,
          "/api/classes/#{made["id"]}/marks",
          { unit_id: 1, student_id: id, criterion: criterion, level: level, key: key.call }
        )
      end
      expect(judge["pulse", 2]).to eq("student_id" => students.first, "levels" => { "pulse" => 2 })
      judge["how-far", 1]
      expect(judge["pulse", 3]["levels"]).to eq("pulse" => 3, "how-far" => 1)
      expect(judge["pulse", nil]["levels"]).to eq("how-far" => 1)
      expect([judge["pulse", 4], judge["tone", 1]].map { |one| one["code"] }).to eq(%w[level level])
      expect(judge["pulse", 1, 999]["code"]).to eq("not_found")
    end

    it "is finished for everyone who came, with recaps to those who have an address" do
      nell = ask(:get, "/api/students/#{students[1]}")
      ask(
        :put,
        "/api/students/#{students[1]}",
        Requests::STUDENT.merge(
          version: nell["version"],
          **nell.transform_keys(&:to_sym).slice(:name, :lesson_weekday, :more_lessons, :class_name),
          email: "nell@quay.example"
        )
      )
      ask(
        :put,
        "/api/students/#{students.last}/lessons/2027-03-04/attendance",
        { attendance: "missed", version: 0 }
      )
      done = ask(:post, "/api/classes/#{made["id"]}/finish", { send: true })
      expect(done["members"].map { |one| one["finished"] }).to eq([true, true, false])
      expect(ask(:get, "/api/outbox").map { |mail| mail["recipient"] }).to eq(["nell@quay.example"])
      # Once more changes nothing.
      ask(:post, "/api/classes/#{made["id"]}/finish", { send: true })
      expect(ask(:get, "/api/outbox").size).to eq(1)
      expect(ask(:get, "/api/students/#{students.first}")["week"]["planned_from"]).to eq(
        "2027-03-05"
      )
    end

    it "is heard by an assistant, and by no other teacher where each hears their own alone" do
      member =
        lambda do |name, role|
          account =
            Stairwell::Server::Auth.add_account(
              TestApp.store.db,
              email: "#{name}@quay.example",
              name: name,
              password: TestApp::PASSWORD
            )
          TestApp::OWNER[:memberships].insert(
            studio_id: studio[:studio_id],
            account_id: account,
            role: role
          )
          Class
            .new { include Requests }
            .new
            .then { |one| one.sign_in(email: "#{name}@quay.example") && one }
        end
      assistant, other = member["anni", "assistant"], member["olle", "teacher"]
      ask(:put, "/api/studio/settings", { own_students_only: true })
      mark = { unit_id: 1, student_id: students.first, criterion: "pulse", level: 2 }
      statuses =
        [assistant, other].map do |one|
          one.ask(:post, "/api/classes/#{made["id"]}/marks", mark.merge(key: key.call)) &&
            one.status
        end
      expect(statuses).to eq([201, 403])
      # No screen offers what would be refused.
      expect(
        [self, assistant, other].map do |one|
          [
            one.ask(:get, "/api/classes/#{made["id"]}")["may"],
            one.ask(:get, "/api/students").first["may"]
          ]
        end
      ).to eq([[%w[hear change]] * 2, [%w[hear]] * 2, [[]] * 2])
      expect(
        other.ask(
          :post,
          "/api/classes/#{made["id"]}/units",
          {
            key: key.call,
            title: "x",
            piece_ids: [2],
            due_on: "2027-05-27",
            due_time: "19:30",
            criteria: criteria
          }
        )[
          "code"
        ]
      ).to eq("not_allowed")
      expect(
        assistant.ask(:post, "/api/classes/#{made["id"]}/finish", { send: false })[
          "members"
        ].map { |one| one["finished"] }
      ).to eq([true, true, true])
    end
  end

  it "ends, and its members go on alone; one of that name may begin again" do
    unit
    expect(ask(:delete, "/api/classes/#{made["id"]}", {})).to eq([])
    expect(ask(:get, "/api/students/#{students.first}")["class_name"]).to be_nil
    expect(ask(:get, "/api/classes/#{made["id"]}")["units"].size).to eq(1)
    again =
      ask(
        :post,
        "/api/classes",
        {
          key: key.call,
          name: "Thursday evening",
          weekday: 2,
          time: "17:00",
          minutes: 45,
          members: students.first(1)
        }
      )
    expect(again.values_at("id", "weekday", "members")).to eq(
      [made["id"], 2, [{ "id" => students.first, "name" => "Ilo" }]]
    )
  end

  it "ends a unit and takes it up again; what was judged stays" do
    id = unit["units"].first["id"]
    ask(
      :post,
      "/api/classes/#{made["id"]}/marks",
      { unit_id: id, student_id: students.first, criterion: "pulse", level: 3, key: key.call }
    )
    ended = ask(:put, "/api/classes/#{made["id"]}/units/#{id}", { ended: true })["units"].first
    expect([ended["ended"], ended["members"].first["levels"], lesson["unit"]]).to eq(
      [true, { "pulse" => 3 }, nil]
    )
    expect(
      ask(:put, "/api/classes/#{made["id"]}/units/#{id}", { ended: false })["units"].first["ended"]
    ).to be(false)
    expect(ask(:put, "/api/classes/#{made["id"]}/units/99", { ended: true })["code"]).to eq(
      "not_found"
    )
  end
end
