# frozen_string_literal: true

require_relative "../spec_helper"

# What a family writes on its sheet, and who has read it.
RSpec.describe "A family's messages" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:sheet) { sheet_of(student) }
  let(:path) { "/api/students/#{student["id"]}" }

  def write(text, key: SecureRandom.uuid, **more) =
    ask(:post, "#{sheet}/messages", { key: key, text: text, **more })

  def texts = ask(:get, "#{path}/messages").map { |one| one.values_at("day", "text", "read") }

  it "stand with their day until someone has read them, and can be put back" do
    clear_cookies
    write("  Bar 12 is too hard\n", day: "2027-03-02", written_at: "2027-03-02T18:00:00+01:00")
    expect(status).to eq(201)
    expect(write("She was ill on Monday").map { |one| one.values_at("day", "text", "read") }).to eq(
      [["2027-03-02", "Bar 12 is too hard", false], ["2027-03-03", "She was ill on Monday", false]]
    )
    sign_in
    expect(texts).to eq(
      [["2027-03-02", "Bar 12 is too hard", false], ["2027-03-03", "She was ill on Monday", false]]
    )
    expect(ask(:get, "/api/today")["lessons"].map { |one| one["messages"] }).to eq([2])
    first = ask(:get, "#{path}/messages").first["id"]
    expect(ask(:put, "#{path}/messages/#{first}", { read: true }).first).to include(
      "read" => true,
      "reader" => "Mira Quist"
    )
    expect(ask(:get, "/api/today")["lessons"].map { |one| one["messages"] }).to eq([1])
    expect(ask(:get, sheet)["messages"].map { |one| one["read"] }).to eq([true, false])
    expect(ask(:put, "#{path}/messages/#{first}", { read: false }).first).to include(
      "read" => false,
      "reader" => nil
    )
    expect(ask(:put, "#{path}/messages/999", { read: true })).to include(
      "status" => 404,
      "detail" => a_string_including("message")
    )
  end

  it "that waited on the phone come however late, and once" do
    key = SecureRandom.uuid
    2.times { write("Written by the sea", key: key, day: "2026-12-20") }
    expect(status).to eq(201)
    expect(texts).to eq([["2026-12-20", "Written by the sea", false]])
    expect(write("From tomorrow", day: "2027-03-04")).to include("status" => 422, "field" => "day")
    other =
      ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", lesson_time: "18:00"))["id"]
    link = sheet_of(ask(:post, "/api/students/#{other}/link", {}))
    expect(ask(:post, "#{link}/messages", { key: key, text: "Of another child" })["code"]).to eq(
      "key_used"
    )
  end

  it "are refused when empty, too long, or with no end; with the reason" do
    ["", " \n ", "x" * 501, "a\u0000b"].each do |text|
      write(text)
      expect(status).to eq(400), text
    end
    40.times { |at| write("Day #{at}") }
    expect(status).to eq(201)
    expect(write("One more")).to include(
      "status" => 422,
      "code" => "too_many_messages",
      "detail" => a_string_including("wait to be read")
    )
    expect(texts.size).to eq(40)
    expect(ask(:get, sheet)["messages"].size).to eq(8)
  end

  it "come in no longer once the link is withdrawn" do
    ask(:delete, "#{path}/link", {})
    write("Is anyone there?")
    expect(status).to eq(404)
    expect(TestApp::OWNER[:messages].count).to eq(0)
  end
end
