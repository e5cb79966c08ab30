# frozen_string_literal: true

require_relative "../spec_helper"

# Two people at one student's record in the same moment: each act is computed from how
# things stand when it is kept, so that none is lost and none is counted twice.
RSpec.describe "Two at once" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece.tap { TestApp.now = Time.utc(2027, 3, 8, 12) }
  end
  let(:path) { "/api/students/#{student["id"]}" }

  # Lets the other act come in between the reading of an act and its keeping, once.
  def in_between(&other)
    original = Stairwell::Server::Repositories::Records.instance_method(:find)
    allow_any_instance_of(Stairwell::Server::Repositories::Records).to receive(
      :find
    ) do |records, *args, **options, &more|
      found = original.bind_call(records, *args, **options, &more)
      once, other = other, nil
      once&.call
      found
    end
  end

  # The same application, as another browser of the same teacher reaches it.
  def other_browser
    @other_browser ||=
      Class
        .new { include Requests }
        .new
        .then do |browser|
          browser.sign_in
          browser
        end
  end

  def result(step, result, key: SecureRandom.uuid) =
    { assignment_id: step["assignment_id"], step_id: step["id"], result: result, key: key }

  def steps = ask(:get, "#{path}/lesson")["steps"]

  def rows(table) = TestApp::OWNER[table].count

  it "keeps both of two results, and the week that follows from both" do
    one, other = steps.first(2)
    browser = other_browser
    in_between { browser.ask(:post, "#{path}/results", result(other, "secure")) }
    answer = ask(:post, "#{path}/results", result(one, "secure"))
    expect(status).to eq(201)
    results =
      answer["steps"].select { |step| step["result"] }.to_h { |step| [step["id"], step["result"]] }
    expect(results).to include(one["id"] => "secure", other["id"] => "secure")
    expect(rows(:lesson_results)).to eq(2)
    planned =
      answer["next_week"]["days"].flat_map { |day| day["items"].map { |item| item["step_id"] } }
    ask(:post, "#{path}/week", {})
    alone =
      ask(:get, "#{path}/lesson")["next_week"]["days"].flat_map do |day|
        day["items"].map { |item| item["step_id"] }
      end
    expect(planned).to eq(alone)
  end

  it "counts a result once that was sent twice with one key, even at the same moment" do
    step = steps.first
    sent = result(step, "steady")
    browser = other_browser
    in_between { browser.ask(:post, "#{path}/results", sent) }
    ask(:post, "#{path}/results", sent)
    expect(status).to eq(201)
    expect(rows(:lesson_results)).to eq(1)
  end

  it "adds a student, and work beside the pieces, once that were sent twice with one key, even at the same moment" do
    browser = other_browser
    nella = Requests::STUDENT.merge(name: "Nella", key: SecureRandom.uuid)
    ids = [
      Thread.new { browser.ask(:post, "/api/students", nella)["id"] },
      Thread.new { ask(:post, "/api/students", nella)["id"] }
    ].map(&:value)
    expect(
      [ids.uniq.size, ask(:get, "/api/students").count { |one| one["name"] == "Nella" }]
    ).to eq([1, 1])
    work = { kind: "theory", title: "Page 3", minutes: 2, times: 1, key: SecureRandom.uuid }
    in_between { browser.ask(:post, "#{path}/extra-work", work) }
    expect(ask(:post, "#{path}/extra-work", work)["extra_work"].map { |one| one["title"] }).to eq(
      ["Page 3"]
    )
    ask(:post, "#{path}/extra-work", work.except(:key))
    expect(rows(:extra_work)).to eq(2)
    answer = ask(:post, "/api/students/#{ids.first}/extra-work", work)
    expect([status, answer["code"], rows(:extra_work)]).to eq([409, "key_used", 2])
  end

  it "hears a step with the tap in it that came in meanwhile" do
    sheet = sheet_of(student)
    ask(:get, sheet)
    TestApp.work_on_jobs # the missed days are worked into the week
    item = ask(:get, sheet)["days"].find { |day| day["date"] == "2027-03-08" }["items"].first
    browser = other_browser
    in_between { browser.mark(sheet, item) }
    ask(:post, "#{path}/results", result(steps.first, "shaky"))
    expect(status).to eq(201)
    expect(rows(:practice_marks)).to eq(1)
    kept = TestApp::OWNER[:practice_marks].first
    expect(kept.values_at(:assignment_id, :step_id)).to eq(
      item.values_at("assignment_id", "step_id")
    )
    days = ask(:get, sheet)["days"]
    expect(
      days.find { |day| day["date"] == "2027-03-08" }["items"].sum { |one| one["done"] }
    ).to eq(1)
  end

  it "plans no piece away that was given meanwhile" do
    piece =
      ask(:post, "/api/pieces", { script: Requests::SCRIPT.sub("The Lock Gate", "Low Water") })[
        "id"
      ]
    browser = other_browser
    in_between do
      browser.ask(
        :post,
        "#{path}/pieces",
        { piece_id: piece, routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
      )
    end
    ask(
      :put,
      path,
      { **Requests::STUDENT, name: "Nell", minutes_a_day: 30, version: student["version"] }
    )
    expect([200, 409]).to include(status)
    expect(ask(:get, path)["pieces"].map { |one| one["title"] }).to contain_exactly(
      "The Lock Gate",
      "Low Water"
    )
  end

  it "does not show a summary as fresh that a tap made old between its reading and its keeping" do
    sheet = sheet_of(student)
    item = ask(:get, sheet)["days"].flat_map { |day| day["items"] }.first
    TestApp.work_on_jobs
    ask(:get, "/api/studio")
    in_summary = Stairwell::Studio::Summary.method(:of)
    browser = other_browser
    versions = []
    allow(Stairwell::Studio::Summary).to receive(:of) do |record|
      browser.mark(sheet, item) if versions.empty?
      versions << record.version
      in_summary.call(record)
    end
    TestApp.work_on_jobs
    expect(versions.size).to eq(2)
    expect(versions.last).to be > versions.first
    expect(
      TestApp::OWNER[:student_summaries].where(student_id: student["id"]).get(:record_version)
    ).to eq(versions.last)
  end
end
