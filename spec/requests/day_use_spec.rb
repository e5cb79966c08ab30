# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "How a student's days are used" do
  before do
    TestApp.studio
    sign_in
  end

  let(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }

  def items(student, kind) =
    student["week"]["days"].flat_map { |day| day["items"].select { |item| item["kind"] == kind } }

  def sheet = ask(:get, sheet_of(student))

  def changed(**values) =
    ask(:put, path, Requests::STUDENT.merge(version: ask(:get, path)["version"], **values))

  it "counts what is tapped of what is more than needed, and takes none of it for a good day" do
    student
    TestApp.now = Time.utc(2027, 3, 4, 12)
    day = sheet["days"].first
    more = day["items"].find { |item| item["step_id"] == "A.right~more" }
    expect(more).to include(
      "kind" => "more",
      "title" => "A, right hand, again",
      "done" => 0,
      "done_when" => nil,
      "place" => "page 12, line 1, all 4 bars"
    )
    shown = Array.new(more["repetitions"]) { tap(sheet_of(student), more) }.last["days"].first
    expect(shown["items"].find { |item| item["step_id"] == "A.right~more" }).to include(
      "done" => more["repetitions"]
    )
    expect(shown["items"].find { |item| item["step_id"] == "A.right" }).to include("done" => 0)
    expect(shown["minutes_done"]).to eq(more["minutes"])
    after = ask(:get, path)
    expect(after["pieces"].first["steps"].find { |step| step["id"] == "A.right" }).to include(
      "credited" => 0,
      "state" => "open"
    )
    expect(after["weeks"].first).to include(
      "minutes" => be_within(0.25).of(more["minutes"]),
      "practised" => 1
    )
    expect(
      ask(
        :get,
        "#{sheet_of(student)}/sound?assignment_id=#{more["assignment_id"]}&step_id=A.right~more"
      )
    ).to include("bars")
    last = shown["items"].find { |item| item["step_id"] == "A.right~more" }["last_mark"]
    expect(mark(sheet_of(student), more, kind: "undo", undoes: last)["done"]).to eq(
      more["repetitions"] - 1
    )
  end

  it "holds only what is needed where the teacher wants it so" do
    expect(student["day_use"]).to eq("full")
    expect(items(student, "more")).not_to be_empty
    light = changed(day_use: "light")
    expect([light["day_use"], items(light, "more")]).to eq(["light", []])
    expect(items(light, "step").map { |item| item["id"] }).to eq(
      items(student, "step").map { |item| item["id"] }
    )
    expect(items(changed(day_use: "full"), "more")).not_to be_empty
    expect(changed(day_use: "twice")["field"]).to eq("day_use")
  end

  it "puts everything in hand on every day where the teacher wants it so, and keeps how often a short day asked for it" do
    student
    flat = changed(day_use: "flat", minutes_a_day: 9, begin_per_day: 6)
    expect(flat["day_use"]).to eq("flat")
    TestApp.now = Time.utc(2027, 3, 4, 12)
    item = sheet["days"].first["items"].find { |one| one["step_id"] == "A.right" }
    expect(item["repetitions"]).to eq(3) # half of five
    expect(mark(sheet_of(student), item, kind: "repetition", asked: 0)["field"]).to eq("asked")
    3.times { mark(sheet_of(student), item, kind: "repetition", asked: 3) }
    credited = -> do
      ask(:get, path)["pieces"].first["steps"].find { |step| step["id"] == "A.right" }["credited"]
    end
    expect(credited.call).to eq(1)
    left = sheet["days"].first["items"].find { |one| one["step_id"] == "A.left" }
    # from a phone that knows of nothing else
    5.times { mark(sheet_of(student), left, kind: "repetition") }
    expect(
      ask(:get, path)["pieces"].first["steps"].find { |step| step["id"] == "A.left" }["credited"]
    ).to eq(1)
    changed(day_use: "full")
    expect(credited.call).to eq(1) # it was a good day, whatever is planned now
    TestApp.now = Time.utc(2027, 3, 10, 16)
    box = ask(:get, "#{path}/lesson")["steps"].find { |step| step["id"] == "A.right" }["days"].first
    expect(box).to include("planned" => true, "of" => 3, "repetitions" => 3)
  end

  it "says what limits the week, and lifts it at one press" do
    limit = student["week"]["limits"].find { |one| one["kind"] == "begin" }
    expect(limit).to include(
      "begin_per_day" => 3,
      "why" =>
        match(
          /\AOnly 2 new steps begin a day, so that ([\d½]+) min a day are filled with what is needed. With one more it would be ([\d½]+) min\.\z/
        )
    )
    after = ask(:put, "#{path}/beginnings", { begin_per_day: 3 })
    expect(after["begin_per_day"]).to eq(3)
    lifted = limit["why"][/would be ([\d½]+ min)/, 1]
    needed =
      after["week"]["days"].sum do |day|
        day["items"].reject { |item| item["kind"] == "more" }.sum { |item| item["minutes"] }
      end / after["week"]["days"].size
    expect(Stairwell::Units.minutes(Stairwell::Planning.halves(needed.to_r))).to eq(lifted)
    expect(ask(:put, "#{path}/beginnings", { begin_per_day: 11 })["field"]).to eq("begin_per_day")
  end

  it "says which section waits to be introduced, and what it would bring" do
    child = changed(introduce_first: true)
    ask(:put, "#{path}/pieces/#{child["pieces"].first["id"]}", { introduce_first: true })
    waiting = ask(:get, path)
    expect(waiting["week"]["limits"].first).to include(
      "kind" => "introduce",
      "what" => "A",
      "assignment_id" => waiting["pieces"].first["id"],
      "why" => /\AA of The Lock Gate waits to be introduced; 0 min a day/
    )
    introduced =
      ask(
        :post,
        "#{path}/introductions",
        {
          assignment_id: waiting["pieces"].first["id"],
          what: "A",
          introduced: true,
          key: SecureRandom.uuid
        }
      )
    expect(introduced["week"]["limits"].find { |one| one["kind"] == "introduce" }).to include(
      "what" => "A1"
    )
  end

  it "lets as many steps begin as the minutes of a day hold where nobody says how many" do
    counts =
      { 5 => 2, 20 => 2, 21 => 3, 30 => 4, 60 => 5 }.to_h do |minutes, _|
        [
          minutes,
          ask(
            :post,
            "/api/students",
            Requests::STUDENT.except(:begin_per_day, :introduce_first).merge(
              minutes_a_day: minutes,
              name: "Of #{minutes}"
            )
          ).values_at("begin_per_day", "introduce_first")
        ]
      end
    expect(counts).to eq(
      5 => [2, false],
      20 => [2, false],
      21 => [3, false],
      30 => [4, false],
      60 => [5, false]
    )
    listed =
      Requests::STUDENT.except(:begin_per_day).merge(
        minutes_a_day: 30,
        name: "Listed",
        key: SecureRandom.uuid
      )
    ask(:post, "/api/students/list", { students: [listed] })
    expect(ask(:get, "/api/students").find { |one| one["name"] == "Listed" }).to include(
      "begin_per_day" => 4
    )
  end

  it "weighs what might be introduced, and keeps nothing of it" do
    changed(introduce_first: true)
    given = ask(:get, path)["pieces"].first["id"]
    ask(:put, "#{path}/pieces/#{given}", { introduce_first: true })
    rows = -> do
      %i[introductions week_plans promised_dates].map { |table| TestApp::OWNER[table].count }
    end
    before = rows.call
    choices = ask(:get, "#{path}/introductions")
    expect(rows.call).to eq(before)
    expect(choices.map { |one| one["what"] }).to eq([[], %w[A], %w[A A1], %w[A1], %w[B]])
    expect(choices.first).to include(
      "minutes" => 0.0,
      "budget" => 20.0,
      "begins" => [],
      "piece" => "The Lock Gate",
      "assignment_id" => given
    )
    shown =
      ask(
        :post,
        "#{path}/introductions",
        { assignment_id: given, what: "A", introduced: true, key: SecureRandom.uuid }
      )
    expect(
      items(shown, "step").select { |item| item["begins"] }.map { |item| item["title"] }.uniq
    ).to eq(choices[1]["begins"])
    expect(shown["pieces"].first["outlook"].values_at("middle", "cautious")).to eq(
      choices[1].values_at("middle", "cautious")
    )
  end
end
