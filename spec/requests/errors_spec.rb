# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Errors" do
  before do
    TestApp.studio
    sign_in
  end

  def rows =
    TestApp::OWNER[:pieces].count + TestApp::OWNER[:map_revisions].count +
      TestApp::OWNER[:score_files].count

  def expect_problem(answer, status, code)
    expect([self.status, answer["code"]]).to eq([status, code])
    expect(last_response.content_type).to eq("application/problem+json")
    expect(answer["detail"]).to match(/\A.{12,}[.?]\z/)
  end

  let(:whole) { Stairwell::Formats::MusicXML.write(Demo::Pieces.ropewalk.map) }

  describe "of a score that cannot be read; nothing is half saved" do
    after { expect(rows).to eq(0) }

    it("no score at all") { expect_problem(load_score("<html><p/></html>"), 422, "not_a_score") }
    it("cut off") { expect_problem(load_score(whole[0, whole.size / 3]), 422, "cut_off") }
    it("empty") { expect_problem(load_score("   "), 422, "empty") }
    it("another ending") do
      expect_problem(load_score(whole, name: "piece.pdf"), 422, "unknown_kind")
    end

    it "entities" do
      expect_problem(
        load_score(
          whole.sub(
            /<!DOCTYPE[^>]*>/,
            %(<!DOCTYPE score-partwise [<!ENTITY a SYSTEM "file:///etc/passwd">]>)
          )
        ),
        422,
        "entities"
      )
    end

    it "unpacks to too much" do
      bomb =
        Zip::OutputStream
          .write_buffer do |zip|
            zip.put_next_entry("score.xml")
            42.times { zip.write(" " * 1024 * 1024) }
          end
          .string
      expect_problem(load_score(bomb, name: "bomb.mxl"), 422, "too_much_inside")
    end

    it "huge" do
      expect_problem(load_score("x" * (20 * 1024 * 1024 + 1)), 413, "too_large")
    end
  end

  it "of a script without bars" do
    expect_problem(ask(:post, "/api/pieces", { script: "title: Nothing" }), 422, "no_page")
  end

  it "of a statement that makes no sense, naming it" do
    piece = ask(:post, "/api/pieces", { script: Requests::SCRIPT })
    put = ->(*statements) do
      ask(:post, "/api/pieces/#{piece["id"]}/draft", { script: piece["script"], put: statements })
    end
    expect_problem(put.call("section A: 1-4 like"), 422, "statement")
    expect_problem(put.call("section A: 9-40"), 422, "statement")
    expect_problem(put.call("section ??: 1-4"), 422, "statement")
    expect_problem(
      ask(
        :post,
        "/api/pieces/#{piece["id"]}/draft",
        { script: piece["script"], drop: ["segno: 3"] }
      ),
      422,
      "gone"
    )
  end

  it "of a piece without sections that is to be given" do
    piece = ask(:post, "/api/pieces", { script: "bars: 8" })
    id = ask(:post, "/api/students", Requests::STUDENT)["id"]
    expect_problem(
      ask(
        :post,
        "/api/students/#{id}/pieces",
        { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
      ),
      422,
      "no_steps"
    )
  end

  it "of a piece given twice, and of what is not there" do
    student = student_with_piece
    given = {
      piece_id: student["pieces"].first["piece_id"],
      routine: "hand_by_hand",
      hand_order: "left",
      target_tempo: 60
    }
    expect_problem(
      ask(:post, "/api/students/#{student["id"]}/pieces", given),
      409,
      "assigned_already"
    )
    expect_problem(ask(:post, "/api/students/99/pieces", given), 404, "not_found")
    expect_problem(ask(:get, "/api/pieces/99"), 404, "not_found")
    expect_problem(
      ask(
        :post,
        "/api/students/#{student["id"]}/results",
        { assignment_id: 1, step_id: "Z.right", result: "steady", key: SecureRandom.uuid }
      ),
      404,
      "not_found"
    )
  end

  it "of a request that does not fit the contract, naming the field" do
    answer = ask(:post, "/api/students", Requests::STUDENT.merge(minutes_a_day: 1000))
    expect_problem(answer, 400, "invalid_body")
    expect(answer["field"]).to eq("minutes_a_day")
    expect(ask(:post, "/api/students", Requests::STUDENT.except(:name))["detail"]).to eq(
      "name must be given."
    )
    expect_problem(ask(:get, "/api/pieces/zwei"), 400, "invalid_path")
    expect_problem(ask(:post, "/api/students", "{not json"), 400, "invalid_body")
    expect(ask(:get, "/api/nothing")["code"]).to eq("not_found")
    ask(:patch, "/api/students")
    expect(status).to eq(405)
  end

  it "never a 500, whatever is sent" do
    random = Random.new(2)
    values = [
      nil,
      -1,
      0,
      2**70,
      1.5,
      "",
      "\u0000",
      "x" * 5_000,
      [],
      {},
      "é\uFFFF",
      true,
      "2027-99-99",
      [[1]],
      { "a" => { "b" => 1 } }
    ]
    student = student_with_piece
    bodies = {
      "/api/students" => Requests::STUDENT,
      "/api/pieces" => {
        script: Requests::SCRIPT
      },
      "/api/scripts/read" => {
        script: Requests::SCRIPT
      },
      "/api/students/#{student["id"]}/results" => {
        assignment_id: 1,
        step_id: "A.right",
        result: "steady",
        key: SecureRandom.uuid
      },
      "/api/students/#{student["id"]}/pieces" => {
        piece_id: 1,
        routine: "hand_by_hand",
        hand_order: "right",
        target_tempo: 76
      },
      "#{sheet_of(student)}/marks" => {
        key: SecureRandom.uuid,
        kind: "undo",
        assignment_id: 1,
        step_id: "A.right",
        undoes: SecureRandom.uuid
      }
    }
    300.times do
      path, body = bodies.to_a.sample(random: random)
      ask(
        :post,
        path,
        body.merge(body.keys.sample(random: random) => values.sample(random: random))
      )
      expect(status).to be_between(200, 499), "#{path}: #{last_response.body}"
    end
    ["\xff\xfe", "null", "[]", "\"x\"", "{\"script\":\"\\ud800\"}"].each do |raw|
      ask(:post, "/api/scripts/read", raw)
      expect(status).to be_between(200, 499), "#{raw}: #{TestApp::LOG.string[0, 600]}"
    end
    %w[
      /api/pieces/%00
      /api/pieces/%ff
      /api/pieces/99999999999999999999
      /s/%ff
      /%2e%2e/%2e%2e/etc/passwd
      /assets/../../config.ru
      /api/sheet/%00.x.y
    ].each do |path|
      get path
      expect(status).to be_between(200, 499), path
      expect(last_response.body).not_to include("root:", "Stairwell::Server.app")
    end
  end
end
