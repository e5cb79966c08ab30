# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/studio"

# How often a request asks the database: the same number whatever was done before, and
# never with the core at work while a transaction is open.
RSpec.describe "What a request asks of the database" do
  include Statements

  before do
    TestApp.studio
    sign_in
  end

  let!(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }

  def hear(step, result, **more) =
    ask(
      :post,
      "#{path}/results",
      { assignment_id: 1, step_id: step, result: result, key: SecureRandom.uuid, **more }
    )

  # Weeks of practice, results, introductions, changes by hand.
  def a_busy_term
    [4, 5, 11, 12].each do |day|
      TestApp.now = Time.utc(2027, 3, day, 12)
      ask(:get, sheet_of(student))["days"]
        .flat_map { |one| one["items"] }
        .first(2)
        .each { |item| mark(sheet_of(student), item) }
    end
    [10, 17].each do |day|
      TestApp.now = Time.utc(2027, 3, day, 16)
      sign_in
      hear("A.right", "shaky", bar: 2)
      hear("A.together", "not_yet", bar: 3)
      ask(
        :post,
        "#{path}/extra-work",
        { kind: "theory", title: "Page #{day}", minutes: 2, times: 1 }
      )
      ask(:post, "#{path}/lesson/finish", { send: false })
    end
  end

  it "is bounded for each page and act" do
    2.times do |round|
      a_busy_term if round == 1
      counts = {
        lesson: statements { ask(:get, "#{path}/lesson") },
        today: statements { ask(:get, "/api/today?teachers=all") },
        student: statements { ask(:get, path) },
        result: statements { hear("A.left", "steady") },
        spot: statements { hear("A.left", "not_yet", bar: 4) }
      }
      item = ask(:get, sheet_of(student))["days"].flat_map { |day| day["items"] }.first
      counts[:tap] = statements { mark(sheet_of(student), item) }
      { lesson: 20, today: 20, student: 21, result: 24, spot: 24, tap: 8 }.each do |name, most|
        expect(counts[name].size).to be_between(1, most),
        "#{name} takes #{counts[name].size}:\n#{counts[name].join("\n")}"
      end
    end
  end

  it "is the same for today and for the studio, however many students there are" do
    TestApp.now = Time.utc(2027, 3, 10, 12)
    counts =
      lambda do
        sign_in
        %w[/api/today?teachers=all /api/studio].map { |page| statements { ask(:get, page) }.size }
      end
    ask(:get, "/api/studio")
    TestApp.work_on_jobs
    fresh = counts.call
    50.times { |at| ask(:post, "/api/students", Requests::STUDENT.merge(name: "Student #{at}")) }
    ask(:get, "/api/studio")
    expect(counts.call).to eq(fresh)
    TestApp.work_on_jobs
    expect(counts.call).to eq(fresh)
  end

  it "keeps nothing of the studio's when a page is only read" do
    a_busy_term
    TestApp.now = Time.utc(2027, 3, 23, 12) # after missed days
    sign_in
    written =
      statements do
        [
          path,
          "#{path}/lesson",
          "/api/today",
          "/api/pieces",
          "/api/pieces/1",
          "/api/students",
          "/api/studio/settings",
          "/api/routines",
          "/api/outbox",
          sheet_of(student),
          "#{path}/week.pdf",
          "#{sheet_of(student)}/week.pdf"
        ].each { |page| custom_request("GET", page) }
      end
    expect(written.grep(/\A(?:INSERT|UPDATE|DELETE)/)).to eq([])
  end
end
