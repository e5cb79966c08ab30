# frozen_string_literal: true

require_relative "../spec_helper"

# One computation for one fact: whatever was done, the dates of a piece are the same wherever they
# are shown.
RSpec.describe "The dates of a piece" do
  script =
    "title: Reed Song\nbars: 8\ntime: 4/4\ntempo: target 60\nsection A: 1-4\nsection B: 5-8 like A except 8\n"
  acts = 50

  before do
    TestApp.studio
    sign_in
    ask(:post, "/api/pieces", { script: script })
    2.times do |at|
      ask(
        :post,
        "/api/students",
        Requests::STUDENT.merge(name: "Nell #{at}", key: SecureRandom.uuid)
      )
    end
    ask(:post, "/api/students/1/link", {})
    2.times do |at|
      ask(
        :post,
        "/api/students/#{at + 1}/pieces",
        { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
      )
    end
  end

  def dates(outlook) = outlook&.values_at("likely", "cautious")

  # @return [Array] as the studio, the student's page and the lesson show them
  def shown
    ask(:get, "/api/studio")
    TestApp.work_on_jobs
    [
      ask(:get, "/api/studio").find { |row| row["id"] == 1 }["outlooks"].first,
      ask(:get, "/api/students/1")["pieces"].first["outlook"],
      ask(:get, "/api/students/1/lesson")["outlooks"].first
    ].map { |outlook| dates(outlook) }
  end

  def steps = ask(:get, "/api/students/1")["pieces"].first["steps"].map { |step| step["id"] }

  def act(random)
    case random.rand(6)
    when 0, 1
      items = ask(:get, "/api/students/1")["week"]["days"].flat_map { |day| day["items"] }
      item = items.select { |one| one["step_id"] }.sample(random: random)
      item && mark("/api/sheet/#{link}", item)
    when 2
      result = %w[not_yet shaky steady secure].sample(random: random)
      ask(
        :post,
        "/api/students/1/results",
        {
          assignment_id: 1,
          step_id: steps.sample(random: random),
          result: result,
          key: SecureRandom.uuid
        }
      )
    when 3
      ask(:post, "/api/students/1/week", {})
    when 4
      ask(
        :put,
        "/api/students/1/pieces/1",
        { due_on: (Date.new(2027, 4, 1) + random.rand(60)).to_s }
      )
    else
      TestApp.now = TestApp.now + 86_400 * random.rand(1..3)
      sign_in
    end
  end

  def link = TestApp.sheet_token(TestApp::OWNER[:sheet_links].first)

  it "are the same on the studio's, the student's and the lesson's page after each of #{acts} acts" do
    random = Random.new(17)
    found =
      Array.new(acts) do
        act(random)
        shown
      end
    expect(found.map { |all| all.uniq.size }.uniq).to eq([1]),
    found.find { |all| all.uniq.size > 1 }.inspect
    # They do move.
    expect(found.map(&:first).uniq.size).to be > 5
  end
end
