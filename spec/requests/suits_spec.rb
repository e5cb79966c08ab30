# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "What would suit a student" do
  before do
    TestApp.studio
    sign_in
  end

  def piece(title, more = "") =
    ask(
      :post,
      "/api/pieces",
      {
        script:
          "title: #{title}\nbars: 8\ntempo: target 60\nsection A: 1-4\nsection B: 5-8\n#{more}"
      }
    )

  it "is every piece they have not had, those with the least that is new first, in two lines" do
    student = student_with_piece
    path = "/api/students/#{student["id"]}"
    far = piece("Far Off", "time: 6/8\nkey: E major\nrepeat: 1-8\n")
    near = piece("Near By", "key: G major\n")
    bare = ask(:post, "/api/pieces", { script: "title: Bare\nbars: 8\n" })
    gone = piece("Gone")
    ask(:delete, "/api/pieces/#{gone["id"]}")
    found = ask(:get, "#{path}/suits")
    expect(found.map { |one| one["title"] }).to contain_exactly("Far Off", "Near By", "Bare")
    expect(found.map { |one| one["fresh"] }).to eq(found.map { |one| one["fresh"] }.sort)
    expect(found.last).to include("title" => "Far Off", "id" => far["id"])
    expect(found.last["lines"].first).to include("6/8 time", "E major", "a repeat")
    expect(found.find { |one| one["id"] == near["id"] }["lines"].last).to match(
      /\AAbout \d+ weeks by itself, [\d½]+ min a day\.\z/
    )
    expect(found.find { |one| one["id"] == bare["id"] }).to include(
      "weeks" => nil,
      "lines" => include("Mark its sections to see how long it would take.")
    )
  end

  it "grows with what was learnt, and leaves out what they can play" do
    student = student_with_piece
    path = "/api/students/#{student["id"]}"
    own = student["pieces"].first
    other = piece("Other", "time: 3/4\n")
    fresh = -> { ask(:get, "#{path}/suits").find { |one| one["id"] == other["id"] }["fresh"] }
    before = fresh.call
    ask(:post, "#{path}/pieces/#{own["id"]}/end", { ended: "passed" })
    expect(fresh.call).to be < before
    expect(ask(:get, "#{path}/suits").map { |one| one["id"] }).not_to include(own["piece_id"])
    # What was set aside may come again.
    given =
      ask(
        :post,
        "#{path}/pieces",
        { piece_id: other["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
      )[
        "pieces"
      ].first
    expect(ask(:get, "#{path}/suits").map { |one| one["id"] }).not_to include(other["id"])
    ask(:post, "#{path}/pieces/#{given["id"]}/end", { ended: "set_aside" })
    expect(ask(:get, "#{path}/suits").map { |one| one["id"] }).to include(other["id"])
  end
end
