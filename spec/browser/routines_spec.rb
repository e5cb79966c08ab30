# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Routines" do
  include_context "a student with a piece"

  it "copies a routine, changes it, shows what that does to a piece, and says why it cannot work" do
    sign_in
    visit "/routines"
    expect(page).to have_text("Each hand is safe before the two have to fit together")
    select "The Lock Gate", from: "Try it on a piece"
    expect(page).to have_css("[role=status]", text: /\d+ steps, \d+ min in all/)
    expect(page).to have_css(
      "ol[aria-label='The steps, in the order in which one comes to them'] li:first-child",
      text: /\AA, right hand/
    )
    expect(page).to have_css(
      "li",
      text:
        "left hand: each section, left hand; 5 times a day, at 60 % of the target tempo, 1 good day."
    )
    click_button "Copy and change"
    expect(page).to have_field("Name of the routine", with: "Hand by hand, our way")
    select "The Lock Gate", from: "Try it on a piece"
    before = find("[role=status]", text: /steps/).text
    uncheck "Keep faster"
    expect(page).to have_no_css("[role=status]", text: before)
    fill_in "Good days, hands together", with: "0"
    click_button "Save the routine"
    expect(page).to have_css(
      "[role=alert]",
      text: "“hands together” needs at least one repetition and one good day."
    )
    fill_in "Good days, hands together", with: "5"
    click_button "Save the routine"
    expect(page).to have_no_field("Good days, faster")
    expect(page).to have_field("Good days, hands together", with: "5")
    expect_accessible
  end

  it "adds a stage to a routine, names others anew, changes what waits for what, and refuses what nothing reaches" do
    sign_in
    visit "/routines"
    click_button "Copy and change"
    fill_in "Name of left hand", with: "left hand, blocked"
    fill_in "New stage", with: "Tap it"
    select "tap", from: "Right hand"
    select "tap", from: "Left hand"
    select "when introduced", from: "Opens"
    click_button "Add the stage"
    click_button "Save the routine"
    expect(page).to have_css("[role=alert]", text: "Nothing reaches the whole piece from “Tap it”")
    click_button "change …: hands together"
    select "Tap it", from: "hands together, on a later day than: one more"
    click_button "hands together, on a later day than: no longer the spot"
    click_button "change …: faster"
    select "hands together", from: "faster, same sitting, after: one more"
    click_button "Save the routine"
    expect(page).to have_css(
      "[role=alert]",
      text: "Nothing reaches the whole piece from “the spot”"
    )
    select "the spot", from: "faster, on a later day than: one more"
    click_button "Save the routine"
    expect(page).to have_text("on a later day than: right hand, left hand, blocked, Tap it")
    expect(page).to have_no_css("[role=alert]")
    expect(page).to have_field("Name of left hand, blocked")
    expect(page).to have_text("opens when introduced")
  end

  # Order 4 of docs/routines.md, made of what ships: one hand through the piece, the voice with it.
  it "says all of a stage, and keeps it" do
    sign_in
    visit "/routines"
    click_button "Copy and change"
    click_button "change …: left hand"
    select "right hand", from: "left hand, on a later day than, everywhere: one more"
    select "counts", from: "Voice"
    select "lift the hand", from: "Movement"
    select "pedal", from: "left hand, only where there is: one more"
    fill_in "One sitting, called", with: "Low part"
    click_button "less: left hand"
    click_button "change …: without a stop"
    check "each section first"
    check "without repeats"
    fill_in "Seconds, without tempo", with: "90"
    click_button "Save the routine"
    expect(page).to have_no_button("Back to what is stored")
    stages =
      JSON.parse(TestApp::OWNER[:routines].get(:stages)).to_h { |stage| [stage["key"], stage] }
    expect(stages["left"]).to include(
      "everywhere" => ["right"],
      "after" => [],
      "cue" => "lift",
      "only" => ["pedal"],
      "sitting" => "lowpart",
      "actions" => {
        "left" => "play",
        "right" => "silent",
        "voice" => "count"
      }
    )
    expect(stages["whole"]).to include(
      "by_section" => true,
      "repeats" => false,
      "seconds" => 90,
      "tempo_share" => nil
    )
    select "The Lock Gate", from: "Try it on a piece"
    path = find("ol[aria-label='The steps, in the order in which one comes to them']").text
    expect(path).to match(/A, right hand.*B, right hand/m)
  end
end
