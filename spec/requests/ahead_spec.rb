# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Giving a piece and looking ahead" do
  before do
    TestApp.studio
    sign_in
  end

  let(:piece) do
    ask(:post, "/api/pieces", { script: "#{Requests::SCRIPT}pedal: 1-4\ndynamics: 1 mf, 9 p\n" })
  end
  let(:student) { ask(:post, "/api/students", Requests::STUDENT.merge(begin_per_day: 10)) }

  def gift(**more) =
    {
      piece_id: piece["id"],
      routine: "hand_by_hand",
      hand_order: "right",
      target_tempo: 76,
      **more
    }

  def give(**more) = ask(:post, "/api/students/#{student["id"]}/pieces", gift(**more))

  def titles(given) = given["pieces"].first["steps"].map { |step| step["title"] }

  it "lists a routine for every school, each with for whom and why" do
    routines = ask(:get, "/api/routines")
    expect(routines.map { |one| one["name"] }).to eq(
      [
        "Hand by hand",
        "Aspect by aspect",
        "Say, clap, play",
        "Shapes first",
        "By ear",
        "Rhythm first, ornaments last",
        "The whole piece, one aspect at a time"
      ]
    )
    expect(routines.map { |one| one["for_whom"] }.uniq.size).to eq(7)
  end

  it "says what a routine and its choices would come to, and saves nothing" do
    trial = ->(**more) { ask(:post, "/api/students/#{student["id"]}/preview", gift(**more)) }
    expect(trial.call["titles"]).to include("A, with pedal", "A, dynamics")
    expect(
      trial.call(pedal: "none", articulation_by: "student")["titles"].grep(
        /pedal|dynamics|articulation/
      )
    ).to eq([])
    expect(trial.call(memory: true)["steps"]).to be > trial.call["steps"]
    expect(trial.call["finish"]).to match(/\A2027-/)
    expect(ask(:get, "/api/students/#{student["id"]}")["pieces"]).to eq([])
  end

  # Beside another piece, and with sections that are shown one after another.
  it "says the dates that stand on the student's page afterwards" do
    give
    other =
      ask(:post, "/api/pieces", { script: Requests::SCRIPT.sub("The Lock Gate", "Eel Weir") })["id"]
    asked = gift(piece_id: other, introduce_first: true, due_on: "2027-03-20")
    trial = ask(:post, "/api/students/#{student["id"]}/preview", asked)
    given = ask(:post, "/api/students/#{student["id"]}/pieces", asked)
    expect(given["rests_on"]).to include("nothing is known of this student yet")
    outlook = given["pieces"].last["outlook"]
    expect(trial.values_at("likely", "cautious", "late")).to eq(
      outlook.values_at("likely", "cautious", "late")
    )
    expect(trial["cautious"]).to be > trial["likely"]
    kept = TestApp::OWNER[:promised_dates].order(:id).last
    expect([kept[:likely], kept[:cautious]].map(&:to_s)).to eq(
      trial.values_at("likely", "cautious")
    )
  end

  it "gives the piece as chosen, and keeps the choices" do
    given =
      give(
        routine: "aspect_by_aspect",
        hand_order: "easier",
        join: "from_end",
        order: %w[notes rhythm fingering together]
      )
    expect(titles(given)).to include("A, rhythm", "A1 + B, joined")
    row = TestApp::OWNER[:assignments].first
    expect(row[:choices].then { |value| JSON.parse(value.to_s) }).to eq(
      "counting" => "bar",
      "join" => "from_end",
      "most_strenuous" => 5,
      "order" => %w[notes rhythm fingering together],
      "pace" => "1/1",
      "target_by" => "number",
      "target_said" => 76
    )
    expect(give["code"]).to eq("assigned_already")
  end

  it "shows a step without a pulse, and what the hands do, on the sheet" do
    give(routine: "whole_piece")
    TestApp.now = Time.utc(2027, 3, 4, 12)
    link = ask(:post, "/api/students/#{student["id"]}/link", {})
    item = ask(:get, sheet_of(link))["days"].flat_map { |day| day["items"] }.first
    expect(item).to include(
      "title" => "Whole piece, look it over",
      "tempo" => nil,
      "how" => "with the eyes"
    )
    expect(
      ask(:get, sheet_of(link))["days"].flat_map { |day| day["items"] }.map { |one| one["how"] }
    ).to include("tap")
  end

  it "keeps a section that is left out of the way, until it is taken in again" do
    given = give(due_on: "2027-03-14")
    ask(
      :put,
      "/api/students/#{student["id"]}",
      Requests::STUDENT.merge(version: 1, begin_per_day: 1)
    ) # so that every section takes days of its own
    piece = -> { ask(:get, "/api/students/#{student["id"]}")["pieces"].first }
    ask(
      :post,
      "/api/students/#{student["id"]}/options",
      { change: "fewer_sections", assignment_id: given["pieces"].first["id"] }
    )
    expect(piece.call["without"]).to eq(%w[B])
    expect(titles("pieces" => [piece.call]).grep(/\AB\b/)).to eq([])
    ask(:post, "/api/students/#{student["id"]}/pieces/#{piece.call["id"]}/renew", {})
    # the page as it is now does not bring it back
    expect(titles("pieces" => [piece.call]).grep(/\AB\b/)).to eq([])
    moved = ask(:put, "/api/students/#{student["id"]}/pieces/#{piece.call["id"]}", { without: [] })
    expect(moved["moved"]["added"]).to include("B, right hand")
    expect(
      ask(
        :put,
        "/api/students/#{student["id"]}/pieces/#{piece.call["id"]}",
        { without: %w[A A1 B] }
      )[
        "detail"
      ]
    ).to include("has no section")
  end

  it "foretells when a piece is ready, and offers what helps where that is too late; one press takes it" do
    given = give(due_on: "2027-03-20", pedal: "before_dynamics")
    outlook = given["pieces"].first["outlook"]
    expect(outlook).to include("due_on" => "2027-03-20", "late" => true)
    expect([outlook["planned"], outlook["likely"], outlook["cautious"]]).to eq(
      [outlook["planned"], outlook["likely"], outlook["cautious"]].sort
    )
    piece = given["pieces"].first["id"]
    take = ->(change) do
      ask(:post, "/api/students/#{student["id"]}/options", { change: change, assignment_id: piece })
    end
    ways = ask(:get, "/api/students/#{student["id"]}/pieces/#{piece}/ways-out")
    expect(ways).not_to be_empty
    expect(ways).to all(include("reaches" => false).or(include("date" => (be <= "2027-03-20"))))
    # What is foretold then is what was said.
    best = ways.first
    taken = take[best["change"]]
    expect(taken["pieces"].first["outlook"]["cautious"]).to eq(best["date"])
    best["change"]
      .scan(/day_(\d)/)
      .flatten
      .each { |day| expect(taken["practice_days"]).to include(day.to_i) }
    expect(take[best["change"]]["code"]).to eq("no_option")
    unless best["change"].include?("no_pedal")
      expect(titles(take["no_pedal"]).grep(/pedal/)).to eq([])
    end
    expect(take["no_pedal"]["code"]).to eq("no_option")
    expect([take["day_9"]["code"], take["day_9+no_pedal"]["code"]]).to eq(%w[no_option no_option])
  end

  it "finds one change where one is enough, two where it takes two, and none where it is in time" do
    given = give(due_on: "2027-03-20")
    piece = given["pieces"].first
    ways = -> { ask(:get, "/api/students/#{student["id"]}/pieces/#{piece["id"]}/ways-out") }
    due = ->(day) do
      ask(:put, "/api/students/#{student["id"]}/pieces/#{piece["id"]}", { due_on: day })
    end
    cautious = Date.iso8601(piece["outlook"]["cautious"])
    due[(cautious - 1).to_s]
    expect(ways.call.map { |way| [way["change"].count("+"), way["reaches"]] }.uniq).to eq(
      [[0, true]]
    )
    sooner = ways.call.map { |way| Date.iso8601(way["date"]) }.min
    due[(sooner - 1).to_s]
    expect(ways.call.map { |way| way["change"].count("+") }.uniq).to all(be >= 1).or include(0)
    expect(ways.call.first["date"]).to be < sooner.to_s
    due[cautious.to_s]
    expect(ways.call).to eq([])
  end

  it "begins every day with warm-ups out of the key of the newest piece, where the teacher wants them" do
    keyed = ask(:post, "/api/pieces", { script: "#{Requests::SCRIPT}key: G major\n" })
    warm = ask(:post, "/api/students", Requests::STUDENT.merge(warm_ups: "scale_and_chords"))
    given = ask(:post, "/api/students/#{warm["id"]}/pieces", gift(piece_id: keyed["id"]))
    day = given["week"]["days"].first
    expect(day["warm_ups"].map { |one| one["title"] }).to eq(
      [
        "G major scale: right, left, both hands",
        "G major chord, root position",
        "G major chord, first inversion",
        "G major chord, second inversion"
      ]
    )
    expect(day["warm_ups"].first).to include(
      "notes" => %w[G A B C D E F♯ G],
      "right" => [1, 2, 3, 1, 2, 3, 4, 5]
    )
    expect(day["minutes"]).to be_within(day["items"].size / 4r).of(
      day["items"].sum { |one| one["minutes"] } + day["warm_ups"].sum { |one| one["minutes"] }
    )
    link = ask(:post, "/api/students/#{warm["id"]}/link", {})
    TestApp.now = Time.utc(2027, 3, 4, 12)
    expect(ask(:get, sheet_of(link))["days"].first["warm_ups"].size).to eq(4)
  end

  it "leaves days out on which the student is away, and refuses dates that make no sense" do
    give
    change = ->(absent) do
      ask(
        :put,
        "/api/students/#{student["id"]}",
        Requests::STUDENT.merge(
          absent: absent,
          version: ask(:get, "/api/students/#{student["id"]}")["version"]
        )
      )
    end
    dates =
      change.call([{ from: "2027-03-05", to: "2027-03-07" }])["week"]["days"].map do |day|
        day["date"]
      end
    expect(dates).to eq(%w[2027-03-04 2027-03-08])
    expect(change.call([{ from: "2027-03-09", to: "2027-03-07" }])["detail"]).to include(
      "end before they begin"
    )
    expect(change.call([{ from: "2027-02-30", to: "2027-03-07" }])["code"]).to eq("absence")
    expect(change.call([])["week"]["days"].size).to eq(5)
  end

  it "plans the rest of the week again when days were missed" do
    before = give["week"]
    TestApp.now = Time.utc(2027, 3, 6, 12)
    again = ask(:post, "/api/students/#{student["id"]}/week", {})["week"]
    expect(again.values_at("starts", "planned_from")).to eq(%w[2027-03-04 2027-03-06])
    expect(again["days"].map { |day| day["date"] }).to eq(before["days"].map { |day| day["date"] })
    steps = ->(day) { day["items"].map { |one| one["step_id"] } }
    expect(again["days"].first(2)).to eq(before["days"].first(2)) # gone by
    expect(steps[again["days"][2]]).to eq(steps[before["days"].first])
    expect(ask(:post, "/api/students/#{student["id"]}/week", {})["week"]).to eq(again)
  end

  it "does not call a piece late that has time, or no date" do
    expect(give["pieces"].first["outlook"]).to include("late" => false, "due_on" => nil)
  end
end
