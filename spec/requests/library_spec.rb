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
    lines = piece["pages"].map { |page| [page["number"], page["lines"].map { |line| line["bars"].size }] }
    expect(lines).to eq([[12, [5, 4, 4, 4]], [13, [4, 4]]])
    bars = piece["pages"].flat_map { |page| page["lines"].flat_map { |line| line["bars"] } }.to_h { |bar| [bar["name"], bar] }
    expect(bars["9"]).to include("opens" => true, "place" => "page 12, line 3, bar 1", "played" => 2)
    expect(bars["22"]).to include("closes" => 2, "endings" => [{"passes" => [1], "first" => false, "last" => true}])
    expect(bars["0"]).to include("counts" => "1", "place" => nil)
    expect(piece["figures"]).to include("bars_printed" => 25, "bars_played" => 37, "counts_played" => "108", "page_turns" => 3)
  end

  it "gives the playing order with the words for each jump" do
    piece = ask(:post, "/api/pieces", {script: "bars: 6\nrepeat: 1-4 x3\nending 1: 4\nending 2: 5\nending 3: 6"})
    expect(piece["ribbon"].map { |visit| [visit["name"], visit["reached"]] }.select(&:last))
      .to eq([["1", "again"], ["5", "2nd ending"], ["1", "3rd time"], ["6", "3rd ending"]])
    expect(piece["ribbon"].count { |visit| visit["jump"] }).to eq(4)
  end

  it "reads a script without saving it, and says where each line goes wrong" do
    answer = ask(:post, "/api/scripts/read", {script: "bars: 8\nrepeat: 1-x\nfermata: 3"})
    expect(answer["piece"]["figures"]["bars_played"]).to eq(8)
    expect(answer["problems"].map { |one| one.values_at("line", "column") }).to eq([[2, 11], [3, 11]])
    expect(TestApp::OWNER[:pieces].count).to eq(0)
    expect(ask(:post, "/api/scripts/read", {script: "hello"})["piece"]).to be_nil
  end

  it "lists what does not add up with the bar, and what the score holds that is not used" do
    piece = ask(:post, "/api/pieces", {script: "page 3: 4 4\ntime: 3/4\npickup: 1\nending 2: 5"})
    expect(piece["diagnostics"].map { |one| one.values_at("code", "bar") }).to include(["complement", 9])
    noted = Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map).sub("<note>", "<harmony><root><root-step>C</root-step></root></harmony><note>")
    expect(load_score(noted)["unread"]).to include({"what" => "chord symbols", "bars" => ["1"]})
  end

  it "stands by book and page" do
    [["B", 9, "Late"], ["A", 20, "Third"], ["A", 3, "First"], [nil, 1, "Loose"]].each do |book, number, title|
      ask(:post, "/api/pieces", {script: ["title: #{title}", ("book: #{book}" if book), "page #{number}: 4"].compact.join("\n")})
    end
    expect(ask(:get, "/api/pieces").map { |card| card["title"] }).to eq(%w[First Third Late Loose])
  end
end
