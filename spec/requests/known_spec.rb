# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "What the studio knows of a page" do
  before do
    TestApp.studio
    sign_in
  end

  # A student who learns it, or learnt it before.
  def learner(name, piece: nil)
    id = ask(:post, "/api/students", Requests::STUDENT.merge(name: name))["id"]
    ask(
      :post,
      "/api/students/#{id}/pieces",
      { piece_id: piece, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
  end

  def hear(student, result, **said) =
    ask(
      :post,
      "/api/students/#{student["id"]}/results",
      {
        assignment_id: student["pieces"].first["id"],
        step_id: "A.right",
        result: result,
        key: SecureRandom.uuid,
        **said
      }
    )

  it "is told from those who have it and those who had it, and is marked on the page at one press" do
    first = student_with_piece
    piece = first["pieces"].first["piece_id"]
    known = -> { ask(:get, "/api/pieces/#{piece}/known") }
    expect(known.call).to eq([])
    second, third = learner("Ada", piece: piece), learner("Bo", piece: piece)
    hear(first, "not_yet", bar: 3, cause: "rhythm")
    expect(known.call).to eq([]) # one of them says nothing
    hear(second, "shaky", bar: 3, cause: "rhythm")
    hear(third, "steady", bar: 3)
    ended =
      ask(
        :post,
        "/api/students/#{second["id"]}/pieces/#{second["pieces"].first["id"]}/end",
        { ended: "passed" }
      )
    expect(ended["pieces"]).to eq([])
    expect(known.call).to eq(
      [
        {
          "bar" => 3,
          "section" => nil,
          "words" => "Bar 3: 2 of 3 students stumbled (rhythm).",
          "students" => 2,
          "of" => 3,
          "mend" => {
            "words" => "Mark bar 3 as hard",
            "put" => ["hard: 3"],
            "drop" => []
          }
        }
      ]
    )
    script = ask(:get, "/api/pieces/#{piece}")
    ask(
      :put,
      "/api/pieces/#{piece}/script",
      { script: "#{script["script"]}hard: 3\n", revision: script["revision"] }
    )
    expect(known.call.first).to include("bar" => 3, "mend" => nil)
    TestApp.now = Time.utc(2027, 3, 4, 12)
    [first, third].each do |one|
      mark(
        sheet_of(
          ask(:get, "/api/students/#{one["id"]}").then do |student|
            student["sheet_path"] ? student : ask(:post, "/api/students/#{one["id"]}/link", {})
          end
        ),
        { "assignment_id" => one["pieces"].first["id"], "step_id" => "A.left" },
        kind: "struggle"
      )
    end
    expect(known.call.map { |one| one["words"] }).to include(
      "Section A: 2 of 3 students found a step of it hard."
    )
  end

  it "is set beforehand for the next student, said before, and left out where it is declined" do
    piece = student_with_piece.then { |one| one["pieces"].first["piece_id"] }
    2.times { |at| hear(learner("Learner #{at}", piece: piece), "not_yet", bar: 3) }
    asked = { piece_id: piece, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    nxt =
      %w[Cleo Dido].map do |name|
        ask(:post, "/api/students", Requests::STUDENT.merge(name: name))["id"]
      end
    preview = ask(:post, "/api/students/#{nxt.first}/preview", asked)
    expect(preview["beforehand"]).to eq(["a spot at bar 3, where others stumbled"])
    expect(
      ask(:post, "/api/students/#{nxt.first}/preview", { **asked, beforehand: false })["titles"]
    ).to eq(preview["titles"].grep_v(/Spot/))
    given = ask(:post, "/api/students/#{nxt.first}/pieces", asked)["pieces"].first
    expect(given["steps"].map { |step| step["title"] }.grep(/Spot/)).to eq(
      ["Spot at bar 3, others stumbled here, the spot"]
    )
    # It is still there when the page is taken over anew.
    renewed =
      ask(:post, "/api/students/#{nxt.first}/pieces/#{given["id"]}/renew", {})["pieces"].first
    expect(renewed["steps"].map { |step| step["title"] }).to eq(
      given["steps"].map { |step| step["title"] }
    )
    declined =
      ask(:post, "/api/students/#{nxt.last}/pieces", { **asked, beforehand: false })["pieces"].first
    expect(declined["steps"].map { |step| step["title"] }.grep(/Spot/)).to eq([])
  end
end
