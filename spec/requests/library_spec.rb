# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "The library" do
  before do
    TestApp.studio
    sign_in
  end

  it "loads a score, plain and compressed, through the same reader as the demo's, and keeps the file byte for byte" do
    map = Demo::Pieces.lantern_room.map
    plain = load_score(Stairwell::Formats::MusicXML.write(map))
    pressed = load_score(bytes = Stairwell::Formats::MusicXML.compress(map), name: "Lantern.MXL")
    expect([plain, pressed].map { |piece| piece["title"] }).to eq(["Lantern Room", "Lantern Room"])
    expect(plain["ribbon"]).to eq(pressed["ribbon"])
    expect(pressed["has_score"]).to be(true)
    expect(TestApp::OWNER[:score_files].where(piece_id: pressed["id"]).get(:content)).to eq(bytes.b)
  end

  it "shows the page as it lies on paper, with its signs" do
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.slow_ferry.map))
    lines =
      piece["pages"].map { |page| [page["number"], page["lines"].map { |line| line["bars"].size }] }
    expect(lines).to eq([[12, [5, 4, 4, 4]], [13, [4, 4]]])
    bars =
      piece["pages"]
        .flat_map { |page| page["lines"].flat_map { |line| line["bars"] } }
        .to_h { |bar| [bar["name"], bar] }
    expect(bars["9"]).to include(
      "opens" => true,
      "place" => "page 12, line 3, bar 1",
      "played" => 2
    )
    expect(bars["22"]).to include(
      "closes" => 2,
      "endings" => [{ "passes" => [1], "first" => false, "last" => true }]
    )
    expect(bars["0"]).to include("counts" => "1", "place" => nil)
    expect(piece["figures"]).to include(
      "bars_printed" => 25,
      "bars_played" => 37,
      "counts_played" => "108",
      "page_turns" => 3
    )
  end

  it "gives the playing order with the words for each jump" do
    piece =
      ask(
        :post,
        "/api/pieces",
        { script: "bars: 6\nrepeat: 1-4 x3\nending 1: 4\nending 2: 5\nending 3: 6" }
      )
    expect(piece["ribbon"].map { |visit| [visit["name"], visit["reached"]] }.select(&:last)).to eq(
      [%w[1 again], ["5", "2nd ending"], ["1", "3rd time"], ["6", "3rd ending"]]
    )
    expect(piece["ribbon"].count { |visit| visit["jump"] }).to eq(4)
  end

  it "reads a script without saving it, and says where each line goes wrong" do
    answer = ask(:post, "/api/scripts/read", { script: "bars: 8\nrepeat: 1-x\nfermata: 3" })
    expect(answer["piece"]["figures"]["bars_played"]).to eq(8)
    expect(answer["problems"].map { |one| one.values_at("line", "column") }).to eq(
      [[2, 11], [3, 11]]
    )
    expect(TestApp::OWNER[:pieces].count).to eq(0)
    expect(ask(:post, "/api/scripts/read", { script: "hello" })["piece"]).to be_nil
  end

  it "lists what does not add up with the bar, and what the score holds that is not used" do
    piece = ask(:post, "/api/pieces", { script: "page 3: 4 4\ntime: 3/4\npickup: 1\nending 2: 5" })
    expect(piece["diagnostics"].map { |one| one.values_at("code", "bar") }).to include(
      ["complement", 9]
    )
    noted =
      Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map).sub(
        "<note>",
        "<harmony><root><root-step>C</root-step></root></harmony><note>"
      )
    expect(load_score(noted)["unread"]).to include({ "what" => "chord symbols", "bars" => ["1"] })
  end

  # A flute, a cello and a part of two staves, without a title.
  let(:trio) do
    part = ->(id, clefs) do
      %(<part id="#{id}"><measure number="1"><attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time>#{"<staves>2</staves>" if clefs.size > 1}#{clefs.each_with_index.map { |sign, at| %(<clef number="#{at + 1}"><sign>#{sign}</sign></clef>) }.join}</attributes>#{clefs.each_index.map { |at| "#{"<backup><duration>4</duration></backup>" if at.positive?}<note><pitch><step>#{clefs[at]}</step><octave>4</octave></pitch><duration>4</duration><staff>#{at + 1}</staff></note>" }.join}</measure></part>)
    end
    parts = { "P1" => ["Flute", %w[G]], "P2" => ["Harp", %w[G F]], "P3" => ["Celesta", %w[G F]] }
    "<score-partwise><part-list>#{parts.map { |id, (name, _)| %(<score-part id="#{id}"><part-name>#{name}</part-name></score-part>) }.join}</part-list>#{parts.map { |id, (_, clefs)| part[id, clefs] }.join}</score-partwise>"
  end

  it "asks what a score is called and where its hands are before it is loaded, and takes what is said" do
    asked = load_score(trio)
    expect([status, asked["code"]]).to eq([422, "look_over"])
    expect(asked["look_over"]).to include(
      "title" => nil,
      "assumed" => [
        "the hands are in “Celesta”, of several parts with two staves",
        "the score has no title"
      ]
    )
    expect(
      asked["look_over"]["staves"].map { |one| one.values_at("place", "name", "staff", "hand") }
    ).to eq(
      [
        ["P1", "Flute", nil, nil],
        ["P2.1", "Harp", 1, nil],
        ["P2.2", "Harp", 2, nil],
        ["P3.1", "Celesta", 1, "right"],
        ["P3.2", "Celesta", 2, "left"]
      ]
    )
    expect(TestApp::OWNER[:pieces].count).to eq(0)
    loaded = load_score(trio, title: "Three", right: "P1", left: "P2.2", sure: true)
    expect([status, loaded["title"], loaded["assumed"]]).to eq([201, "Three", []])
    map =
      Stairwell::Score::Document.read(
        ask(:get, "/api/pieces/#{loaded["id"]}/export/map") && last_response.body
      )
    expect(map.notes[1].transform_values { |all| all.map { |note| note.pitch.step } }).to eq(
      right: ["G"],
      left: ["F"]
    )
    expect(load_score(trio, title: "As it is", sure: true)["assumed"]).to eq(
      [{ "what" => "the hands are in “Celesta”, of several parts with two staves", "bars" => [] }]
    )
    expect([load_score(trio, right: "P7", sure: true)["code"], status]).to eq(["no_such_part", 422])
  end

  it "computes a page when it is kept, and nothing when it is listed or opened" do
    typed =
      ask(
        :post,
        "/api/pieces",
        {
          script:
            "title: Kept\npage 3: 4 4\ntime: 3/4\nkey: G major\ntempo: target 66\nrepeat: 1-8\nsection A: 1-4\nsection B: 5-8\n"
        }
      )
    ask(
      :put,
      "/api/pieces/#{typed["id"]}/script",
      { script: "#{typed["script"]}fine: 8\nsection C: 5-6\n", revision: 1 }
    )
    changed = JSON.parse(last_response.body)
    [Stairwell::Roadmap, Stairwell::Sections].each do |core|
      core
        .singleton_methods(false)
        .each { |act| allow(core).to receive(act).and_raise("computed again") }
    end
    expect(ask(:get, "/api/pieces").first).to eq(
      "id" => typed["id"],
      "title" => "Kept",
      "book" => nil,
      "pages" => [3],
      "bars_printed" => 8,
      "bars_played" => 16,
      "new_bars" => 8,
      "sections" => %w[A B C],
      "meters" => ["3/4"],
      "keys" => ["G major"],
      "target_tempo" => 66,
      "deleted" => false
    )
    expect(ask(:get, "/api/pieces/#{typed["id"]}")).to eq(changed)
  end

  it "makes kept pages anew in another language, and where another version of the app made them" do
    id = ask(:post, "/api/pieces", { script: Requests::SCRIPT })["id"]
    ask(:put, "/api/studio/settings", { locale: "en-US" })
    fresh = ask(:get, "/api/pieces/#{id}")
    expect(TestApp::OWNER[:piece_figures].get(:locale)).to eq("en")
    Stairwell::Server::Jobs::DrawPages.run(TestApp::OWNER[:studios].get(:id))
    expect(TestApp::OWNER[:piece_figures].get(:locale)).to eq("en-US")
    expect(ask(:get, "/api/pieces/#{id}")).to eq(fresh)
    expect(fresh["preview"].map { |fact| fact["text"] }.join).to include("12 measures")
    TestApp::OWNER[:piece_figures].update(made_with: "before", bars_played: 1)
    Stairwell::Server::Jobs::DrawPages.run(TestApp::OWNER[:studios].get(:id))
    expect(ask(:get, "/api/pieces").map { |card| card["bars_played"] }).to eq([20])
  end

  it "lets a piece go and come back; who has it in hand goes on, and nobody else begins it" do
    student = student_with_piece
    id = ask(:get, "/api/pieces").first["id"]
    ask(:delete, "/api/pieces/#{id}")
    expect(
      [
        status,
        ask(:get, "/api/pieces").map { |card| card["deleted"] },
        ask(:get, "/api/pieces/#{id}")["deleted"]
      ]
    ).to eq([200, [true], true])
    expect(
      ask(:get, "/api/students/#{student["id"]}")["pieces"].map { |piece| piece["title"] }
    ).to eq(["The Lock Gate"])
    other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Other"))["id"]
    given = { piece_id: id, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    ask(:post, "/api/students/#{other}/pieces", given)
    expect(status).to eq(404)
    ask(:post, "/api/pieces/#{id}/restore", {})
    ask(:post, "/api/students/#{other}/pieces", given)
    expect([status, ask(:get, "/api/pieces").map { |card| card["deleted"] }]).to eq([201, [false]])
    expect(
      %i[delete post].map do |method|
        ask(method, "/api/pieces/999#{"/restore" if method == :post}", ({} if method == :post)) &&
          status
      end
    ).to eq([404, 404])
  end

  describe "reading a stranger's file" do
    let(:score) { Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map) }

    def refused(limit, value)
      stub_const("Stairwell::Server::Limits::#{limit}", value)
      answer = load_score(score)
      expect([status, answer["code"], answer["detail"]]).to match(
        [422, "too_much", /more time or memory than any piece/]
      )
      expect(TestApp::OWNER[:pieces].count).to eq(0)
    end

    it("ends it when it computes too long") { refused(:FILE_SECONDS, 0) }
    it("ends it when it takes too much memory") { refused(:FILE_MEMORY, 30 * 1024 * 1024) }
    it("ends it when too much comes out") { refused(:FILE_OUT, 100) }

    it "knows no secret of the server's" do
      seen = nil
      allow(Process).to receive(:spawn).and_wrap_original { |spawn, env, *command, **options|
        spawn.call(env, *command, **options).tap { seen = [env, options[:unsetenv_others]] }
      }
      load_score(score)
      expect(status).to eq(201)
      expect(seen.last).to be(true)
      expect(seen.first.values.join).not_to include(
        *ENV.values_at("DATABASE_URL", "STAIRWELL_SECRET")
      )
    end

    it "waits for others' files only in words" do
      places = Stairwell::Server::Features::ForeignFile::PLACES
      places.max.times { places.push(true) }
      expect([load_score(score)["code"], status]).to eq(["busy", 503])
    ensure
      places.clear
    end
  end

  # The client goes while the file is read; the one after it shows that the server is done.
  it "keeps nothing that a client no longer waits for" do
    server = ServerProcess.start
    uri = URI(server.address)
    header = {
      "Cookie" => rack_mock_session.cookie_jar.for(URI("http://example.org/api")),
      "X-CSRF-Token" => @csrf,
      "Content-Type" => "application/octet-stream"
    }
    score = Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map)
    TCPSocket.open(uri.host, uri.port) do |socket|
      lines =
        header
          .merge("Host" => uri.host, "Content-Length" => score.bytesize)
          .map { |name, value| "#{name}: #{value}" }
      socket.write(
        "POST /api/pieces/score?name=gone.musicxml HTTP/1.1\r\n#{lines.join("\r\n")}\r\n\r\n#{score}"
      )
      sleep 0.02 until server.children.any? # which reads the file
    end
    titles =
      Net::HTTP.start(uri.host, uri.port) do |http|
        answers = Array.new(2) { http.post("/api/pieces/score?name=here.musicxml", score, header) }
        expect(answers.map(&:code)).to eq(%w[201 201]), answers.map(&:body).join
        JSON.parse(http.get("/api/pieces", header).body)
      end
    expect(titles.size).to eq(2)
  ensure
    server&.kill
  end

  it "stands by book and page" do
    [
      ["B", 9, "Late"],
      ["A", 20, "Third"],
      ["A", 3, "First"],
      [nil, 1, "Loose"]
    ].each do |book, number, title|
      ask(
        :post,
        "/api/pieces",
        {
          script: ["title: #{title}", ("book: #{book}" if book), "page #{number}: 4"].compact.join(
            "\n"
          )
        }
      )
    end
    expect(ask(:get, "/api/pieces").map { |card| card["title"] }).to eq(%w[First Third Late Loose])
  end
end
