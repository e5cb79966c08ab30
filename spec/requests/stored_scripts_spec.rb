# frozen_string_literal: true

require_relative "../spec_helper"
require "icalendar"
require "pdf-reader"

# What somebody typed is text wherever it comes out again: on pages, on paper, in calendars, in
# mail, in tables.
RSpec.describe "A name that would like to be a program" do
  evil = %(<script>alert(1)</script>"><img src=x onerror=alert(2)>)

  before do
    TestApp.studio(%(=cmd|' /C calc'!A0 #{evil}))
    sign_in
    script = Requests::SCRIPT.sub("The Lock Gate", "Gate #{evil}")
    ask(:post, "/api/pieces", { script: script })
    ask(
      :post,
      "/api/students",
      Requests::STUDENT.merge(name: evil[0, 60], email: "home@quay.example")
    )
    ask(
      :post,
      "/api/students/1/pieces",
      { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    @sheet = ask(:post, "/api/students/1/link", {})["sheet_path"].sub("/s/", "/api/sheet/")
    ask(:post, "#{@sheet}/messages", { key: SecureRandom.uuid, text: evil })
  end

  it "is sent as data that no browser takes for a page" do
    %w[
      students
      students/1
      students/1/lesson
      students/1/messages
      pieces
      pieces/1
      studio
      session
    ].each do |path|
      get "/api/#{path}"
      expect(last_response.headers).to include(
        "content-type" => start_with("application/json"),
        "x-content-type-options" => "nosniff"
      )
    end
    get "/students/1"
    expect(last_response.body).not_to include("alert(")
    load_score(
      Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map),
      name: "#{evil}.musicxml"
    )
    [1, 2].each do |piece|
      custom_request("GET", "/api/pieces/#{piece}/export/musicxml")
      expect(last_response.headers["content-disposition"]).to eq(
        %(attachment; filename="piece-#{piece}.musicxml")
      )
    end
  end

  it "stands on paper as it was typed" do
    get "/api/students/1/week.pdf"
    text = PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join.gsub(/\s/, "")
    expect(text).to include("<script>alert(1)</script>")
    get "/api/pieces/1/pencil.pdf"
    expect(
      PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join.gsub(/\s/, "")
    ).to include("<script>")
  end

  it "makes no event of a calendar, no head of a letter and no formula of a table" do
    ask(
      :put,
      "/api/students/1",
      Requests::STUDENT.merge(
        name: "Nell\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nSUMMARY:Evil",
        version: 1
      )
    )
    path = ask(:post, "/api/students/1/calendar", {})["calendar_path"]
    get path
    summaries =
      Icalendar::Calendar
        .parse(last_response.body)
        .flat_map(&:events)
        .map { |event| event.summary.to_s }
    expect(summaries).not_to include("Evil")
    sent = nil
    allow_any_instance_of(Mail::Message).to receive(:deliver!) { |mail| sent = mail }
    smtp = Stairwell::Server::Settings::Smtp.new(host: "127.0.0.1", port: 1, from: "a@quay.example")
    Stairwell::Server::Mailer.new(smtp).deliver(
      to: "home@quay.example",
      subject: "Nell\r\nBcc: evil@x.example\r\n\r\n<b>Hi</b>",
      body: evil
    )
    expect(Mail.new(sent.to_s).destinations).to eq(["home@quay.example"])
    expect(sent.mime_type).to eq("text/plain")
    get "/api/studio/csv/students"
    expect(last_response.body.lines.grep(/\A[=+\-@]/)).to eq([])
  end
end
