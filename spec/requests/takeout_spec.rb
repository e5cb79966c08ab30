# frozen_string_literal: true

require_relative "../spec_helper"
require "csv"

# What a studio takes out, read back with Ruby's own CSV library, as another program would read it.
RSpec.describe "What is taken out" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:path) { "/api/students/#{student["id"]}" }

  def table(name)
    header("X-CSRF-Token", @csrf)
    custom_request("GET", "/api/studio/csv/#{name}")
    expect([last_response.status, last_response.headers["content-type"]]).to eq([200, "text/csv;charset=utf-8"])
    text = last_response.body.dup.force_encoding(Encoding::UTF_8)
    expect(text).to start_with("\uFEFF")
    expect(text.delete("\r\n").size).to eq(text.size - text.scan("\r\n").join.size), "lines end as RFC 4180 says"
    CSV.parse(text.delete_prefix("\uFEFF"), headers: true, row_sep: "\r\n").map(&:to_h)
  end

  it "is every student, as a list that can be loaded again" do
    ask(:post, "/api/students", Requests::STUDENT.merge(name: "Åse, “the small one” Łucja", lesson_time: "16:05", practice_days: [0, 1, 3]))
    found = table("students")
    expect(found.map { |row| row["name"] }).to contain_exactly("Nell", "Åse, “the small one” Łucja")
    expect(found.last).to include("lesson time" => "16:05", "minutes a day" => "20", "left on" => nil)
    again = CSV.generate { |csv| [found.first.keys, *found.map(&:values)].each { |row| csv << row } }
    read = ask(:post, "/api/students/read", {text: again})
    expect(read["lines"].flat_map { |line| line["troubles"] }).to eq([])
    expect(read["lines"].map { |line| line["student"].values_at("name", "lesson_time", "minutes_a_day") }).to eq(found.map { |row| [row["name"], row["lesson time"], 20] })
    expect(read["lines"].map { |line| line["student"]["practice_days"].sort }.last).to eq([0, 1, 3])
    expect(read["lines"].last["student"]["lesson_weekday"]).to eq(Requests::STUDENT[:lesson_weekday])
  end

  it "is results by their last word, practice without what was taken back, and every piece that was given" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    own = student["pieces"].first["id"]
    hear = ->(result, **more) { ask(:post, "#{path}/results", {assignment_id: own, step_id: "A.right", result: result, key: SecureRandom.uuid, **more}) }
    hear["shaky"]
    hear["not_yet", bar: 3, cause: "notes", stumbles: 4, note: "=1+1 at bar 3"]
    keys = Array.new(3) { SecureRandom.uuid }
    mark = ->(key, kind, **more) { ask(:post, "#{sheet_of(student)}/marks", {key: key, kind: kind, assignment_id: own, step_id: "A.right", **more}) }
    keys.each { |key| mark[key, "repetition"] }
    mark[SecureRandom.uuid, "undo", undoes: keys.last]
    mark[SecureRandom.uuid, "struggle"]
    expect(table("results")).to match([a_hash_including("day" => "2027-03-10", "student" => "Nell", "piece" => "The Lock Gate", "step" => "A, right hand", "result" => "not yet", "bar" => "3", "stumbles" => "4", "note" => "'=1+1 at bar 3")])
    expect(table("practice")).to eq([{"day" => "2027-03-10", "student" => "Nell", "piece" => "The Lock Gate", "step" => "A, right hand", "times" => "2", "hard" => "1", "hurt" => "0"}])
    ask(:post, "#{path}/pieces/#{own}/end", {ended: "passed"})
    expect(table("repertoire")).to match([a_hash_including("student" => "Nell", "piece" => "The Lock Gate", "ended" => "passed", "ended on" => "2027-03-10")])
  end

  # What a cell must not begin with, by OWASP's page on CSV injection (from memory).
  it "runs nothing in a spreadsheet, whatever was typed" do
    hostile = ["=HYPERLINK(\"http://x\")", "+1", "-1", "@SUM(A1)", "\tx", "\rx", "plain"]
    text = Stairwell::Formats::CsvTable.write(["a"], hostile.zip)
    read = CSV.parse(text.delete_prefix("\uFEFF"), headers: true, row_sep: "\r\n").map { |row| row["a"] }
    expect(read).to eq(hostile.map { |one| (one == "plain") ? one : "'#{one}" })
    expect(Stairwell::Formats::CsvTable.write(["n"], [[-4], [1.5]]).lines.drop(1).map(&:chomp)).to eq(%w[-4 1.5])
  end
end
