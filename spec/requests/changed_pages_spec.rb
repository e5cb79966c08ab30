# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/pieces"
require "pdf/reader"

# A page that changes while students learn it: what that comes to for each, taken back, another
# score for it, and two entries that are one piece.
RSpec.describe "A page that changes while students learn it" do
  before do
    TestApp.studio
    sign_in
  end

  score = ->(piece) { Stairwell::Formats::MusicXML.write(piece.map) }

  def learner(name, piece, **more)
    id = ask(:post, "/api/students", Requests::STUDENT.merge(name: name))["id"]
    ask(
      :post,
      "/api/students/#{id}/pieces",
      { piece_id: piece, routine: "hand_by_hand", hand_order: "right", target_tempo: 76, **more }
    )
  end

  def hear(student, step, result) =
    ask(
      :post,
      "/api/students/#{student["id"]}/results",
      {
        assignment_id: student["pieces"].first["id"],
        step_id: step,
        result: result,
        key: SecureRandom.uuid
      }
    )

  def learners(piece) = ask(:get, "/api/pieces/#{piece}/learners")

  def piece_of(student) = ask(:get, "/api/students/#{student["id"]}")["pieces"].first

  def steps(student) = piece_of(student)["steps"].map { |step| step["id"] }

  def type(script) = ask(:post, "/api/pieces", { script: script })

  def save(piece, script) =
    ask(
      :put,
      "/api/pieces/#{piece}/script",
      { script: script, revision: ask(:get, "/api/pieces/#{piece}")["revision"] }
    )

  def load_other(piece, bytes, **said) =
    load_score(bytes, name: "other.musicxml", of: piece, **said)

  def expect_problem(answer, code, name) = expect([status, answer["code"]]).to eq([code, name])

  let(:script) { "title: Quay\npage 3: 4 4\ntime: 4/4\nsection A: 1-4\nsection B: 5-8\n" }

  it "says for each student what keeps its credit, what is new and what falls away; taken over, it can be taken back" do
    piece = type(script)["id"]
    ada = learner("Ada", piece)
    learner("Bo", piece)
    hear(ada, "A.right", "steady")
    hear(ada, "B.left", "steady")
    expect(learners(piece).map { |one| one.values_at("name", "behind", "can_take_back") }).to eq(
      [["Ada", false, false], ["Bo", false, false]]
    )
    save(piece, script.sub("section B: 5-8", "section C: 5-6\nsection D: 7-8"))
    first, second = learners(piece)
    expect(first["moved"]["kept"]).to eq(["A, right hand"])
    expect(first["moved"]["lost"]).to eq(["B, left hand"])
    expect(first["moved"]["added"]).to include("C, right hand", "D, hands together")
    expect(second["moved"].values_at("kept", "lost")).to eq([[], []])
    expect(second["moved"]["gone"]).to include("B, right hand", "B, left hand")
    # Nothing moved yet.
    before = piece_of(ada)
    expect(before["steps"].map { |step| step["id"] }).to include("B.left")

    taken = ask(:post, "/api/students/#{ada["id"]}/pieces/#{before["id"]}/renew", {})
    expect(taken["moved"]["lost"]).to eq(["B, left hand"])
    expect(steps(ada)).to include("C.right")
    expect(steps(ada)).not_to include("B.left")
    expect(learners(piece).map { |one| one.values_at("name", "behind", "can_take_back") }).to eq(
      [["Ada", false, true], ["Bo", true, false]]
    )
    # Heard meanwhile, it stays heard.
    hear(ada, "A.left", "steady")
    back = ask(:delete, "/api/students/#{ada["id"]}/pieces/#{before["id"]}/renew")
    expect(status).to eq(200)
    now = back["pieces"].first
    expect(now["steps"].map { |step| step["id"] }).to eq(before["steps"].map { |step| step["id"] })
    states = now["steps"].to_h { |step| step.values_at("id", "state") }
    expect(states.values_at("A.right", "A.left", "B.left")).to eq(%w[steady steady steady])
    expect_problem(
      ask(:delete, "/api/students/#{ada["id"]}/pieces/#{before["id"]}/renew"),
      422,
      "not_taken_over"
    )
    expect(learners(piece).first).to include("behind" => true, "can_take_back" => false)
  end

  it "says where the page as it is now gives no steps" do
    piece = type(script)["id"]
    learner("Ada", piece)
    save(piece, script.lines.grep_v(/section/).join)
    expect(learners(piece).first).to include("behind" => true, "refused" => /has no section/)
  end

  describe "Another score" do
    # The Long Jetty has 20 bars on two pages, a segno and a coda.
    let(:map) { Demo::Pieces.long_jetty.map }
    let(:bare) do
      "title: Our jetty\nbook: Old print\npage 5: 5 5 5 5\ntime: 4/4\nkey: A minor\ntempo: target 66\nsection A: 1-4\nsection B: 5-8\nfingering A: thumb on E\nhard: 7\n# ask about bar 3\n"
    end

    it "gives a typed page its notes; sections, words and credits stay" do
      piece = type(bare)["id"]
      ada = learner("Ada", piece)
      hear(ada, "A.right", "steady")
      expect(ask(:get, "/api/pieces/#{piece}")).to include("notes" => false, "has_score" => false)
      loaded = load_other(piece, score[Demo::Pieces.long_jetty])
      expect([status, loaded["lost"]]).to eq([200, []])
      expect(loaded).to include(
        "notes" => true,
        "has_score" => true,
        "title" => "Our jetty",
        "book" => "Old print"
      )
      expect(loaded["sections"].map { |one| one["label"] }).to eq(%w[A B])
      expect(loaded["script"]).to include(
        "page 5: 5 5 5 5",
        "fingering A: thumb on E",
        "hard: 7",
        "# ask about bar 3",
        "segno: 5",
        "target 66"
      )
      moved = learners(piece).first["moved"]
      expect([moved["kept"], moved["lost"]]).to eq([["A, right hand"], []])
      ask(:post, "/api/students/#{ada["id"]}/pieces/#{piece_of(ada)["id"]}/renew", {})
      expect(piece_of(ada)["steps"].find { |step| step["id"] == "A.right" }["state"]).to eq(
        "steady"
      )
      # The notes stay through what is typed afterwards, and the file goes out as it came.
      expect(save(piece, "#{loaded["script"]}hard: 9\n")["notes"]).to be(true)
      get "/api/pieces/#{piece}/score"
      expect(last_response.body.b).to eq(score[Demo::Pieces.long_jetty].b)
    end

    # Another edition: two bars of introduction before it, so that every bar is called otherwise.
    it "of another edition takes sections, changes over the page and spots to the same music" do
      piece = load_score(score[Demo::Pieces.long_jetty])["id"]
      script = ask(:get, "/api/pieces/#{piece}")["script"]
      save(
        piece,
        "#{script}section A: 1-4\nsection B: 9-12\nspot: 10 beat 2 - 10 beat 3 left hand\n"
      )
      ada = learner("Ada", piece)
      layer =
        ask(
          :put,
          "/api/pieces/#{piece}/script",
          { script: "hard: 11\n", revision: 0, for: ada["id"].to_s }
        )
      expect(layer["script"]).to eq("hard: 11\n")
      made = load_other(piece, Stairwell::Formats::MusicXML.write(longer(map, 2)), sure: true)
      expect(status).to eq(200)
      expect(made["sections"].map { |one| one["spans"].map { |span| span["names"] } }).to eq(
        [["3–6"], ["11–14"]]
      )
      expect(made["script"]).to include("spot: 12 beat 2 - 12 beat 3 left hand")
      expect(ask(:get, "/api/pieces/#{piece}?for=#{ada["id"]}")["script"]).to eq("hard: 13\n")
    end

    it "says what finds no place in it" do
      piece = type("bars: 24\ntime: 4/4\nsection A: 1-4\nsection Z: 22-24\nhard: 23\n")["id"]
      expect(load_other(piece, score[Demo::Pieces.long_jetty])["lost"]).to eq(
        ["Section Z has no bars in this score.", "In this score there is no bar for a hard place."]
      )
    end

    it "is looked over like the first one, and changes nothing where it is none" do
      piece = type(bare)["id"]
      expect_problem(load_other(piece, "no score"), 422, "cut_off")
      expect(ask(:get, "/api/pieces/#{piece}")["revision"]).to eq(1)
    end

    # The same music behind bars of a C major chord.
    def longer(map, count)
      chord = {
        right: [
          Stairwell::Score::Note.new(
            onset: 0r,
            length: 1r,
            pitch: Stairwell::Score::Pitch.parse("C5")
          )
        ],
        left: []
      }
      shift = ->(bar) { bar && bar + count }
      map.with(
        bars: Stairwell::Score.bars(map.bars.size + count, meters: [map.bars.first.meter]),
        pages: [],
        notes: {
          **(1..count).to_h { |bar| [bar, chord] },
          **map.notes.transform_keys(&shift)
        },
        keys: map.keys,
        repeats: map.repeats.map { |one| one.with(from: shift[one.from], to: shift[one.to]) },
        endings: [],
        segno: map.segno.map(&shift),
        coda: map.coda.map(&shift),
        to_coda: map.to_coda.map(&shift),
        fine: [],
        jumps: map.jumps.map { |one| one.with(after: shift[one.after], sign: shift[one.sign]) },
        sections: [],
        markings: Stairwell::Score::Markings.new,
        double_bars: [],
        clefs: [],
        phrasing: Stairwell::Score::Phrasing.new
      )
    end
  end

  describe "Two entries of one piece" do
    it "are made one: students go on with what they have, changes over the page come along" do
      twice = [
        type(script)["id"],
        type(script.sub("Quay", "Quay again").sub("page 3", "page 9"))["id"]
      ]
      ada, bo = learner("Ada", twice.first), learner("Bo", twice.last)
      hear(ada, "A.right", "steady")
      ask(
        :put,
        "/api/pieces/#{twice.first}/script",
        { script: "hard: 2\n", revision: 0, for: ada["id"].to_s }
      )
      one = ask(:post, "/api/pieces/#{twice.first}/merge", { into: twice.last })
      expect(one).to include(
        "id" => twice.last,
        "title" => "Quay again",
        "moved" => 1,
        "stayed" => []
      )
      expect(
        learners(twice.last).map { |row| row.values_at("name", "behind", "can_take_back") }
      ).to eq([["Ada", false, true], ["Bo", false, false]])
      piece = piece_of(ada)
      expect(piece).to include("piece_id" => twice.last, "title" => "Quay again")
      expect(piece["steps"].find { |step| step["id"] == "A.right" }["state"]).to eq("steady")
      expect(ask(:get, "/api/pieces/#{twice.last}?for=#{ada["id"]}")["script"]).to eq("hard: 2\n")
      expect(ask(:get, "/api/pieces").find { |row| row["id"] == twice.first }["deleted"]).to be(
        true
      )
      # One student can still take it back.
      back = ask(:delete, "/api/students/#{ada["id"]}/pieces/#{piece["id"]}/renew")["pieces"].first
      expect(back).to include("piece_id" => twice.first, "title" => "Quay")
      expect(bo["id"]).not_to eq(ada["id"])
    end

    it "gives the one that stays the sections and the notes it has not" do
      typed = type("title: Jetty\nbook: Ours\npage 5: 5 5 5 5\ntime: 4/4\nkey: A minor\n")["id"]
      scored = load_score(score[Demo::Pieces.long_jetty])
      save(scored["id"], "#{scored["script"]}section A: 1-4\n")
      one = ask(:post, "/api/pieces/#{scored["id"]}/merge", { into: typed })
      expect(one).to include(
        "title" => "Jetty",
        "book" => "Ours",
        "notes" => true,
        "has_score" => true
      )
      expect(one["sections"].map { |section| section["label"] }).to eq(["A"])
    end

    it "leaves who has both with both, and says who that is" do
      twice = [type(script)["id"], type(script)["id"]]
      ada = learner("Ada", twice.first)
      ask(
        :post,
        "/api/students/#{ada["id"]}/pieces",
        { piece_id: twice.last, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
      )
      expect(ask(:post, "/api/pieces/#{twice.first}/merge", { into: twice.last })).to include(
        "moved" => 0,
        "stayed" => ["Ada"]
      )
      expect(ask(:get, "/api/students/#{ada["id"]}")["pieces"].size).to eq(2)
      expect_problem(
        ask(:post, "/api/pieces/#{twice.last}/merge", { into: twice.last }),
        422,
        "itself"
      )
      expect(ask(:post, "/api/pieces/#{twice.last}/merge", { into: 999_999 }) && status).to eq(404)
    end
  end

  it "has a list to pencil into one's own book" do
    piece = load_score(score[Demo::Pieces.long_jetty])["id"]
    get "/api/pieces/#{piece}/pencil.pdf"
    expect(last_response.content_type).to eq("application/pdf")
    text =
      PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join(" ").split.join(" ")
    expect(text).to include(
      "Pencil list: The Long Jetty",
      "Page 30, line 2",
      "circle the sign (segno)",
      "circle To Coda",
      "circle the coda sign"
    )
  end
end
