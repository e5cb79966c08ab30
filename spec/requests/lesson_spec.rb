# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "A lesson" do
  before do
    TestApp.studio
    sign_in
  end

  let!(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }

  def lesson_day = TestApp.now = Time.utc(2027, 3, 10, 16)

  def lesson = ask(:get, "#{path}/lesson")

  def hear(step, result, **more)
    ask(
      :post,
      "#{path}/results",
      { assignment_id: 1, step_id: step, result: result, key: SecureRandom.uuid, **more }
    )
  end

  def row(shown, step) = shown["steps"].find { |one| one["id"] == step }

  it "puts first what most later steps wait for, and keeps the order while hearing" do
    lesson_day
    before = lesson
    expect(before["hear_first"]).to include(
      "title" => "A, right hand",
      "first" => a_string_matching(/\A\d+ later steps wait for it\z/)
    )
    after = hear("A.right", "steady")
    expect(after["steps"].map { |one| one["id"] }).to eq(before["steps"].map { |one| one["id"] })
    expect(after["hear_first"]).to eq(before["hear_first"])
  end

  it "keeps cause, place, stumbles, tempo and a note, and says what changed in the week" do
    lesson_day
    shown =
      hear(
        "A.right",
        "shaky",
        cause: "fingers",
        bar: 2,
        stumbles: 3,
        tempo: 40,
        note: "thumb too early"
      )
    expect(row(shown, "A.right")["details"]).to eq(
      {
        "cause" => "fingers",
        "bar" => 2,
        "stumbles" => 3,
        "tempo" => 40,
        "note" => "thumb too early"
      }
    )
    expect(hear("A.right", "steady")["changed"]).to include("A, right hand is out of the week")
  end

  it "offers a result from what was counted" do
    offer = ->(stumbles, **more) do
      ask(
        :post,
        "#{path}/offer",
        { assignment_id: 1, step_id: "A.right", stumbles: stumbles, **more }
      ).values
    end
    expect(offer[0]).to eq(["steady", "no stumble"])
    expect(offer[0, tempo: 30].first).to eq("shaky")
    expect(offer[1]).to eq(["not_yet", "1 stumble in 4 bars, more than one in 8"])
  end

  it "makes a place that did not go a spot of this student's, and keeps every mark" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    item = ask(:get, sheet_of(student))["days"].first["items"].first
    item["repetitions"].times { mark(sheet_of(student), item) }
    lesson_day
    shown = hear("A.together", "not_yet", bar: 3)
    steps = ask(:get, path)["pieces"].first["steps"]
    expect(steps.map { |one| one["title"] }).to include("Spot at bar 3, the spot")
    expect(steps.find { |one| one["id"] == item["step_id"] }["credited"]).to eq(1)
    expect(shown["next_week"]["rows"].first).to include(
      "kind" => "hard_place",
      "title" => "Spot at bar 3"
    )
    expect(ask(:get, "/api/pieces/1?for=#{student["id"]}")["script"]).to include("spot: 3")
    expect(ask(:get, "/api/pieces/1")["script"]).not_to include("spot: 3")
  end

  it "takes ticks of a paper chart in one stroke a row, once, and takes them back" do
    lesson_day
    key = SecureRandom.uuid
    tick = ->(done, key = SecureRandom.uuid, days = %w[2027-03-04 2027-03-05]) do
      ask(
        :post,
        "#{path}/ticks",
        { assignment_id: 1, step_id: "A.right", days: days, done: done, key: key }
      )
    end
    2.times { tick.call(true, key) }
    # Three times on the first day; on the second it isn't in the week, and has its own five.
    expect(TestApp::OWNER[:practice_marks].count).to eq(8)
    ticked = row(lesson, "A.right")
    expect(ticked.values_at("credited", "state")).to eq([1, "steady"])
    none = tick.call(false, SecureRandom.uuid, %w[2027-03-04 2027-03-05])
    expect(row(none, "A.right")["credited"]).to eq(0)
    expect(row(tick.call(true), "A.right")["credited"]).to eq(1)
  end

  it "writes the recap from the plan until the teacher writes, and again only on request" do
    lesson_day
    first = lesson["recap"]
    expect(first).to start_with("Dear Nell,").and(
      include("Learn A and A1: right hand, left hand", "See you on Wednesday, 17 March.")
    )
    hear("A.together", "secure")
    expect(lesson["recap"]).to include("A goes well now.")
    kept = ask(:put, "#{path}/lesson", { recap: "Bravo.", version: 0 })
    expect(kept).to eq(
      { "recap" => "Bravo.", "notes" => "", "version" => 1, "finished" => false, "by" => nil }
    )
    hear("A.left", "secure")
    expect(lesson["lesson"]["recap"]).to eq("Bravo.")
    expect(ask(:put, "#{path}/lesson", { recap: nil, version: 1 })["recap"]).to be_nil
    stale = ask(:put, "#{path}/lesson", { notes: "page 9", version: 1 })
    expect([status, stale["kept"]["version"]]).to eq([409, 2])
  end

  it "keeps notes and what is lent from lesson to lesson" do
    lesson_day
    ask(:put, "#{path}/lesson", { notes: "Theory page 9", version: 0 })
    ask(:post, "#{path}/lent", { title: "Blue duet book" })
    TestApp.now = Time.utc(2027, 3, 17, 16)
    expect(lesson.values_at("lesson", "lent")).to match(
      [
        { "recap" => nil, "notes" => "", "version" => 0, "finished" => false, "by" => nil },
        [a_hash_including("title" => "Blue duet book", "lent_on" => "2027-03-10")]
      ]
    )
    expect(ask(:delete, "#{path}/lent/#{lesson["lent"].first["id"]}", {})["lent"]).to eq([])
  end

  describe "when it is finished" do
    it "keeps what was told, plans the week, and puts the mail into the outbox" do
      lesson_day
      expect(ask(:post, "#{path}/lesson/finish", { send: true })["detail"]).to include(
        "There is no email address for Nell"
      )
      ask(:put, path, Requests::STUDENT.merge(version: 1, email: "nells.mother@quay.example"))
      told = lesson["recap"]
      expect(ask(:post, "#{path}/lesson/finish", { send: true })).to eq(
        { "sent" => false, "sheet_path" => student["sheet_path"] }
      )
      letter = ask(:get, "/api/outbox").first
      expect(letter).to include(
        "recipient" => "nells.mother@quay.example",
        "subject" => "Nell's week from 10 March",
        "sent_at" => nil
      )
      expect(letter["body"]).to start_with(told).and(include(student["sheet_path"]))
      expect(ask(:get, path)["lessons"]).to eq(
        [
          {
            "day" => "2027-03-10",
            "recap" => told,
            "notes" => "",
            "results" => 0,
            "giver" => "Mira Quist",
            "heard" => []
          }
        ]
      )
      expect(lesson["lesson"]["finished"]).to be(true)
    end

    it "says who came, unless that was said" do
      lesson_day
      came = -> { ask(:get, "/api/today")["lessons"].map { |one| one["attendance"] } }
      finish = -> { ask(:post, "#{path}/lesson/finish", { send: false }) }
      finish.call
      expect(came.call).to eq(["came"])
      attend = "#{path}/lessons/2027-03-10/attendance"
      ask(:put, attend, { version: 1, attendance: "late" })
      finish.call
      expect(came.call).to eq(["late"])
      # On a day without a lesson nobody comes.
      TestApp.now = Time.utc(2027, 3, 12, 16)
      sign_in
      finish.call
      expect(TestApp::OWNER[:appointments].select_map(:attendance)).to eq(["late"])
    end
  end

  it "lists the day's lessons in order, with the week, what to hear first and what wants attention" do
    expect(ask(:get, "/api/today")["lessons"].map { |one| one["name"] }).to eq(["Nell"])
    ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada", lesson_time: "15:00"))
    lesson_day
    today = ask(:get, "/api/today")
    expect(today["lessons"].map { |one| one["name"] }).to eq(%w[Ada Nell])
    nell = today["lessons"].last
    expect(nell["pieces"]).to eq([{ "title" => "The Lock Gate", "section" => "A" }])
    expect(nell["days"].map { |day| day["repetitions"] }).to eq([0] * 5)
    expect(nell["hear_first"]["title"]).to eq("A, right hand")
    expect(nell["concerns"]).to include(
      { "kind" => "practice", "text" => "practised on 0 of 5 days" }
    )
    TestApp.now = Time.utc(2027, 3, 11, 9)
    expect(ask(:get, "/api/today").slice("lessons", "next_day", "others")).to eq(
      { "lessons" => [], "next_day" => "2027-03-17", "others" => 0 }
    )
  end

  describe "a piece under way" do
    it "keeps every mark when the page or a choice changes, and says what moved" do
      lesson_day
      hear("A.right", "steady")
      piece = ask(:get, "/api/pieces/1")
      ask(
        :put,
        "/api/pieces/1/script",
        {
          for: "studio",
          script: piece["script"].sub("section B: 9-12", "section B: 9-10\nsection C: 11-12"),
          revision: piece["revision"]
        }
      )
      renewed = ask(:post, "#{path}/pieces/1/renew", {})
      expect(renewed["moved"]["added"]).to include("C, right hand")
      expect(renewed["moved"]["changed"]).to include("B, right hand")
      expect(renewed["pieces"].first["steps"].find { |one| one["id"] == "A.right" }["state"]).to eq(
        "steady"
      )
      changed = ask(:put, "#{path}/pieces/1", { routine: "rhythm_first" })
      expect(changed["moved"]["added"]).to include("A, both hands tapped")
      expect(changed["pieces"].first["steps"].find { |one| one["id"] == "A.right" }["state"]).to eq(
        "steady"
      )
    end

    it "ends passed, kept ready or set aside, joins the repertoire, and can be taken up again" do
      ended = ask(:post, "#{path}/pieces/1/end", { ended: "kept", keep_for: "2027-05-01" })
      expect(ended["pieces"]).to eq([])
      expect(ended["repertoire"]).to eq(
        [
          {
            "id" => 1,
            "piece_id" => 1,
            "title" => "The Lock Gate",
            "ended" => "kept",
            "assigned_on" => ended["repertoire"][0]["assigned_on"],
            "ended_on" => "2027-03-03",
            "keep_for" => "2027-05-01"
          }
        ]
      )
      expect(
        ended["week"]["days"]
          .flat_map { |day| day["items"] }
          .map { |item| item.values_at("kind", "title") }
      ).to eq([["extra_work", "The Lock Gate, once through"]] * 5)
      expect(
        ask(:post, "#{path}/pieces/1/end", { ended: nil })["pieces"].map { |one| one["title"] }
      ).to eq(["The Lock Gate"])
    end
  end

  it "lists one's own lessons first, and every teacher's on request" do
    second =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "second@quay.example",
        name: "Oren Tull",
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(
      studio_id: TestApp::OWNER[:studios].get(:id),
      account_id: second,
      role: "teacher"
    )
    TestApp.now = Time.utc(2027, 3, 10, 16)
    names = ->(path) do
      ask(:get, path).then { |today| [today["lessons"].map { |one| one["name"] }, today["others"]] }
    end
    sign_in(email: "second@quay.example")
    expect(names["/api/today"]).to eq([%w[Nell], 0]) # who has no students sees everyone's
    ask(:post, "/api/students", Requests::STUDENT.merge(name: "Abel", lesson_time: "18:00"))
    expect(names["/api/today"]).to eq([%w[Abel], 1])
    expect(names["/api/today?teachers=all"]).to eq([%w[Nell Abel], 1])
    ask(:get, "/api/today?teachers=none")
    expect(status).to be_between(400, 422)
  end

  it "says whom a colleague is hearing, until the lesson is finished" do
    second =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "second@quay.example",
        name: "Oren Tull",
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(
      studio_id: TestApp::OWNER[:studios].get(:id),
      account_id: second,
      role: "teacher"
    )
    lesson_day
    under_way = ->(who) do
      sign_in(email: "#{who}@quay.example") &&
        ask(:get, "/api/today?teachers=all")["lessons"].map { |one| one["under_way"] }
    end
    expect(under_way["second"]).to eq([nil])
    hear("A.right", "steady")
    expect([under_way["second"], under_way["owner"]]).to eq([[nil], ["Oren Tull"]])
    hear("A.left", "shaky") # the owner takes over
    expect([under_way["owner"], under_way["second"]]).to eq(
      [[nil], [TestApp::OWNER[:accounts].where(email: "owner@quay.example").get(:name)]]
    )
    ask(:post, "#{path}/lesson/finish", { send: false })
    expect(status).to be < 300
    expect(under_way["second"]).to eq([nil])
  end
end
