# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Routines of a studio" do
  before do
    TestApp.studio
    sign_in
  end

  let(:copy) { ask(:post, "/api/routines/hand_by_hand/copy", { name: "Our hands" }) }

  def change(stages, version: 1, **more) =
    ask(
      :put,
      "/api/routines/#{copy["key"]}",
      { name: "Our hands", for_whom: "For us.", stages: stages, version: version, **more }
    )

  it "are copied and changed, and stand beside those that ship" do
    changed =
      change(
        [
          { key: "faster", kept: false },
          { key: "together", good_days: 5, percent: 45, name: "both hands" }
        ]
      )
    expect(changed["stages"].map { |one| one["key"] }).not_to include("faster")
    expect(changed["stages"].find { |one| one["key"] == "together" }).to include(
      "good_days" => 5,
      "percent" => 45,
      "name" => "both hands"
    )
    # What waited for the stage that is gone waits for what that waited for.
    expect(changed["stages"].find { |one| one["key"] == "touch" }["needs"]).to eq(["together"])
    expect(ask(:get, "/api/routines").last).to include("name" => "Our hands", "version" => 2)
    piece = ask(:post, "/api/pieces", { script: Requests::SCRIPT })
    id = ask(:post, "/api/students", Requests::STUDENT)["id"]
    given =
      ask(
        :post,
        "/api/students/#{id}/pieces",
        { piece_id: piece["id"], routine: copy["key"], hand_order: "right", target_tempo: 76 }
      )
    expect(given["pieces"].first).to include("routine" => "Our hands")
    expect(given["pieces"].first["steps"].map { |step| step["title"] }).to include("A, both hands")
  end

  it "show at once what a change does to a piece" do
    piece = ask(:post, "/api/pieces", { script: Requests::SCRIPT })
    trial = ->(stages) do
      ask(:post, "/api/routines/hand_by_hand/trial", { piece_id: piece["id"], stages: stages })
    end
    expect(trial[[{ key: "right", kept: false }]]["steps"]).to be < trial[[]]["steps"]
    expect(trial[[{ key: "together", good_days: 9 }]]["days"]).to be > trial[[]]["days"]
    expect(TestApp::OWNER[:routines].count).to eq(0)
  end

  it "are refused with the reason when they cannot work, and what is stored stays" do
    expect(change([{ key: "right", needs: ["tempo"] }])).to include(
      "code" => "routine",
      "detail" => a_string_including("circle", "“right hand”")
    )
    expect(change([{ key: "right", good_days: 0 }])["detail"]).to include(
      "at least one repetition and one good day"
    )
    expect(change([{ key: "right", needs: ["ghost"] }])["detail"]).to include("not in the routine")
    expect(TestApp::OWNER[:routines].get(:version)).to eq(1)
  end

  it "do not overwrite each other, nor those that ship, and have names of their own" do
    change([])
    expect(change([])).to include("code" => "stale")
    expect(ask(:post, "/api/routines/by_ear/copy", { name: "OUR HANDS" })["code"]).to eq(
      "name_taken"
    )
    expect(
      ask(:put, "/api/routines/by_ear", { name: "x", for_whom: "", stages: [], version: 1 })["code"]
    ).to eq("not_found")
    expect(ask(:post, "/api/routines/own-99/copy", { name: "x" })["code"]).to eq("not_found")
  end
end
