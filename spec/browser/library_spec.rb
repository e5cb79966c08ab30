# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "The library in the browser" do
  include_context "a student with a piece"

  it "takes a piece off the shelf and back again, from the shelf and from its own page" do
    sign_in
    go "Library"
    click_button "Delete The Lock Gate"
    within("[role=status]") { expect(page).to have_text("The Lock Gate is deleted") }
    expect(page).to have_css("section[aria-label=Deleted]", text: "The Lock Gate")
    expect(page).to have_no_link("The Lock Gate")
    expect_accessible
    click_button "Take back The Lock Gate"
    expect(page).to have_link("The Lock Gate")
    click_button "Delete The Lock Gate"
    expect(page).to have_css("section[aria-label=Deleted]")
    visit "/library/1"
    click_button "Take it back"
    expect(page).to have_no_text("is deleted")
    go "Library"
    expect(page).to have_link("The Lock Gate")
  end

  it "loads a score from a file, and says in words what is wrong with another" do
    sign_in
    go "Library"
    Dir.mktmpdir do |folder|
      {"fog.musicxml" => Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map), "cut.musicxml" => "<score-partwise><part"}.each { |name, bytes| File.write("#{folder}/#{name}", bytes) }
      attach_file("Score file", "#{folder}/cut.musicxml", make_visible: true)
      expect(page).to have_css("[role=alert]", text: "cut off or damaged")
      attach_file("Score file", "#{folder}/fog.musicxml", make_visible: true)
    end
    expect(page).to have_css("h1", text: "Fog Signal")
  end

  it "asks about a score that does not say its title and its hands" do
    sign_in
    go "Library"
    Dir.mktmpdir do |folder|
      voice = %(<part id="P0"><measure number="1"><note><rest/><duration>4</duration></note></measure></part>)
      score = Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map).sub(%r{<work>.*</work>}m, "").sub(%r{<movement-title>.*</movement-title>}, "")
        .sub("<part-list>", %(<part-list><score-part id="P0"><part-name>Voice</part-name></score-part>)).sub("<part ", "#{voice}<part ")
      File.write("#{folder}/nameless.musicxml", score)
      attach_file("Score file", "#{folder}/nameless.musicxml", make_visible: true)
      within("[aria-label='Look over']") do
        expect(page).to have_text("the score has no title")
        expect(page).to have_select("The left hand is in", selected: "Piano, staff 2")
        expect_accessible
        fill_in "What it is called", with: "Harbour Lights"
        click_button "Load it so"
      end
    end
    expect(page).to have_css("h1", text: "Harbour Lights")
  end
end
