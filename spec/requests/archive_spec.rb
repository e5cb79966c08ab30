# frozen_string_literal: true

require_relative "../spec_helper"
require "digest"
require "zip"
require "demo/studio"

# A studio as one file, and loaded again where nothing is: the screens are the same.
RSpec.describe "An archive of a studio" do
  def own(path) = custom_request("GET", path).then { last_response.body.dup }

  def archive = own("/api/studio/archive.zip")

  def load(bytes)
    header("Content-Type", "application/octet-stream")
    header("X-CSRF-Token", @csrf)
    custom_request("POST", "/api/studio/archive", {}, input: bytes)
    header("Content-Type", "application/json")
    return JSON.parse(last_response.body) unless status == 202

    TestApp.work_on_jobs
    ask(:get, "/api/studio/archive")
  end

  def files(bytes) =
    Zip::File.open_buffer(bytes).entries.to_h { |entry| [entry.name, entry.get_input_stream.read] }

  # An archive with some files as they are given, and a list that says so.
  def changed(bytes, list: {}, **files)
    all = files(bytes).merge(files.transform_keys(&:to_s))
    named = JSON.parse(all.delete("archive.json"))
    named["files"] = named["files"]
      .select { |file| all[file["name"]] }
      .map do |file|
        file.merge(
          "bytes" => all[file["name"]].bytesize,
          "sha256" => Digest::SHA256.hexdigest(all[file["name"]])
        )
      end
    packed(all.merge("archive.json" => JSON.generate(named.merge(list))))
  end

  def packed(files)
    Zip::OutputStream
      .write_buffer do |zip|
        files.each do |name, text|
          zip.put_next_entry(name)
          zip.write(text)
        end
      end
      .string
  end

  # Where two texts of JSON, or of anything else, are not the same.
  def differences(one, other)
    flat =
      lambda do |value, at|
        pairs =
          value.is_a?(Array) ? value.each_with_index.map { |inner, index| [index, inner] } : value
        if value.is_a?(Enumerable)
          pairs.flat_map { |key, inner| flat.call(inner, [*at, key]) }
        else
          [[at.join("."), value]]
        end
      end
    texts =
      [one, other].map do |text|
        if text.start_with?("[", "{")
          flat.call(JSON.parse(text), [])
        else
          text.lines.each_with_index.map { |line, at| [at, line] }
        end
      end
    (texts.first - texts.last).map { |at, value| [at, value, texts.last.to_h[at]] } +
      (texts.last.map(&:first) - texts.first.map(&:first))
  end

  # Somebody with another studio, in which nothing is.
  def elsewhere
    @elsewhere ||= TestApp.studio("Far Shore", email: "far@shore.example")
    sign_in(email: "far@shore.example")
  end

  def counts =
    TestApp::OWNER
      .tables
      .reject do |name|
        name.to_s.start_with?(
          "account_",
          "que_",
          "message_bus",
          "rate_counts",
          "schema",
          "archive_loads"
        )
      end
      .to_h { |name| [name, TestApp::OWNER[name].count] }

  describe "with students, pieces, lessons and a score" do
    let!(:studio) { TestApp.studio }
    let!(:student) do
      sign_in
      student_with_piece
    end

    before do
      load_score(
        Stairwell::Formats::MusicXML.write(Demo::Pieces.lantern_room.map),
        name: "lantern.musicxml"
      )
      ask(:put, "/api/studio/keeping", { asks_consent: true, keep_months: 24 })
      ask(
        :put,
        "/api/studio/settings",
        { caution: "Shoes off.", holidays: [{ from: "2027-04-01", to: "2027-04-09" }] }
      )
      TestApp.now = Time.utc(2027, 3, 10, 16)
      ask(
        :post,
        "/api/students/1/results",
        {
          assignment_id: 1,
          step_id: "A.right",
          result: "shaky",
          bar: 3,
          stumbles: 2,
          note: "thumb “under” – =1+1",
          key: SecureRandom.uuid
        }
      )
      ask(:put, "/api/students/1/lesson", { recap: "Dear Nell,\n\nwell done.", version: 0 })
      ask(:post, "/api/students/1/lesson/finish", { send: false })
      ask(
        :post,
        "#{sheet_of(student)}/messages",
        { key: SecureRandom.uuid, text: "Bar 12 is too hard" }
      )
      ask(
        :post,
        "/api/students/1/extra-work",
        { kind: "theory", title: "Page 3", minutes: 2, times: 3, key: SecureRandom.uuid }
      )
    end

    it "shows the same on every screen in another studio, and goes on there" do
      paths = %w[
        /api/studio
        /api/students
        /api/students/1
        /api/students/1/lesson
        /api/students/1/messages
        /api/pieces
        /api/pieces/1
        /api/pieces/2
        /api/pieces/2/score
        /api/pieces/1/revisions
        /api/routines
        /api/today
        /api/timetable?from=2027-03-08&to=2027-03-14
        /api/classes
        /api/outbox
        /api/studio/settings
        /api/studio/keeping
        /api/studio/csv/results
        /api/studio/csv/practice
      ]
      # What was learnt of the studio's habits is in what is shown.
      2.times do
        TestApp::OWNER[:student_summaries].delete
        own("/api/studio")
        TestApp.work_on_jobs
      end
      before = paths.to_h { |path| [path, own(path)] }
      bytes = archive
      elsewhere
      expect(load(bytes)).to include("state" => "loaded", "students" => 1, "pieces" => 2)
      own_account = TestApp::OWNER[:accounts].where(email: "far@shore.example").get(:id)
      paths.each do |path|
        # What differs by its nature: the private link, and the number of who is signed in.
        plain = ->(text) do
          text
            .gsub(%r{/s/[A-Za-z0-9._-]+}, "/s/x")
            .gsub(/"(teacher_id|account_id|holder_id|own_id)":(\d+)/) do
              "\"#{$1}\":#{($2.to_i == own_account) ? studio[:account_id] : $2}"
            end
            .gsub(/"run":(null|\{[^}]*\})/, '"run":null')
        end
        expect(differences(plain.call(own(path)), plain.call(before[path]))).to eq([]),
        -> do
          "#{path}: #{differences(plain.call(own(path)), plain.call(before[path])).first(5).inspect}"
        end
      end
      expect(ask(:get, "/api/session")["studio"]["name"]).to eq("Quay Street")
      # New numbers come after those that were taken over.
      ask(:post, "/api/students", Requests::STUDENT.merge(name: "Odile", key: SecureRandom.uuid))
      ask(
        :post,
        "/api/students/1/results",
        { assignment_id: 1, step_id: "A.left", result: "steady", key: SecureRandom.uuid }
      )
      expect(status).to eq(201)
      expect(load(bytes)["code"]).to eq("not_empty")
      # The one it came from is as it was.
      sign_in
      expect(own("/api/students/1/lesson")).to eq(before["/api/students/1/lesson"])
    end

    it "is read by other programs: JSON by its schema, the list of what every file comes to" do
      all = files(archive)
      list = JSON.parse(all["archive.json"])
      schema =
        JSONSchemer.schema(Pathname(File.expand_path("../../docs/archive-1.schema.json", __dir__)))
      expect(schema.validate(list).to_a).to eq([])
      expect(list["files"].map { |file| file["name"] }).to match_array(all.keys - ["archive.json"])
      list["files"].each do |file|
        expect(
          [file["name"], all[file["name"]].bytesize, Digest::SHA256.hexdigest(all[file["name"]])]
        ).to eq(file.values_at("name", "bytes", "sha256"))
      end
      expect(JSON.parse(all["tables/students.json"]).first).to include(
        "name" => "Nell",
        "practice_days" => [0, 1, 4, 5, 6].sort
      )
      expect(all["scores/2-1"]).to include("<score-partwise")
      expect(all.values.join).not_to include(TestApp::OWNER[:sheet_links].get(:nonce))
      expect(TestApp::OWNER[:history].where(operation: "exportArchive").count).to eq(1)
    end

    it "is refused in words where it is damaged, newer, or says what cannot be, and nothing is half loaded" do
      bytes = archive
      students = JSON.parse(files(bytes)["tables/students.json"])
      revisions = JSON.parse(files(bytes)["tables/map_revisions.json"])
      plans = JSON.parse(files(bytes)["tables/week_plans.json"])
      list = JSON.parse(files(bytes)["archive.json"])
      elsewhere
      TestApp.work_on_jobs
      before = counts
      {
        bytes[0, bytes.size / 2] => /no zip file/,
        "hello" => /no zip file/,
        packed("other.json" => "{}") => /archive.json is not in it/,
        packed("archive.json" => "[]") => /no archive/,
        packed(files(bytes).merge("tables/students.json" => "[]\n")) =>
          /students.json is not what its list says/,
        packed(files(bytes).except("tables/assignments.json")) => /assignments.json is not in it/,
        changed(bytes, list: { "shape" => 9_999 }) => /newer Stairwell/,
        changed(bytes, list: { "format" => "stairwell-archive-2" }) => /newer Stairwell/,
        changed(bytes, list: { "people" => [] }) => %r{wrong at /people},
        changed(
          bytes,
          list: {
            "studio" => list["studio"].merge("time_zone" => "Nowhere/At_all")
          }
        ) =>
          /no time zone/,
        changed(
          bytes,
          "tables/students.json": JSON.generate([students.first.merge("lesson_weekday" => 9)])
        ) =>
          /“students” contradict/,
        changed(
          bytes,
          "tables/students.json": JSON.generate([students.first.merge("teacher_id" => 77)])
        ) =>
          /person 77/,
        changed(
          bytes,
          "tables/students.json": JSON.generate([students.first.merge("studio_id" => 1)])
        ) =>
          /students.studio_id/,
        changed(
          bytes,
          "tables/students.json": JSON.generate([students.first.merge("id" => 2**60)])
        ) =>
          /a row numbered 11529/,
        changed(bytes, "tables/students.json": "[1]") => /holds no rows/,
        changed(
          bytes,
          "tables/map_revisions.json":
            JSON.generate(revisions.map { |row| row.merge("map" => { "bars" => "many" }) })
        ) =>
          /“map_revisions”/,
        changed(
          bytes,
          "tables/week_plans.json":
            JSON.generate(
              plans.map do |row|
                row.merge("plan" => row["plan"].merge("days" => [{ "date" => "soon" }]))
              end
            )
        ) =>
          /“students” cannot be read/
      }.each do |damaged, words|
        answer = load(damaged)
        expect(answer.values_at("state", "detail")).to match(["failed", words])
        expect(counts).to eq(before), "something stayed of #{answer["detail"]}"
      end
      expect(load(bytes)["students"]).to eq(1)
    end

    it "is refused where it holds more rows than a studio has" do
      stub_const("Stairwell::Server::Limits::ARCHIVE_ROWS", 5)
      bytes = archive
      elsewhere
      expect(load(bytes)["detail"]).to include("it holds more than 5 rows")
    end

    it "holds nothing of one who was erased, and neither does what the server said, nor any row of it" do
      ask(
        :put,
        "/api/students/1",
        Requests::STUDENT.merge(name: "Xanthippe", version: ask(:get, "/api/students/1")["version"])
      )
      expect(files(archive).values.join.b).to include("Xanthippe")
      ask(:post, "/api/students/1/erase", { name: "Xanthippe" })
      TestApp.erase_as_asked
      bytes = archive
      expect(files(bytes).values.join.b).not_to match(/xanthippe/in)
      expect(TestApp::LOG.string).not_to match(/xanthippe/i)
      elsewhere
      expect(load(bytes)["students"]).to eq(0)
    end

    it "reads also what is seldom shown: pages as they were, and those who left" do
      ask(:post, "/api/students/1/leave", {})
      bytes = archive
      revisions = JSON.parse(files(bytes)["tables/map_revisions.json"])
      first =
        JSON.parse(JSON.generate(revisions.first)).merge(
          "revision" => 9,
          "map" => revisions.first["map"].merge("bars" => [[1, "x/y", "4/4"]])
        )
      plans = JSON.parse(files(bytes)["tables/week_plans.json"])
      elsewhere
      expect(
        load(changed(bytes, "tables/map_revisions.json": JSON.generate([*revisions, first])))[
          "detail"
        ]
      ).to match(/“map_revisions”/)
      expect(
        load(
          changed(
            bytes,
            "tables/week_plans.json":
              JSON.generate(
                plans.map do |row|
                  row.merge("plan" => row["plan"].merge("days" => [{ "date" => "soon" }]))
                end
              )
          )
        )[
          "detail"
        ]
      ).to match(/“students” cannot be read/)
      expect(load(bytes)["students"]).to eq(1)
    end

    it "of an older Stairwell leaves as it is what it does not say" do
      bytes = archive
      list = JSON.parse(files(bytes)["archive.json"])
      older =
        changed(
          bytes,
          list: {
            "shape" => 35,
            "studio" => list["studio"].except("asks_consent", "keep_months", "promises")
          },
          "tables/students.json":
            JSON.generate(
              JSON
                .parse(files(bytes)["tables/students.json"])
                .map { |row| row.except("consent_by", "consent_records_on", "longer_until") }
            )
        )
      elsewhere
      expect(load(older)["students"]).to eq(1)
      expect(ask(:get, "/api/studio/keeping").values_at("asks_consent", "keep_months")).to eq(
        [false, nil]
      )
      expect(ask(:get, "/api/students/1")["consent"]["by"]).to eq("")
    end

    it "takes along no mail that waits, and believes nobody erased who is in it" do
      letter = {
        studio_id: studio[:studio_id],
        student_id: 1,
        recipient: "home@quay.example",
        subject: "Nell's week",
        body: "Slowly.",
        made_by: studio[:account_id]
      }
      TestApp::OWNER[:outbox].multi_insert(
        [letter.merge(subject: "Sent", sent_at: Time.utc(2027, 3, 3)), letter.merge(sent_at: nil)]
      )
      bytes =
        changed(
          archive,
          list: {
            "erasures" => [
              { "student_id" => 1, "erased_at" => "2027-03-01T12:00:00Z" },
              { "student_id" => 7, "erased_at" => "2027-03-01T12:00:00Z" }
            ]
          }
        )
      elsewhere
      expect(load(bytes)["students"]).to eq(1)
      expect(TestApp::OWNER[:outbox].where(studio_id: 2).select_map(:subject)).to eq(["Sent"])
      expect(TestApp::OWNER[:erasures].where(studio_id: 2).all).to eq([])
    end

    it "moves no number of another studio, whatever rows it holds and whoever it says was erased" do
      bytes = archive
      far = 2**40 - 1
      students = JSON.parse(files(bytes)["tables/students.json"])
      moved =
        students.map do |row|
          row.merge("id" => far, "name" => "Far off", "key" => SecureRandom.uuid)
        end
      hostile =
        changed(
          bytes,
          "tables/students.json": JSON.generate(students + moved),
          list: {
            "erasures" => [{ "student_id" => 2**50, "erased_at" => "2027-03-01T12:00:00Z" }]
          }
        )
      sequences = -> do
        TestApp::OWNER
          .from(:pg_sequences)
          .exclude(sequencename: %w[que_jobs_id_seq message_bus_id_seq history_id_seq])
          .select_hash(:sequencename, :last_value)
      end
      elsewhere
      before = sequences.call
      expect(load(hostile)["students"]).to eq(2)
      moved = sequences.call.map { |name, last| last.to_i - before[name].to_i }
      expect(moved.max).to be < 10
      # What comes in that studio comes after it, and the other counts on as it did.
      added = -> do
        ask(:post, "/api/students", Requests::STUDENT.merge(key: SecureRandom.uuid))["id"]
      end
      expect(added.call).to be > far
      sign_in
      expect(added.call).to be < 10
      again = archive
      TestApp.studio("Third", email: "third@shore.example")
      sign_in(email: "third@shore.example")
      expect(load(again)["state"]).to eq("loaded")
    end

    it "draws nobody into a studio: whose address is taken stays a name, others may choose a password" do
      token = ask(:post, "/api/people", { role: "teacher", email: nil })
      TestApp::OWNER[:accounts].insert(email: "tomas@quay.example", name: "Tomas Reed")
      TestApp::OWNER[:accounts].insert(email: "edda@quay.example", name: "Edda Fox")
      ids =
        TestApp::OWNER[:accounts].where(name: ["Tomas Reed", "Edda Fox"]).order(:id).select_map(:id)
      ids.each do |id|
        TestApp::OWNER[:memberships].insert(
          studio_id: studio[:studio_id],
          account_id: id,
          role: "teacher"
        )
      end
      expect(token).not_to be_nil
      bytes = archive
      TestApp::OWNER[:accounts].where(id: ids.last).update(email: "edda@other.example")
      elsewhere
      load(bytes)
      people = ask(:get, "/api/people")["people"].map { |one| one.values_at("name", "email") }
      expect(people.find { |name, _| name == "Tomas Reed" }.last).to end_with("@nobody.invalid")
      expect(people.find { |name, _| name == "Edda Fox" }.last).to eq("edda@quay.example")
      expect(TestApp::OWNER[:memberships].where(account_id: ids).select_map(:studio_id).uniq).to eq(
        [studio[:studio_id]]
      )
    end
  end
end
