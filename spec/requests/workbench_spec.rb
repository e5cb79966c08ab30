# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "The workbench" do
  before do
    @studio = TestApp.studio
    sign_in
  end

  def type(script) = ask(:post, "/api/pieces", { script: script })

  def draft(piece, script = piece["script"], **changes) =
    ask(:post, "/api/pieces/#{piece["id"]}/draft", { script: script, **changes })

  def save(piece, script, revision: piece["revision"], **more) =
    ask(:put, "/api/pieces/#{piece["id"]}/script", { script: script, revision: revision, **more })

  # A second teacher of the same studio signs in instead.
  def as_second_teacher
    account =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "second@quay.example",
        name: "Tomas Reyl",
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(
      studio_id: @studio[:studio_id],
      account_id: account,
      role: "teacher"
    )
    clear_cookies
    sign_in(email: "second@quay.example")
  end

  it "turns clicks into text, keeps comments where they stand, and saves nothing until told" do
    piece =
      type(
        "page 3: 4 4   # as in the old print\nrepeat: 1-8\n# ask Tomas about bar 3\nmystery: yes\n"
      )
    after = draft(piece, put: ["section A: 1-4", "section B: 5-8 like A except 8"])
    expect(after["script"]).to eq(
      "page 3: 4 4   # as in the old print\nrepeat: 1-8\nsection A: 1-4\nsection B: 5-8 like A except 8\n# ask Tomas about bar 3\nmystery: yes\n"
    )
    expect(after["piece"]["form"]).to eq(%w[A B A B])
    expect(after["piece"]["figures"]["new_bars"]).to eq(5)
    expect(after["problems"].map { |one| one["line"] }).to eq([6])
    expect(ask(:get, "/api/pieces/#{piece["id"]}")).to include(
      "revision" => 1,
      "script" => piece["script"]
    )
    saved = save(piece, after["script"])
    expect(saved).to include("revision" => 2, "script" => after["script"])
    expect(ask(:get, "/api/pieces/#{piece["id"]}")["script"]).to eq(after["script"])
  end

  it "suggests sections for a piece that has none" do
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.long_jetty.map))
    suggested = draft(piece, suggest: true)
    expect(suggested["piece"]["sections"].map { |one| one.values_at("label", "words") }).to include(
      ["A", ""],
      ["B1", "like B except 16"]
    )
    expect(draft(piece, suggested["script"], suggest: true)["code"]).to eq("has_sections")
  end

  it "offers a mend that can be put in as it is" do
    piece = type("bars: 8\ndal segno: 8\n")
    mend = piece["diagnostics"].first["mend"]
    expect(mend).to eq(
      "words" => "Say da capo",
      "put" => ["da capo: 8"],
      "drop" => ["dal segno: 8"]
    )
    expect(draft(piece, put: mend["put"], drop: mend["drop"])["piece"]["diagnostics"]).to eq([])
  end

  it "keeps a score's notes through changes, and finds them again when bars come back" do
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map))
    fewer = save(piece, piece["script"].sub(/^page.*$/, "page 7: 4 3"))
    expect(fewer["notes"]).to be(false)
    back = save(fewer, piece["script"])
    expect(back["notes"]).to be(true)
    expect(
      back["pages"]
        .flat_map { |page| page["lines"] }
        .flat_map { |line| line["bars"] }
        .filter_map { |bar| bar["like"] }
    ).not_to be_empty
  end

  it "lets the teacher correct which hand plays, and takes it back" do
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map))
    hands = ->(shown) do
      shown["preview"].filter_map { |fact| fact["topic"] if fact["topic"].end_with?("hand") }.uniq
    end
    expect(hands[piece]).to eq(["right hand", "left hand"])
    left = save(piece, "#{piece["script"]}hands: left only 1-8\n")
    expect(hands[left]).to include("left hand")
    expect(hands[left]).not_to include("right hand")
    expect(hands[save(left, piece["script"])]).to eq(["right hand", "left hand"])
  end

  it "says who changed the piece meanwhile, and gives both put together" do
    piece = type("page 3: 4 4\nsection A: 1-4\n")
    as_second_teacher
    theirs = save(piece, "page 3: 4 4\nsection A: 1-4\nfine: 4   # by hand\n")
    clear_cookies
    sign_in
    answer = save(piece, "page 3: 4 4\nsection A: 1-5\n")
    expect([status, answer["code"]]).to eq([409, "stale"])
    expect(answer["kept"]).to include(
      "revision" => 2,
      "by" => "Tomas Reyl",
      "script" => theirs["script"]
    )
    expect(answer["kept"]["merged"]).to eq("page 3: 4 4\nsection A: 1-5\nfine: 4   # by hand\n")
    expect(save(piece, answer["kept"]["merged"], revision: 2)["revision"]).to eq(3)
  end

  it "lists sittings by who and when, compares them, and gives an old script back" do
    piece = type("page 3: 4 4\n")
    save(piece, "page 3: 4 4\nfine: 4\n")
    save(piece, "page 3: 4 4\nfine: 5\n", revision: 2)
    as_second_teacher
    save(piece, "page 3: 4 4\nfine: 5\nda capo: 8 al fine\n", revision: 3)
    sittings = ask(:get, "/api/pieces/#{piece["id"]}/revisions")
    expect(sittings.map { |one| one.values_at("revision", "before", "by") }).to eq(
      [[4, 3, "Tomas Reyl"], [3, nil, "Mira Quist"]]
    )
    expect(
      ask(:get, "/api/pieces/#{piece["id"]}/revisions/4?against=3").values_at("put", "drop")
    ).to eq([["da capo: 8 al fine"], []])
    expect(
      ask(:get, "/api/pieces/#{piece["id"]}/revisions/3?against=1").values_at("put", "drop")
    ).to eq([["fine: 5"], []])
    expect(ask(:get, "/api/pieces/#{piece["id"]}/revisions/1")["script"]).to eq("page 3: 4 4\n")
    expect(ask(:get, "/api/pieces/#{piece["id"]}/revisions/9")["code"]).to eq("not_found")
  end

  describe "layers" do
    let(:piece) { type(Requests::SCRIPT) }
    let(:student) do
      ask(:post, "/api/students", Requests::STUDENT.merge(hand_span: 8, has_pedal: false))
    end

    it "lie over the studio's map, the teacher's under the student's, without copying it" do
      save(piece, "tempo: target 60\n", revision: 0, for: "teacher")
      mine = draft(piece, "", drop: ["repeat: 1-8"], for: student["id"].to_s)
      expect(mine["script"]).to eq("without repeat: 1-8\n")
      save(piece, mine["script"], revision: 0, for: student["id"].to_s)
      shown = ask(:get, "/api/pieces/#{piece["id"]}?for=#{student["id"]}")
      expect(shown).to include(
        "layer" => "student",
        "revision" => 1,
        "script" => "without repeat: 1-8\n"
      )
      expect(shown["figures"]).to include("bars_played" => 12, "target_tempo" => 60)
      expect(ask(:get, "/api/pieces/#{piece["id"]}")["figures"]).to include(
        "bars_played" => 20,
        "target_tempo" => 76
      )
      # The studio's map goes on under them.
      save(piece, "#{piece["script"]}fine: 12\n")
      expect(ask(:get, "/api/pieces/#{piece["id"]}?for=#{student["id"]}")["pages"].to_s).to include(
        "fine"
      )
    end

    it "are another teacher's own, collide like pieces, and say what does not fit any more" do
      save(piece, "tempo: target 60\n", revision: 0, for: "teacher")
      expect(save(piece, "tempo: target 50\n", revision: 0, for: "teacher")).to include(
        "code" => "stale",
        "kept" => include("merged" => "tempo: target 50\n")
      )
      expect(
        draft(piece, "without segno: 3", for: "teacher")["problems"].first["message"]
      ).to include("does not say “segno: 3”")
      expect(ask(:get, "/api/pieces/#{piece["id"]}/revisions?for=teacher").size).to eq(1)
      as_second_teacher
      expect(ask(:get, "/api/pieces/#{piece["id"]}?for=teacher")).to include(
        "revision" => 0,
        "script" => ""
      )
      expect(ask(:get, "/api/pieces/#{piece["id"]}?for=99")["code"]).to eq("not_found")
    end

    it "shape the steps of the student who gets the piece" do
      save(piece, "without section A1: 5-8 like A except 8\n", revision: 0, for: student["id"].to_s)
      given =
        ask(
          :post,
          "/api/students/#{student["id"]}/pieces",
          { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
        )
      expect(given["pieces"].first["steps"].filter_map { |step| step["section"] }.uniq).to eq(
        %w[A B]
      )
    end
  end

  it "sounds the piece at a tempo, and asks where next; the answers are kept for the student once" do
    piece = type(Requests::SCRIPT)
    student = ask(:post, "/api/students", Requests::STUDENT)
    sound = ask(:get, "/api/pieces/#{piece["id"]}/sound?tempo=60")
    expect(sound["seconds"]).to eq(60.0)
    expect(sound["bars"].map { |bar| bar["at"] }.first(3)).to eq([0.0, 3.0, 6.0])
    questions = ask(:get, "/api/pieces/#{piece["id"]}/drill")
    expect(questions.map { |one| one.values_at("name", "right") }).to eq([["8", 1], ["8", 9]])
    expect(questions.first["choices"].find { |one| one["bar"] == 9 }["why"]).to include(
      "A repeat sign stands after bar 8"
    )
    body = { student_id: student["id"], key: SecureRandom.uuid, asked: 2, missed: [8] }
    2.times do
      expect(ask(:post, "/api/pieces/#{piece["id"]}/drills", body)).to eq("success" => "kept")
    end
    expect(TestApp::OWNER[:drill_results].select_map(%i[asked correct])).to eq([[2, 1]])
    expect(ask(:get, "/api/students/#{student["id"]}")["drills"]).to eq(
      [{ "title" => "The Lock Gate", "day" => "2027-03-03", "asked" => 2, "correct" => 1 }]
    )
    expect(
      ask(
        :post,
        "/api/pieces/#{piece["id"]}/drills",
        body.merge(key: SecureRandom.uuid, missed: [1, 2, 3])
      )[
        "code"
      ]
    ).to eq("drill")
  end

  it "gives the piece out as a score, a script and a map, and takes them in again" do
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.lantern_room.map))
    out = ->(kind) { ask_file("/api/pieces/#{piece["id"]}/export/#{kind}") }
    again = [
      load_score(out["musicxml"]),
      load_score(out["map"], name: "map.json"),
      type(out["script"])
    ]
    expect(again.map { |one| one["ribbon"] }).to all(eq(piece["ribbon"]))
    expect(again.map { |one| one["notes"] }).to eq([true, true, false])
    expect(ask_file("/api/pieces/#{piece["id"]}/score")).to include("<score-partwise")
    expect(ask(:get, "/api/pieces/#{again.last["id"]}/score")["code"]).to eq("not_found")
  end

  def ask_file(path)
    get path
    expect(last_response.status).to eq(200)
    last_response.body
  end

  it "counts what repeats run to, but sends only as much of it as can be shown" do
    piece = type("bars: 5000\nrepeat: 1-5000 x20\n")
    expect(piece["figures"]["bars_played"]).to eq(20_000)
    expect(piece["ribbon"].size).to eq(2_000)
    expect(ask(:get, "/api/pieces/#{piece["id"]}/sound")["bars"].size).to eq(2_000)
    expect(ask(:get, "/api/pieces/#{piece["id"]}/drill")).to eq([])
    expect(last_response.body.bytesize).to be < 1024
  end

  it "answers every spoilt script and statement in words" do
    piece = type(Requests::SCRIPT)
    random = Random.new(2)
    examples = Stairwell::Formats::PageScript::Keywords::EXAMPLES.values
    150.times do
      script =
        examples
          .sample(6, random: random)
          .map { |line| line.tr("0-9", random.rand(10).to_s) }
          .join("\n") + "\nbars: #{random.rand(30)}"
      draft(
        piece,
        script,
        put: [examples.sample(random: random)].first(random.rand(2)),
        drop: [examples.sample(random: random)].first(random.rand(2))
      )
      expect(status).to be_between(200, 499)
    end
  end
end
