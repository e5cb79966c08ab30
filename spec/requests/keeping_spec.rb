# frozen_string_literal: true

require_relative "../spec_helper"

# What a guardian agreed to, and the end of what is kept of one who has left: told first, then
# erased, by itself.
RSpec.describe "Records of students who left" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:path) { "/api/students/#{student["id"]}" }

  def on(text) = TestApp.now = Time.utc(*text.split("-").map(&:to_i), 12)

  def jobs =
    TestApp::OWNER[:que_jobs]
      .where(job_class: "Stairwell::Server::Jobs::EndKeeping")
      .order(:run_at)
      .select_map(:run_at)
      .map { |at| at.utc.to_date.to_s }

  # What a worker does on that day, where a job lies for it.
  def tend(text)
    on(text)
    due =
      TestApp::OWNER[:que_jobs]
        .where(job_class: "Stairwell::Server::Jobs::EndKeeping")
        .where { run_at <= Time.utc(*text.split("-").map(&:to_i), 12) }
        .order(:id)
        .all
    due.each do |job|
      TestApp::OWNER[:que_jobs].where(id: job[:id]).delete
      Stairwell::Server::Jobs::EndKeeping.allocate.run(*JSON.parse(job[:args]))
    end
  end

  def leave(months: 6)
    ask(:put, "/api/studio/keeping", { keep_months: months })
    on("2027-03-10")
    ask(:post, "#{path}/leave", {})
  end

  it "are told of to the owners a month before, then erased, with nobody's name left" do
    leave
    expect(jobs).to eq(["2027-08-11"])
    expect(ask(:get, "/api/studio/keeping")["ending"]).to eq(
      [
        {
          "id" => student["id"],
          "name" => "Nell",
          "left_on" => "2027-03-10",
          "ends_on" => "2027-09-10",
          "erase_on" => nil
        }
      ]
    )
    tend("2027-08-10")
    expect(TestApp::OWNER[:outbox].count).to eq(0)
    tend("2027-08-11")
    mail = TestApp::OWNER[:outbox].first
    expect(mail.values_at(:recipient, :subject)).to eq(
      ["owner@quay.example", "What is kept of Nell will be erased on 10 September 2027"]
    )
    expect(jobs).to eq(["2027-09-10"])
    expect(ask(:get, "/api/studio/keeping")["ending"].first["erase_on"]).to eq("2027-09-10")
    tend("2027-09-09")
    expect(TestApp::OWNER[:students].count).to eq(1)
    tend("2027-09-10")
    TestApp.erase_as_asked
    expect(
      [
        TestApp::OWNER[:students].count,
        TestApp::OWNER[:outbox].count,
        TestApp::OWNER[:erasures].count,
        jobs
      ]
    ).to eq([0, 0, 1, []])
    expect(ask(:get, "/api/studio/history").first.slice("who", "what", "student")).to eq(
      "who" => "Stairwell, as the settings say",
      "what" => "erased what was kept of one who left long ago",
      "student" => nil
    )
    expect(ask(:get, "/api/studio/keeping")["ending"]).to eq([])
  end

  it "stay where the student is back, and where somebody keeps them longer" do
    leave
    tend("2027-08-11")
    kept = ask(:post, "#{path}/keep", { months: 12 })["ending"].first
    expect(kept.values_at("ends_on", "erase_on")).to eq(["2028-09-10", nil])
    expect(jobs).to eq(["2028-08-11"])
    tend("2027-09-10")
    expect(TestApp::OWNER[:students].count).to eq(1)
    ask(:post, "#{path}/return", {})
    expect([jobs, ask(:get, "/api/studio/keeping")["ending"]]).to eq([[], []])
    tend("2028-10-10")
    expect(TestApp::OWNER[:students].count).to eq(1)
  end

  it "end by the setting as it is now, with a month's word also where the end is past already" do
    leave(months: nil)
    expect(jobs).to eq([])
    on("2029-01-01")
    ask(:put, "/api/studio/keeping", { keep_months: 6 })
    expect(jobs).to eq(["2027-08-11"])
    tend("2029-01-01")
    expect([TestApp::OWNER[:outbox].count, jobs]).to eq([1, ["2029-01-31"]])
    ask(:put, "/api/studio/keeping", { keep_months: nil })
    tend("2029-01-31")
    expect([TestApp::OWNER[:students].count, jobs]).to eq([1, []])
  end

  it "are erased once, and the job that comes twice does nothing" do
    leave
    tend("2027-08-11")
    on("2027-09-10")
    2.times { Stairwell::Server::Jobs::EndKeeping.allocate.run(studio[:studio_id], student["id"]) }
    2.times { TestApp.erase_as_asked }
    expect(
      [
        TestApp::OWNER[:students].count,
        TestApp::OWNER[:history].where(operation: "endKeeping").count
      ]
    ).to eq([0, 1])
  end

  it "stay where the studio has changed its mind while the job was at it" do
    leave
    tend("2027-08-11")
    on("2027-09-10")
    at_work =
      Stairwell::Server::Features::Keeping.new(TestApp.contexts.of_studio(studio[:studio_id]))
    ask(:put, "/api/studio/keeping", { keep_months: nil })
    at_work.tend(student["id"])
    expect(TestApp::OWNER[:students].count).to eq(1)
  end

  it "say whose guardian has agreed to what, since when" do
    expect(ask(:get, "/api/students").first["consent_missing"]).to be(false)
    ask(:put, "/api/studio/keeping", { asks_consent: true })
    expect(ask(:get, "/api/studio/keeping")["missing"]).to eq(
      [{ "id" => student["id"], "name" => "Nell" }]
    )
    expect(ask(:get, "/api/students").first["consent_missing"]).to be(true)
    on("2027-03-04")
    ask(:put, "#{path}/consent", { by: " Orla Finch ", records: true, recordings: false })
    on("2027-03-09")
    ask(:put, "#{path}/consent", { by: "Orla Finch", records: true, recordings: true })
    expect(ask(:get, path)["consent"]).to eq(
      "asked" => true,
      "by" => "Orla Finch",
      "records_on" => "2027-03-04",
      "recordings_on" => "2027-03-09"
    )
    expect(ask(:get, "/api/studio/keeping")["missing"]).to eq([])
    ask(:put, "#{path}/consent", { by: "Orla Finch", records: false, recordings: true })
    expect(ask(:get, path)["consent"].values_at("records_on", "recordings_on")).to eq(
      [nil, "2027-03-09"]
    )
  end
end
