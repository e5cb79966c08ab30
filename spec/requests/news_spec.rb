# frozen_string_literal: true

require_relative "../spec_helper"

# What was changed is told to those of the same studio, as numbers, once it is kept.
RSpec.describe "News" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end

  def news(since, window: "windowwindow") = ask(:get, "/api/news?since=#{since}&window=#{window}")

  def newest = news(-1).find { |one| one["channel"] == "/__status" }["data"].values.first

  def told(since) =
    news(since).reject { |one| one["channel"] == "/__status" }.map { |one| one["data"] }

  it "says whom it is about, and in which window it was done" do
    since = newest
    expect(news(since)).to eq([])
    ask(
      :put,
      "/api/students/1",
      Requests::STUDENT.merge(name: "Nella", version: student["version"]),
      "X-Window" => "abcdefgh12"
    )
    mark(sheet_of(student), student["week"]["days"].first["items"].first)
    ask(:post, "/api/pieces", { script: "title: Low Water\nbars: 4\n" })
    expect(told(since)).to eq(
      [{ "by" => "abcdefgh12", "student_id" => 1 }, { "student_id" => 1 }, { "by" => "abcdefgh12" }]
    )
    expect(last_response.body).not_to include("Nella")
    ask(
      :put,
      "/api/students/1/consent",
      { by: "", records: true, recordings: false },
      "X-Window" => "not a window <script>"
    )
    expect(told(since).last).to eq({ "student_id" => 1 })
  end

  it "tells nothing of what was refused, or read" do
    since = newest
    ask(:put, "/api/students/1", Requests::STUDENT.merge(version: 99))
    expect(status).to eq(409)
    %w[/api/students/1 /api/today /api/studio/history /api/students/1/lesson].each do |path|
      ask(:get, path)
    end
    custom_request("GET", "/api/studio/csv/students")
    expect(told(since)).to eq([])
  end

  it "tells no other studio, and nobody who is not signed in" do
    since = newest
    TestApp.studio("Far Shore", email: "far@shore.example")
    other = Class.new { include Requests }.new
    other.sign_in(email: "far@shore.example")
    mark(sheet_of(student), student["week"]["days"].first["items"].first)
    expect(told(since).size).to eq(1)
    expect(
      other.ask(:get, "/api/news?since=#{since - 1}&window=abcdefgh12").map { |one| one["channel"] }
    ).not_to include("/studio/#{studio[:studio_id]}")
    ask(:post, "/api/logout", {})
    news(since)
    expect(status).to eq(401)
  end

  it "is no use of the session: a page that is left open rests" do
    sessions = TestApp::OWNER[:account_active_session_keys]
    sessions.update(last_use: Sequel.lit("now() - interval '11 hours'"))
    before = sessions.get(:last_use)
    news(-1)
    expect([status, sessions.get(:last_use)]).to eq([200, before])
    ask(:get, "/api/today")
    expect(sessions.get(:last_use)).to be > before + 36_000
    sessions.update(last_use: Sequel.lit("now() - interval '13 hours'"))
    news(-1)
    expect(status).to eq(401)
  end

  it "holds no name in its table, and wants a number and a window" do
    ask(:post, "/api/students", Requests::STUDENT.merge(name: "Xanthippe"))
    expect(TestApp::OWNER[:message_bus].select_map(:value).join).not_to match(/xanthippe/i)
    %w[
      since=x&window=abcdefgh12
      since=1
      window=abcdefgh12
      since=1&window=../../x
      since=-2&window=abcdefgh12
    ].each do |query|
      ask(:get, "/api/news?#{query}")
      expect([query, status]).to eq([query, 400])
    end
  end

  it "keeps what is done where nobody can be told" do
    away = Stairwell::Server::News.new("postgres://nobody@127.0.0.1:1/none")
    expect { away.tell(1, student_id: 1) }.not_to raise_error
    context = TestApp.contexts.of_studio(studio[:studio_id]).with(news: away)
    Stairwell::Server::Features::Keeping.new(context).consent(
      1,
      by: "Orla Finch",
      records: true,
      recordings: false
    )
    expect(TestApp::OWNER[:students].get(:consent_by)).to eq("Orla Finch")
  end
end
