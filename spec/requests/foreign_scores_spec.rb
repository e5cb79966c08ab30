# frozen_string_literal: true

require_relative "../spec_helper"
require_relative "../../core/spec/support/filled"

# The whole way with strangers' pages: through the upload, the page, its steps, the
# plan, the sheet and the paper. Every field a page can have is filled.
RSpec.describe "A score from another program" do
  before do
    TestApp.studio
    sign_in
  end

  def whole_way(shown)
    piece = shown["id"]
    expect(status).to eq(201), shown.inspect[0, 400]
    ask(
      :put,
      "/api/pieces/#{piece}/script",
      { script: "#{shown["script"]}# ours\n", revision: shown["revision"] }
    )
    expect(status).to eq(200)
    id = ask(:post, "/api/students", Requests::STUDENT)["id"]
    student =
      ask(
        :post,
        "/api/students/#{id}/pieces",
        { piece_id: piece, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
      )
    expect(status).to eq(201), student.inspect[0, 400]
    expect(student["pieces"].first["title"]).to eq(shown["title"])
    sheet = ask(:get, sheet_of(ask(:post, "/api/students/#{id}/link", {})))
    expect(sheet["days"].flat_map { |day| day["items"] }).not_to be_empty
    custom_request("GET", "/api/students/#{id}/week.pdf")
    expect(last_response.body).to start_with("%PDF")
    custom_request("GET", "/api/pieces/#{piece}/export/map")
    Stairwell::Score::Document.read(last_response.body)
  end

  it "comes in as a map with every field filled, and goes out the same" do
    (1..12).each do |seed|
      map = Filled.new(seed).map
      out =
        whole_way(
          load_score(JSON.generate(Stairwell::Score::Document.dump(map)), name: "page.json")
        )
      expect(out.notes).to eq(map.with_hands_said.notes)
      expect(out.markings.dynamics).to match_array(map.markings.dynamics)
    end
  end

  it "comes in as a score with single fingers, articulations and grace notes on some notes" do
    (20..26).each do |seed|
      map = Filled.new(seed).map.with(jumps: [], segno: [], coda: [], to_coda: [], fine: [])
      shown = load_score(Stairwell::Formats::MusicXML.write(map))
      expect(status).to eq(201), shown.inspect[0, 300]
      if shown["sections"].empty?
        drafted =
          ask(:post, "/api/pieces/#{shown["id"]}/draft", { script: shown["script"], suggest: true })
      end
      if drafted
        shown =
          ask(
            :put,
            "/api/pieces/#{shown["id"]}/script",
            { script: drafted["script"], revision: 1 }
          ).merge("id" => shown["id"])
      end
      expect(shown["notes"]).to be(true)
      expect(ask(:get, "/api/pieces/#{shown["id"]}")["notes"]).to be(true)
    end
  end
end
