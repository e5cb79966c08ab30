# frozen_string_literal: true

require_relative "../spec_helper"

# Who did what, when, to whom.
RSpec.describe "The history of a studio" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:path) { "/api/students/#{student["id"]}" }

  def rows = TestApp::OWNER[:history].order(:id)

  def listed(query = "") =
    ask(:get, "/api/studio/history#{query}").map do |one|
      one.values_at("who", "what", "student", "piece")
    end

  def second(role = "teacher")
    account =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "second@quay.example",
        name: "Oren Tull",
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(
      studio_id: TestApp::OWNER[:studios].get(:id),
      account_id: account,
      role: role
    )
  end

  let(:owner) { TestApp::OWNER[:accounts].where(email: "owner@quay.example").get(:name) }

  it "has each change once, with whom it is about, and none that was refused" do
    expect(listed.reverse).to eq(
      [
        [owner, "typed a page", nil, nil],
        [owner, "added a student", nil, nil],
        [owner, "gave a piece", "Nell", nil],
        [owner, "made a private link", "Nell", nil]
      ]
    )
    before = rows.count
    ask(:put, path, Requests::STUDENT.merge(version: 99))
    expect(status).to eq(409)
    ask(
      :post,
      "#{path}/pieces",
      { piece_id: 99, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    expect(status).to be >= 400
    ask(:post, "/api/pieces/1/draft", { script: "bars: 4\n" })
    ask(:get, path)
    expect(rows.count).to eq(before)
    piece = ask(:get, "/api/pieces/1")
    ask(
      :put,
      "/api/pieces/1/script",
      { script: "#{piece["script"]}# once more\n", revision: piece["revision"] }
    )
    expect(listed.first).to eq([owner, "changed a page", nil, "The Lock Gate"])
  end

  it "never has the one without the other: what falls before it is noted is not kept" do
    allow_any_instance_of(Stairwell::Server::Repositories::History).to receive(:add).and_raise(
      Sequel::DatabaseError,
      "the disk is full"
    )
    expect { ask(:put, path, Requests::STUDENT.merge(version: 1, name: "Nelly")) }.to raise_error(
      /The server failed/
    )
    expect(TestApp::OWNER[:students].get(:name)).to eq("Nell")
  end

  it "says who read a record of a student they do not teach, once a day, and who took records away" do
    second
    clear_cookies
    sign_in(email: "second@quay.example")
    3.times { ask(:get, path) }
    ask(:get, "#{path}/lesson")
    own = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada"))["id"]
    ask(:get, "/api/students/#{own}")
    ask(:get, "/api/students/9999")
    TestApp.now = Time.utc(2027, 3, 9, 12)
    sign_in(email: "second@quay.example")
    ask(:get, path)
    clear_cookies
    sign_in
    custom_request("GET", "/api/studio/csv/students")
    expect(listed("?kind=read").reverse).to eq(
      [
        ["Oren Tull", "read a student's record", "Nell", nil],
        ["Oren Tull", "opened the lesson of another's student", "Nell", nil],
        ["Oren Tull", "read a student's record", "Nell", nil]
      ]
    )
    expect(listed("?kind=taken")).to eq([[owner, "took a table out", nil, nil]])
    expect(listed("?student=#{own}")).to eq([])
    expect(
      listed(
        "?account=#{TestApp::OWNER[:accounts].where(name: "Oren Tull").get(:id)}&kind=students"
      )
    ).to eq([])
  end

  it "is only added to, shown a hundred at a time, and to the owner alone" do
    app = TestApp.store.db
    [-> { app[:history].update(operation: "x") }, -> { app[:history].delete }].each do |act|
      expect(&act).to raise_error(Sequel::DatabaseError, /permission denied/)
    end
    row = rows.first
    TestApp::OWNER[:history].multi_insert(
      Array.new(230) { row.except(:id).merge(operation: "tick", student_id: student["id"]) }
    )
    ids = []
    3.times do
      ids << ask(
        :get,
        "/api/studio/history?kind=lessons#{"&before=#{ids.flatten.last}" if ids.any?}"
      ).map { |one| one["id"] }
    end
    expect(ids.map(&:size)).to eq([100, 100, 30])
    expect(ids.flatten).to eq(ids.flatten.sort.reverse)
    second("teacher")
    clear_cookies
    sign_in(email: "second@quay.example")
    ask(:get, "/api/studio/history")
    expect(status).to eq(403)
  end

  it "stays within its studio" do
    TestApp.studio("Other Quay", email: "other@quay.example")
    clear_cookies
    sign_in(email: "other@quay.example")
    expect(listed).to eq([])
  end

  it "has words for everything that can be done" do
    rights = Stairwell::Server::Rights
    operations =
      rights::OPERATIONS.except(:door, :read).values.flatten + rights::TAKING + rights::READING
    said =
      operations.uniq.map { |operation| Stairwell::Server::Features::History.said(operation).to_s }
    expect(said.uniq.size).to eq(said.size)
    expect(said).to all(match(/\A[a-z]/))
  end
end
