# frozen_string_literal: true

require_relative "../spec_helper"

# The studio page: forecast, attention and practice of everyone, from summaries
# that are always those of the rows.
RSpec.describe "The studio page" do
  before do
    TestApp.studio
    sign_in
  end

  let!(:student) { student_with_piece }

  # As it is once the jobs have come to it.
  def row
    ask(:get, "/api/studio")
    TestApp.work_on_jobs
    ask(:get, "/api/studio").first
  end

  def queries
    count = 0
    log =
      Class
        .new do
          define_method(:info) { |text| count += 1 if text.include?("SELECT") }
          %i[debug warn error].each { |name| define_method(name) { |*| nil } }
        end
        .new # standard:disable Style/Semicolon
    TestApp.store.db.loggers << log
    yield
    count
  ensure
    TestApp.store.db.loggers.delete(log)
  end

  it "shows when each piece is ready, beside the date it is due" do
    ask(:put, "/api/students/#{student["id"]}/pieces/1", { due_on: "2027-03-12" })
    expect(row["outlooks"].first).to include(
      "piece" => "The Lock Gate",
      "due_on" => "2027-03-12",
      "late" => true
    )
    expect(row["concerns"].first["text"]).to match(
      /\AThe Lock Gate is due on 12 March and may not be ready until \d+ days? after that\z/
    )
  end

  it "is of the newest rows: marks, results and changes show at once" do
    expect(row["practised"]).to eq({ "done" => 0, "of" => 0 })
    TestApp.now = Time.utc(2027, 3, 4, 12)
    expect(row["practised"]).to eq({ "done" => 0, "of" => 5 })
    item = ask(:get, sheet_of(student))["days"].first["items"].first
    mark(sheet_of(student), item)
    expect(row["practised"]["done"]).to eq(1)
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
    ask(
      :post,
      "/api/students/#{student["id"]}/results",
      { assignment_id: 1, step_id: "A.right", result: "secure", key: SecureRandom.uuid }
    )
    expect(row["last_result"]["result"]).to eq("secure")
    piece = row["pieces"].first
    expect(piece["climb"]).to eq(
      {
        "from" => "2027-03-03",
        "rises" => [{ "date" => "2027-03-10", "percent" => piece["percent"] }]
      }
    )
    ask(:post, "/api/students/#{student["id"]}/pieces/1/end", { ended: "passed" })
    expect(row["pieces"]).to eq([])
  end

  it "says which class a student comes with; blanks are none" do
    change = ->(version, name) do
      ask(
        :put,
        "/api/students/#{student["id"]}",
        Requests::STUDENT.merge(version: version, class_name: name)
      ) && row["class_name"]
    end
    expect([row["class_name"], change[1, " Thursday evening "], change[2, "  "]]).to eq(
      [nil, "Thursday evening", nil]
    )
  end

  it "keeps the studio's words and its own caution, and says them on the sheet" do
    expect(ask(:get, "/api/studio/settings")).to include("locale" => "en", "caution" => nil)
    expect(
      ask(:put, "/api/studio/settings", { locale: "en-US", caution: " Warm hands first. " })
    ).to include("locale" => "en-US", "caution" => "Warm hands first.", "holidays" => [])
    TestApp.now = Time.utc(2027, 3, 4, 12)
    shown = ask(:get, sheet_of(student))
    expect(shown["cautions"].last).to include("topic" => "studio", "short" => "Warm hands first.")
    expect(shown["days"].first["items"].first["place"]).to eq("page 12, line 1, all 4 measures")
    sign_in
    expect(ask(:put, "/api/studio/settings", { caution: nil })["caution"]).to be_nil
    expect(ask(:put, "/api/studio/settings", { locale: "de" })["title"]).to be_a(String)
    expect(status).to eq(422).or eq(400)
  end

  it "lists the weeks gone by as planned and as practised, from the marks that hold" do
    weeks = -> { ask(:get, "/api/students/#{student["id"]}")["weeks"] }
    expect(weeks.call).to eq([]) # the first week begins tomorrow
    TestApp.now = Time.utc(2027, 3, 4, 12)
    item = ask(:get, sheet_of(student))["days"].first["items"].first
    keys = Array.new(5) { SecureRandom.uuid }
    keys.each { |key| mark(sheet_of(student), item, key: key) }
    mark(sheet_of(student), item, kind: "undo", undoes: keys.first)
    TestApp.now = Time.utc(2027, 3, 5, 12)
    late = ask(:get, sheet_of(student))["days"][1]["items"].first
    mark(sheet_of(student), late, kind: "struggle")
    sign_in
    week = weeks.call.first
    expect(week).to include(
      "starts" => "2027-03-04",
      "next_lesson" => "2027-03-10",
      "practised" => 1
    )
    expect(week["days"].first(2).map { |day| day.values_at("repetitions", "struggle") }).to eq(
      [[4, false], [0, true]]
    )
    expect(week["steps"].find { |step| step["title"] == "A, right hand" }).to include("done" => 4)
    expect(week["minutes"]).to be_within(0.25).of(item["minutes"]) # each is rounded by itself
  end

  it "is made anew when the day changes" do
    row
    TestApp.now = Time.utc(2027, 3, 9, 12)
    expect(row["concerns"].map { |one| one["kind"] }).to include("practice")
    expect(TestApp::OWNER[:student_summaries].get(:computed_on).to_s).to eq("2027-03-09")
  end

  # What becomes of promised dates widens the next ones; a new student starts from what the
  # others do.
  it "says how often cautious dates have held, and learns from it" do
    promises = -> { ask(:get, "/api/studio/settings")["promises"] }
    row
    TestApp.work_on_jobs
    expect(promises.call).to eq({ "known" => 0, "held" => 0 })
    first = ask(:get, "/api/students/#{student["id"]}")["pieces"].first
    TestApp::OWNER[:promised_dates]
      .where(assignment_id: first["id"])
      .order(:id)
      .limit(1)
      .select_map(:cautious)
      .each { |date| TestApp.now = (date + 1).to_time + 12 * 3600 }
    sign_in
    row
    TestApp.work_on_jobs
    # What was learnt today takes effect tomorrow: until then dates are the same everywhere.
    expect(promises.call).to eq({ "known" => 0, "held" => 0 })
    TestApp.now = TestApp.now + 86_400
    sign_in
    expect(promises.call).to eq({ "known" => 1, "held" => 0 })
    seen = TestApp::OWNER[:studios].where(id: 1).get(Sequel.lit("learnt -> 'seen'"))
    expect(JSON.parse(seen.to_s)).to include("kept" => 0, "planned" => a_value > 3)
    ilo =
      ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", lesson_time: "18:00"))["id"]
    ask(
      :post,
      "/api/students/#{ilo}/pieces",
      { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    shown = ask(:get, "/api/students/#{ilo}")
    expect(shown["rests_on"]).to include("from what the studio's students do")
    learnt =
      Stairwell::Planning::Habit.new(
        studio: Stairwell::Planning::Habit::Seen.load(JSON.parse(seen.to_s))
      )
    expect(learnt.kept.mean).to be < Stairwell::Planning::Habit.new.kept.mean
  end

  it "asks the database as often for many students as for one, when nothing changed" do
    row
    one = queries { ask(:get, "/api/studio") }
    12.times { |at| ask(:post, "/api/students", Requests::STUDENT.merge(name: "Student #{at}")) }
    row
    expect(queries { ask(:get, "/api/studio") }).to eq(one)
  end

  it "leaves what is to be worked out to jobs, and says so" do
    3.times { |at| ask(:post, "/api/students", Requests::STUDENT.merge(name: "Student #{at}")) }
    said = -> { ask(:get, "/api/studio").map { |one| one.values_at("known", "fresh") }.tally }
    2.times { expect(said.call).to eq({ [false, false] => 4 }) }
    # lies there once
    expect(TestApp::OWNER[:que_jobs].where(Sequel.like(:job_class, "%Summarise")).count).to eq(1)
    TestApp.work_on_jobs
    expect(said.call).to eq({ [true, true] => 4 })
    ask(
      :post,
      "/api/students/#{student["id"]}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: SecureRandom.uuid }
    )
    expect(said.call).to eq({ [true, true] => 3, [true, false] => 1 })
  end

  # What is computed from an older record is not shown as new, whoever was faster.
  it "is not fresh when a box is tapped while it is worked out" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    item = ask(:get, sheet_of(student))["days"].first["items"].first
    summaries = Stairwell::Server::Repositories::Summaries
    tapped = false
    allow(summaries).to receive(:new).and_wrap_original do |made, *arguments|
      made
        .call(*arguments)
        .tap do |one|
          allow(one).to receive(:keep).and_wrap_original { |keep, *row|
            (tapped ||= tap_elsewhere(item)) && keep.call(*row)
          }
        end
    end
    Stairwell::Server::Features::Overview.new(TestApp.contexts.of_studio(1)).summarise(
      [student["id"]]
    )
    allow(summaries).to receive(:new).and_call_original
    sign_in
    expect(ask(:get, "/api/studio").first.values_at("known", "fresh")).to eq([true, false])
    expect(row["practised"]["done"]).to eq(1)
  end

  it "plans everyone once, however often it is asked for, and again once that is over or the holidays change" do
    browsers = Array.new(5) { Class.new { include Requests }.new }.each(&:sign_in)
    browsers
      .map do |browser|
        Thread.new { browser.ask(:post, "/api/studio/plans", {}) && browser.status }
      end
      .each { |thread| expect(thread.value).to eq(202) }
    runs = TestApp::OWNER[:plan_runs]
    jobs = -> do
      TestApp::OWNER[:que_jobs]
        .where(Sequel.like(:job_class, "%PlanStudio"))
        .where(finished_at: nil)
        .count
    end
    expect([runs.count, jobs.call]).to eq([1, 1])
    ask(:put, "/api/studio/settings", { holidays: [{ from: "2027-04-01", to: "2027-04-07" }] })
    expect([runs.count, jobs.call]).to eq([2, 2])
    TestApp.work_on_jobs
    ask(:post, "/api/studio/plans", {})
    expect(runs.order(:id).select_map(Sequel.lit("finished_at IS NOT NULL"))).to eq(
      [true, true, false]
    )
    # One whose machine was lost for good holds nothing up.
    runs.update(started_at: Sequel.lit("started_at - interval '2 hours'"))
    ask(:post, "/api/studio/plans", {})
    expect(runs.count).to eq(4)
  end

  # In a connection of its own, as another phone's.
  def tap_elsewhere(item)
    row = {
      studio_id: 1,
      student_id: student["id"],
      key: SecureRandom.uuid,
      assignment_id: item["assignment_id"],
      step_id: item["step_id"],
      day: Date.new(2027, 3, 4),
      kind: "repetition"
    }
    Thread.new { TestApp.keeper.in_studio(1) { |db| db[:practice_marks].insert(row) } }.join
  end
end
