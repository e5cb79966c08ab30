# frozen_string_literal: true

require_relative "../spec_helper"
require "csv"
require "json_schemer"
require "pdf/reader"
require "zip"

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
    expect([last_response.status, last_response.headers["content-type"]]).to eq(
      [200, "text/csv;charset=utf-8"]
    )
    text = last_response.body.dup.force_encoding(Encoding::UTF_8)
    expect(text).to start_with("\uFEFF")
    expect(text.delete("\r\n").size).to eq(text.size - text.scan("\r\n").join.size),
    "lines end as RFC 4180 says"
    CSV.parse(text.delete_prefix("\uFEFF"), headers: true, row_sep: "\r\n").map(&:to_h)
  end

  it "is every student, as a list that can be loaded again" do
    ask(
      :post,
      "/api/students",
      Requests::STUDENT.merge(
        name: "Åse, “the small one” Łucja",
        lesson_time: "16:05",
        practice_days: [0, 1, 3]
      )
    )
    found = table("students")
    expect(found.map { |row| row["name"] }).to contain_exactly("Nell", "Åse, “the small one” Łucja")
    expect(found.last).to include(
      "lesson time" => "16:05",
      "minutes a day" => "20",
      "left on" => nil
    )
    again =
      CSV.generate { |csv| [found.first.keys, *found.map(&:values)].each { |row| csv << row } }
    read = ask(:post, "/api/students/read", { text: again })
    expect(read["lines"].flat_map { |line| line["troubles"] }).to eq([])
    expect(
      read["lines"].map { |line| line["student"].values_at("name", "lesson_time", "minutes_a_day") }
    ).to eq(found.map { |row| [row["name"], row["lesson time"], 20] })
    expect(read["lines"].map { |line| line["student"]["practice_days"].sort }.last).to eq([0, 1, 3])
    expect(read["lines"].last["student"]["lesson_weekday"]).to eq(
      Requests::STUDENT[:lesson_weekday]
    )
  end

  it "is results by their last word, practice without what was taken back, and every piece that was given" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    own = student["pieces"].first["id"]
    hear = ->(result, **more) do
      ask(
        :post,
        "#{path}/results",
        { assignment_id: own, step_id: "A.right", result: result, key: SecureRandom.uuid, **more }
      )
    end
    hear["shaky"]
    hear["not_yet", bar: 3, cause: "notes", stumbles: 4, note: "=1+1 at bar 3"]
    keys = Array.new(3) { SecureRandom.uuid }
    mark = ->(key, kind, **more) do
      ask(
        :post,
        "#{sheet_of(student)}/marks",
        { key: key, kind: kind, assignment_id: own, step_id: "A.right", **more }
      )
    end
    keys.each { |key| mark[key, "repetition"] }
    mark[SecureRandom.uuid, "undo", undoes: keys.last]
    mark[SecureRandom.uuid, "struggle"]
    expect(table("results")).to match(
      [
        a_hash_including(
          "day" => "2027-03-10",
          "student" => "Nell",
          "piece" => "The Lock Gate",
          "step" => "A, right hand",
          "result" => "not yet",
          "bar" => "3",
          "stumbles" => "4",
          "note" => "'=1+1 at bar 3"
        )
      ]
    )
    expect(table("practice")).to eq(
      [
        {
          "day" => "2027-03-10",
          "student" => "Nell",
          "piece" => "The Lock Gate",
          "step" => "A, right hand",
          "times" => "2",
          "hard" => "1",
          "hurt" => "0"
        }
      ]
    )
    ask(:post, "#{path}/pieces/#{own}/end", { ended: "passed" })
    expect(table("repertoire")).to match(
      [
        a_hash_including(
          "student" => "Nell",
          "piece" => "The Lock Gate",
          "ended" => "passed",
          "ended on" => "2027-03-10"
        )
      ]
    )
  end

  it "is all of one student, to be handed over, and nothing of another" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ottilie"))["id"]
    ask(
      :post,
      "/api/students/#{other}/pieces",
      { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    ask(
      :post,
      "#{path}/results",
      {
        assignment_id: student["pieces"].first["id"],
        step_id: "A.right",
        result: "steady",
        key: SecureRandom.uuid
      }
    )
    ask(
      :put,
      "#{path}/lesson",
      { recap: "Well played, Åse.", version: ask(:get, "#{path}/lesson")["lesson"]["version"] }
    )
    ask(:post, "#{path}/lesson/finish", { send: false })
    header("X-CSRF-Token", @csrf)
    custom_request("GET", "#{path}/record.zip")
    expect(last_response.headers["content-type"]).to eq("application/zip")
    files = {}
    Zip::InputStream.open(StringIO.new(last_response.body)) do |zip|
      while (entry = zip.get_next_entry)
        files[entry.name] = zip.read
      end
    end
    expect(files.keys).to contain_exactly(
      "student.json",
      "recaps.pdf",
      "week.pdf",
      "results.csv",
      "practice.csv",
      "repertoire.csv"
    )
    record = JSON.parse(files["student.json"])
    expect(
      JSONSchemer.schema(JSON.parse(File.read("docs/student-1.schema.json"))).validate(record).to_a
    ).to eq([])
    expect(record["tables"].keys).to include(
      "students",
      "assignments",
      "lesson_results",
      "lessons",
      "week_plans",
      "history"
    )
    # Whatever table has a student has this one's rows in it.
    owned =
      TestApp::OWNER
        .from(Sequel[:information_schema][:columns])
        .where(table_schema: "public", column_name: "student_id")
        .exclude(table_name: "student_summaries")
        .select_map(:table_name)
    filled =
      owned.reject { |name| TestApp::OWNER[name.to_sym].where(student_id: student["id"]).empty? }
    expect(record["tables"].keys).to match_array(["students", *filled])
    expect(record["tables"].values.flatten.filter_map { |row| row["student_id"] }.uniq).to eq(
      [student["id"]]
    )
    expect(
      files.values.map { |bytes| bytes.dup.force_encoding(Encoding::BINARY) }.join
    ).not_to include("Ottilie")
    expect(files["student.json"]).not_to include("nonce")
    expect(PDF::Reader.new(StringIO.new(files["recaps.pdf"])).pages.first.text).to include(
      "Wednesday, 10 March",
      "Well played, Åse."
    )
    expect(
      CSV
        .parse(
          files["results.csv"].force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF"),
          headers: true,
          row_sep: "\r\n"
        )
        .map { |row| row["student"] }
    ).to eq(["Nell"])
    expect(ask(:get, "/api/studio/history?kind=taken").first).to include(
      "student" => "Nell",
      "what" => "took a student's record out"
    )
    ask(:get, "/api/students/999/record.zip")
    expect(status).to eq(404)
  end

  # What a cell must not begin with, by OWASP's page on CSV injection (from memory).
  it "runs nothing in a spreadsheet, whatever was typed" do
    hostile = ["=HYPERLINK(\"http://x\")", "+1", "-1", "@SUM(A1)", "\tx", "\rx", "plain"]
    text = Stairwell::Formats::CsvTable.write(["a"], hostile.zip)
    read =
      CSV.parse(text.delete_prefix("\uFEFF"), headers: true, row_sep: "\r\n").map { |row| row["a"] }
    expect(read).to eq(hostile.map { |one| (one == "plain") ? one : "'#{one}" })
    expect(
      Stairwell::Formats::CsvTable.write(["n"], [[-4], [1.5]]).lines.drop(1).map(&:chomp)
    ).to eq(%w[-4 1.5])
  end
end
