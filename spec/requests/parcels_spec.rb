# frozen_string_literal: true

require_relative "../spec_helper"

# Pages that go from one studio's library to another's.
RSpec.describe "Pages for another studio" do
  let!(:studio) { TestApp.studio }

  before do
    sign_in
    student_with_piece
    load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.lantern_room.map))
  end

  def take(bytes, key: SecureRandom.uuid)
    header("Content-Type", "application/octet-stream")
    header("X-CSRF-Token", @csrf)
    custom_request("POST", "/api/pieces/parcel?key=#{key}", {}, input: bytes)
    JSON.parse(last_response.body)
  ensure
    header("Content-Type", "application/json")
  end

  def parcel(query) =
    custom_request("GET", "/api/pieces/parcel?#{query}").then { last_response.body.dup }

  def elsewhere
    TestApp.studio("Far Shore", email: "far@shore.example")
    sign_in(email: "far@shore.example")
  end

  it "are the same pages there, each once, and hold no name and no note that was not given" do
    bytes = parcel("pieces=1,2")
    whole = parcel("pieces=1,2&with=notes,verses,track")
    shown = [1, 2].map { |id| ask(:get, "/api/pieces/#{id}") }
    expect(bytes).not_to include("Nell")
    expect(JSON.parse(bytes)["pages"].map { |page| page["notes"] }).to eq([{}, {}])
    expect(TestApp::OWNER[:history].where(operation: "exportPages").count).to eq(1)
    elsewhere
    key = SecureRandom.uuid
    came = take(bytes, key: key)
    expect([status, came.map { |one| one["title"] }]).to eq([201, shown.map { |one| one["title"] }])
    expect(take(bytes, key: key)).to eq(came)
    expect(ask(:get, "/api/pieces").size).to eq(2)
    came.zip(shown) do |one, before|
      now = ask(:get, "/api/pieces/#{one["id"]}")
      expect(now.values_at("title", "book", "script")).to eq(
        before.values_at("title", "book", "script")
      )
      expect(now["has_notes"]).to be_falsy
    end
    take(whole)
    expect(ask(:get, "/api/pieces/4")["script"]).to eq(shown.last["script"])
    get("/api/pieces/4/export/musicxml")
    expect(last_response.body).to include("<note")
  end

  it "are refused in words where they are none, and none of them comes in" do
    good = JSON.parse(parcel("pieces=1"))
    elsewhere
    broken =
      good.merge(
        "pages" => [*good["pages"], good["pages"].first.merge("bars" => [[1, "1/0", "4/4"]])]
      )
    huge =
      good.merge(
        "pages" => [
          good["pages"].first.merge("bars" => Array.new(60_000) { |at| [at + 1, "1", "4/4"] })
        ]
      )
    [
      "",
      "PK",
      "{}",
      JSON.generate(broken),
      JSON.generate(huge),
      JSON.generate(
        {
          "format" => "stairwell-pages-1",
          "pages" => [{ "schema" => "stairwell-map/1", "title" => "x" * 100_000, "bars" => [] }]
        }
      )
    ].reject(&:empty?)
      .each do |text|
        answer = take(text)
        expect([status, answer.is_a?(Hash)]).to eq([422, true]),
        "#{text[0, 60]} … #{text[-60..]}: #{answer.to_s[0, 200]}"
      end
    expect(TestApp::OWNER[:pieces].where(studio_id: 2).count).to eq(0)
    expect(ask(:get, "/api/pieces/parcel?pieces=1")["code"]).to eq("not_found")
  end
end
