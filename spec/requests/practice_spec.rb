# frozen_string_literal: true

require_relative "../spec_helper"

require "net/http"

RSpec.describe "Practice and lessons" do
  before do
    TestApp.studio
    sign_in
  end

  let(:student) { student_with_piece }
  let(:sheet) { sheet_of(student) }

  # Thursday, the day after the lesson.
  def thursday
    student
    TestApp.now = Time.utc(2027, 3, 4, 12)
    ask(:get, sheet)["days"].first["items"].first
  end

  # Without what is there because there is time.
  def needed(day) =
    day["items"].reject { |item| item["kind"] == "more" }.map { |item| item["step_id"] }

  def done(answer) = answer["days"].first["items"].first["done"]

  it "plans the week from the day after the lesson to the next one" do
    week = student["week"]
    expect(week.values_at("starts", "next_lesson", "budget")).to eq(
      ["2027-03-04", "2027-03-10", 20]
    )
    expect(week["days"].map { |day| day["date"] }).to eq(
      %w[2027-03-04 2027-03-05 2027-03-06 2027-03-07 2027-03-08]
    )
    expect(needed(week["days"].first)).to eq(%w[A.right A1.right A.left])
    expect(week["days"].first["items"].first).to include(
      "why" => /introduced/,
      "arithmetic" => /3 × 12 counts at 44/
    )
    expect(week["left_out"].map { |one| one["why"] }).to eq(
      ["it begins when A and A1 can be played"]
    )
  end

  it "counts taps, and the same tap sent twice once" do
    item = thursday
    key = SecureRandom.uuid
    2.times { mark(sheet, item, key: key) }
    expect(mark(sheet, item)["done"]).to eq(2)
    expect(TestApp::OWNER[:practice_marks].count).to eq(2)
  end

  it "says which taps are counted, so that one whose answer was lost is not counted twice on the phone" do
    item = thursday
    keys = Array.new(3) { SecureRandom.uuid }
    shown = keys.map { |key| tap(sheet, item, key: key) }.last
    expect(shown["days"].first["items"].first["keys"]).to eq(keys)
    undo = SecureRandom.uuid
    after = mark(sheet, item, key: undo, kind: "undo", undoes: keys.last)
    expect(after.values_at("done", "keys", "last_mark")).to eq([2, [*keys, undo], keys[1]])
    expect(shown["days"].last["items"].map { |one| one["keys"] }).to all(eq([]))
  end

  it "takes taps that come days late, in any order, and an undo before its tap; not those of the future" do
    item = thursday
    TestApp.now = Time.utc(2027, 3, 12, 12)
    key = SecureRandom.uuid
    mark(sheet, item, kind: "undo", undoes: key, day: "2027-03-04")
    [key, *Array.new(5) { SecureRandom.uuid }].shuffle.each do |one|
      mark(sheet, item, key: one, day: "2027-03-04")
    end
    step = ask(:get, "/api/students/#{student["id"]}")["pieces"].first["steps"].first
    expect(step["credited"]).to eq(1)
    expect(mark(sheet, item, day: "2027-03-13")["detail"]).to include("can no longer be counted")
    expect(mark(sheet, item, day: "2026-12-01")["code"]).to eq("late")
  end

  it "shows the notes of a piece only where there are some, and only through the link" do
    item = student["week"]["days"].first["items"].first
    ask(:get, "#{sheet}/score?assignment_id=#{item["assignment_id"]}")
    expect(status).to eq(404)
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.slow_ferry.map))
    ask(
      :put,
      "/api/pieces/#{piece["id"]}/script",
      { script: "#{piece["script"]}section A: 1-4\n", revision: 1 }
    )
    ask(
      :post,
      "/api/students/#{student["id"]}/pieces",
      { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
    )
    given = ask(:get, "/api/students/#{student["id"]}")["pieces"].last["id"]
    get "#{sheet}/score?assignment_id=#{given}"
    expect(last_response.headers["content-type"]).to start_with(
      "application/vnd.recordare.musicxml+xml"
    )
    expect(Stairwell::Formats::MusicXML.read(last_response.body).notes).not_to be_empty
    ask(:get, "/api/sheet/#{"x" * 43}/score?assignment_id=#{given}")
    expect(status).to eq(404)
  end

  it "begins the hands as the student's own page says" do
    item = thursday
    ask(
      :put,
      "/api/pieces/1/script",
      { for: student["id"].to_s, script: "start right: finger 3 on B4", revision: 0 }
    )
    shown =
      ask(:get, sheet)["days"]
        .flat_map { |day| day["items"] }
        .find { |one| one["step_id"] == item["step_id"] }
    expect(shown["starts"]).to eq(
      [{ "hand" => "right", "finger" => 3, "note" => "B", "midi" => 71 }]
    )
  end

  it "says the cautions that apply, and the studio's own" do
    thursday
    expect(ask(:get, sheet)["cautions"].map { |one| one["topic"] }).to eq(%w[pain posture])
    TestApp::OWNER[:studios].update(caution: "Cut your nails.")
    TestApp::OWNER[:week_plans].update(
      plan: Sequel.lit("jsonb_set(plan, '{days,0,minutes}', '40')")
    )
    expect(ask(:get, sheet)["cautions"].map { |one| one["short"] }).to include(
      "Take a break after 20 minutes.",
      "Cut your nails."
    )
  end

  it "goes on with what stood last when the lesson is past and no new plan is there" do
    thursday
    TestApp.now = Time.utc(2027, 3, 10, 12)
    expect(ask(:get, sheet)).to include("over" => false, "next_lesson" => "2027-03-10")
    TestApp.now = Time.utc(2027, 3, 11, 12)
    shown = ask(:get, sheet)
    expect(shown).to include("over" => true, "next_lesson" => nil)
    last = shown["days"].last
    expect(last["date"]).to eq("2027-03-11")
    expect(last["items"].map { |item| item["done"] }.uniq).to eq([0])
    marked = tap(sheet, last["items"].first)
    expect(marked["days"].last["items"].first["done"]).to eq(1)
    sign_in
    ask(:post, "/api/students/#{student["id"]}/week", {})
    expect(ask(:get, sheet)).to include("over" => false, "next_lesson" => "2027-03-17")
  end

  it "walks along with what it sounds" do
    item = student["week"]["days"].first["items"].first
    walk =
      ask(:get, "#{sheet}/sound?assignment_id=#{item["assignment_id"]}&step_id=#{item["step_id"]}")[
        "walk"
      ]
    expect(walk.map { |one| one["place"] }).to eq(
      (1..4).map { |bar| "page 12, line 1, bar #{bar}" }
    )
  end

  it "sounds the bars of a step at its tempo, with a full bar to count in" do
    item = thursday
    sound =
      ask(:get, "#{sheet}/sound?assignment_id=#{item["assignment_id"]}&step_id=#{item["step_id"]}")
    # Four bars of three counts at 44 take 12 × 60 / 44 s.
    expect(sound["seconds"]).to be_within(0.01).of(12 * 60 / 44.0)
    expect(sound["count_in"].map { |click| click["strong"] }).to eq([true, false, false])
    expect(sound["bars"].map { |bar| bar["bar"] }).to eq([1, 2, 3, 4])
  end

  it "takes a tap back by adding a row" do
    item = thursday
    mark(sheet, item, key: key = SecureRandom.uuid)
    expect(tap(sheet, item, kind: "struggle")["days"].first["struggle"]).to be(true)
    expect(done(tap(sheet, item, kind: "undo", undoes: key))).to eq(0)
    expect(TestApp::OWNER[:practice_marks].count).to eq(3)
  end

  it "fills days and credits the step" do
    item = thursday
    5.times { mark(sheet, item) }
    step = ask(:get, "/api/students/#{student["id"]}")["pieces"].first["steps"].first
    expect(step.values_at("state", "credited")).to eq(["steady", 1])
  end

  it "shows one student's sheet and nothing else, until the link is renewed or withdrawn" do
    thursday
    clear_cookies
    answer = ask(:get, sheet)
    expect(answer.keys).to contain_exactly(
      "student",
      "studio",
      "today",
      "next_lesson",
      "over",
      "rows",
      "days",
      "reads",
      "skip",
      "cautions",
      "locale",
      "paused",
      "family",
      "messages",
      "lesson_time",
      "recap",
      "told_before",
      "skip_on",
      "pieces"
    )
    ask(:get, sheet.sub(/.\z/) { |last| (last == "0") ? "1" : "0" })
    expect(status).to eq(404)
    sign_in
    fresh = ask(:post, "/api/students/#{student["id"]}/link", {})
    ask(:get, sheet)
    expect(status).to eq(404)
    ask(:get, sheet_of(fresh))
    expect(status).to eq(200)
    ask(:delete, "/api/students/#{student["id"]}/link")
    ask(:get, sheet_of(fresh))
    expect(status).to eq(404)
    expect(mark(sheet_of(fresh), { "assignment_id" => 1, "step_id" => "A.right" })["code"]).to eq(
      "link_unknown"
    )
  end

  it "limits how often links may be tried" do
    # The limit counts by the minute of the clock: on a slow machine so many requests take
    # longer, so that all but one are counted without them.
    allow(Time).to receive(:now).and_return(Time.now)
    try = -> { ask(:get, "/api/sheet/1.1.#{"0" * 32}").then { status } }
    first = try.call
    counted = TestApp::OWNER[:rate_counts].where(Sequel.like(:key, "%sheet%"))
    expect(counted.get(:count)).to eq(1)
    counted.update(
      count: Stairwell::Server::Limits::SHEETS[:limit] - 1,
      expires_at: Sequel.lit("now() + interval '1 hour'")
    )
    expect([first, try.call, try.call]).to eq([404, 404, 429])
  end

  it "marks only what is on the sheet" do
    thursday
    expect(mark(sheet, { "assignment_id" => 1, "step_id" => "whole.tempo" })["code"]).to eq(
      "not_on_sheet"
    )
    expect(mark(sheet, { "assignment_id" => 77, "step_id" => "A.right" })["code"]).to eq(
      "not_on_sheet"
    )
  end

  it "lets what is heard change states and the next week at once" do
    item = thursday
    5.times { mark(sheet, item) }
    TestApp.now = Time.utc(2027, 3, 10, 16)
    before = ask(:get, "/api/students/#{student["id"]}/lesson")
    expect(before["practised"]).to eq("done" => 1, "of" => 5)
    results = "/api/students/#{student["id"]}/results"
    say = ->(step, result) do
      ask(
        :post,
        results,
        {
          assignment_id: item["assignment_id"],
          step_id: step,
          result: result,
          key: SecureRandom.uuid
        }
      )
    end
    say.call("A.right", "steady")
    after = say.call("A.left", "secure")
    states = after["steps"].to_h { |one| [one["id"], one.values_at("state", "result")] }
    expect(states).to include("A.right" => %w[steady steady], "A.left" => %w[secure secure])
    days_of = ->(lesson, step) do
      lesson["next_week"]["days"]
        .select { |day| day["items"].any? { |one| one["step_id"] == step } }
        .size
    end
    expect([days_of.call(before, "A.left"), days_of.call(after, "A.left")]).to eq([1, 0])
    # A goes on, beside the bar in which A1 differs.
    expect(needed(after["next_week"]["days"].first)).to eq(%w[A.together A1.right A1.left])
    expect(ask(:get, "/api/students/#{student["id"]}")["week"]).to eq(after["next_week"])
    expect(
      say.call("A.left", "not_heard")["steps"].find { |one| one["id"] == "A.left" }["state"]
    ).to eq("open")
    ask(:get, "/api/studio")
    TestApp.work_on_jobs
    row = ask(:get, "/api/studio").first
    expect(row["last_result"]).to include("result" => "steady", "title" => "A, right hand")
    expect(row["pieces"].first["percent"]).to be_positive
  end

  it "plans again when days or minutes change, and answers a stale change with both" do
    id = student["id"]
    changed =
      ask(:put, "/api/students/#{id}", Requests::STUDENT.merge(minutes_a_day: 10, version: 1))
    expect(changed["week"]["budget"]).to eq(10)
    answer =
      ask(:put, "/api/students/#{id}", Requests::STUDENT.merge(minutes_a_day: 30, version: 1))
    expect(
      [status, answer["code"], answer["kept"]["minutes_a_day"], answer["sent"]["minutes_a_day"]]
    ).to eq([409, "stale", 10, 30])
  end

  it "answers a stale change of a map with both scripts, and keeps every revision" do
    piece = ask(:post, "/api/pieces", { script: Requests::SCRIPT })
    path = "/api/pieces/#{piece["id"]}/script"
    ask(:put, path, { script: "#{Requests::SCRIPT}# theirs", revision: 1 })
    answer = ask(:put, path, { script: "#{Requests::SCRIPT}# mine", revision: 1 })
    expect([status, answer["kept"]["revision"]]).to eq([409, 2])
    expect([answer["kept"]["script"], answer["sent"]["script"]]).to match([/# theirs/, /# mine/])
    expect(TestApp::OWNER[:map_revisions].select_order_map(:revision)).to eq([1, 2])
  end

  it "keeps a score's notes when only words change, and the steps of a running piece when its map does" do
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map))
    expect(piece["figures"]["new_bars"]).to eq(5.6)
    changed =
      ask(
        :put,
        "/api/pieces/#{piece["id"]}/script",
        { revision: 1, script: "#{piece["script"]}section A: 1-8\n" }
      )
    expect(changed["figures"]["new_bars"]).to eq(5.6)
    ask(
      :post,
      "/api/students/#{student["id"]}/pieces",
      { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
    )
    ask(:put, "/api/pieces/#{piece["id"]}/script", { revision: 2, script: piece["script"] })
    given =
      ask(:get, "/api/students/#{student["id"]}")["pieces"].find do |one|
        one["piece_id"] == piece["id"]
      end
    expect(given["steps"].map { |step| step["id"] }).to include("A.right")
  end

  # A real server process, killed between two marks.
  it "loses no mark when the server is killed" do
    item = thursday
    2.times do
      server = ServerProcess.start({ "STAIRWELL_NOW" => "2027-03-04 12:00" })
      uri = URI("#{server.address}#{sheet}/marks")
      body =
        JSON.generate(
          key: SecureRandom.uuid,
          kind: "repetition",
          assignment_id: item["assignment_id"],
          step_id: item["step_id"]
        )
      answer = Net::HTTP.post(uri, body, "Content-Type" => "application/json")
      expect(answer.code).to eq("201")
    ensure
      server&.kill
    end
    expect(done(ask(:get, sheet))).to eq(2)
  end
end
