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

  it "keeps how often a short day asked for it" do
    student
    changed(minutes_a_day: 9)
    TestApp.now = Time.utc(2027, 3, 4, 12)
    item = sheet["days"].first["items"].find { |one| one["step_id"] == "A.right" }
    expect(item["repetitions"]).to eq(3) # of five
    expect(mark(sheet_of(student), item, kind: "repetition", asked: 0)["field"]).to eq("asked")
    3.times { mark(sheet_of(student), item, kind: "repetition", asked: 3) }
    credited = -> do
      ask(:get, path)["pieces"].first["steps"].find { |step| step["id"] == "A.right" }["credited"]
    end
    expect(credited.call).to eq(1)
    left = sheet["days"].first["items"].find { |one| one["step_id"] == "A.left" }
    # from a phone that knows of nothing else
    5.times { mark(sheet_of(student), left, kind: "repetition", asked: nil) }
    expect(
      ask(:get, path)["pieces"].first["steps"].find { |step| step["id"] == "A.left" }["credited"]
    ).to eq(1)
    changed(minutes_a_day: 20)
    expect(credited.call).to eq(1) # it was a good day, whatever is planned now
    TestApp.now = Time.utc(2027, 3, 10, 16)
    box = ask(:get, "#{path}/lesson")["steps"].find { |step| step["id"] == "A.right" }["days"].first
    expect(box).to include("planned" => true, "of" => 3, "repetitions" => 3)
  end

  it "has as many rows as the teacher sets, or as is usual" do
    counted = ->(shown) { shown["week"]["rows"].count { |row| row["kind"] != "warm_up" } }
    expect(student["rows_a_week"]).to be_nil
    expect(counted[student]).to be > 1
    one = changed(rows_a_week: 1)
    expect([one["rows_a_week"], counted[one]]).to eq([1, 1])
    expect(one["week"]["rows"].map { |row| row["kind"] }).to include("new")
    expect(changed(rows_a_week: 13)["field"]).to eq("rows_a_week")
  end

  it "offers the section that comes next where minutes are left" do
    child = changed(introduce_first: true)
    ask(:put, "#{path}/pieces/#{child["pieces"].first["id"]}", { introduce_first: true })
    waiting = ask(:get, path)
    expect(waiting["week"]["limits"]).to match(
      [
        include(
          "kind" => "introduce",
          "what" => "A",
          "assignment_id" => waiting["pieces"].first["id"],
          "why" => "There's room to start A of The Lock Gate: 0 min of 20 min a day are planned"
        )
      ]
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
    expect(introduced["week"]["limits"].map { |one| one["what"] }).to eq(%w[A1])
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
    expect(shown["pieces"].first["outlook"].values_at("likely", "cautious")).to eq(
      choices[1].values_at("likely", "cautious")
    )
  end
end
