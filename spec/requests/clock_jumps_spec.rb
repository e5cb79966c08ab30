# frozen_string_literal: true

require_relative "../spec_helper"

# A machine's clock that was wrong: it stood still, ran ahead, or is set back in the middle of a
# lesson. Nothing is lost, and nothing fails.
RSpec.describe "A clock that jumps" do
  noon = Time.utc(2027, 3, 3, 12)
  day = 86_400

  let!(:student) do
    TestApp.studio
    TestApp.now = noon
    sign_in
    student_with_piece
  end
  let(:path) { "/api/students/#{student["id"]}" }

  # Everything a teacher and a family do in a week.
  def everything
    key = -> { SecureRandom.uuid }
    sheet = sheet_of(student)
    item = ask(:get, sheet)["days"].flat_map { |one| one["items"] }.first
    mark(sheet, item) if item
    TestApp.work_on_jobs
    ask(
      :post,
      "#{path}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: key.call }
    )
    ask(:post, "#{path}/week", {})
    %w[
      /api/today
      /api/studio
      /api/timetable
      /api/classes
      /api/outbox
      /api/studio/history
    ].each do |at|
      ask(:get, at)
      expect(status).to eq(200), at
    end
    ["", "/lesson", "/messages"].each do |at|
      ask(:get, "#{path}#{at}")
      expect(status).to eq(200), at
    end
    custom_request("GET", "#{path}/week.pdf")
    expect(last_response.status).to eq(200)
    ask(:post, "#{path}/lesson/finish", { send: false })
    expect(status).to be < 500
  end

  {
    "back an hour" => -day / 24,
    "back three days" => -3 * day,
    "back to before the student came" => -60 * day,
    "ahead over a year" => 400 * day,
    "ahead into summer time" => 26 * day
  }.each do |name, seconds|
    it "goes #{name}, and right again" do
      everything
      before = TestApp::OWNER[:lesson_results].select_map(:key)
      TestApp.now = noon + seconds
      sign_in
      everything
      TestApp.now = noon + 2 * day
      sign_in
      everything
      kept = TestApp::OWNER[:lesson_results].select_map(:key)
      expect(kept).to include(*before)
      expect(kept.size).to be > before.size
      expect(ask(:get, path)["week"]["days"].map { |one| one["date"] }).to all(
        be_between("2027-03-03", "2027-03-20")
      )
    end
  end
end
