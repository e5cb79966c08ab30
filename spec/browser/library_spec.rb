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

  it "finds pieces by a part of their names, a book, a key, and puts them in another order" do
    api do
      ask(
        :post,
        "/api/pieces",
        { script: "title: Weir\nbook: Low Primer\npage 3: 4 4\nkey: D minor\nsection A: 1-8\n" }
      )
      ask(:post, "/api/pieces", { script: "title: Alder\npage 3: 4 4 4 4\nkey: G major\n" })
    end
    sign_in
    go "Library"
    shown = -> { all("a[href^='/library/']").map(&:text) - ["Type what is printed"] }
    expect(page).to have_link("Weir")
    select "by title", from: "In what order"
    expect(page).to have_no_css("section h2", text: "Low Primer")
    expect(shown.call).to eq(["Alder", "The Lock Gate", "Weir"])
    select "fewest new bars first", from: "In what order"
    # the last has 16 bars of which nothing is known
    expect(page).to have_text(/Weir.*The Lock Gate.*Alder/m)
    fill_in "Find a piece", with: "low pr"
    expect(page).to have_no_link("Alder")
    expect(shown.call).to eq(["Weir"])
    # The address keeps it.
    click_link "Weir"
    page.go_back
    expect(page).to have_field("Find a piece", with: "low pr")
    expect(shown.call).to eq(["Weir"])
    fill_in "Find a piece", with: ""
    select "no sections yet", from: "Which pieces"
    expect(page).to have_no_link("Weir")
    expect(shown.call).to eq(["Alder"])
    select "all pieces", from: "Which pieces"
    select "D minor", from: "Key"
    expect(page).to have_no_link("Alder")
    expect(shown.call).to eq(["Weir"])
    expect_accessible
  end

  it "gives a piece to several students at once, each with their own first hand" do
    ids =
      api do
        { "Ada" => "left", "Bo" => "right", "Cleo" => "left" }.map do |name, hand|
          ask(:post, "/api/students", Requests::STUDENT.merge(name: name, hand_order: hand))["id"]
        end
      end
    sign_in
    visit "/library/1"
    click_button "Assign to a student"
    select "Ada", from: "Student"
    select "Bo", from: "And also"
    select "Cleo", from: "And also"
    click_button "Not for Cleo"
    select "Shapes first", from: "Routine"
    expect(page).to have_css("[role=status]", text: /steps up to/)
    expect_accessible
    click_button "Assign The Lock Gate"
    expect(page).to have_css("[role=status]", text: "Given to Ada, Bo.")
    # It can be given to those left.
    expect(all("select[name=id] option").map(&:text)).to include("Cleo").and(
      satisfy { |names| (names & %w[Ada Bo]).empty? }
    )
    go "Students"
    %w[Ada Bo].each do |name|
      expect(page).to have_css("h2 + div > div", text: /#{name}\s+The Lock Gate/)
    end
    expect(page).to have_css("h2 + div > div", text: /Cleo\s+no piece in hand/)
    hands =
      api do
        ids.map do |id|
          ask(:get, "/api/students/#{id}")["pieces"].map do |piece|
            piece.values_at("routine", "hand_order")
          end
        end
      end
    expect(hands).to eq([[["Shapes first", "left"]], [["Shapes first", "right"]], []])
  end

  it "loads a score from a file, and says in words what is wrong with another" do
    sign_in
    go "Library"
    Dir.mktmpdir do |folder|
      {
        "fog.musicxml" => Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map),
        "cut.musicxml" => "<score-partwise><part"
      }.each { |name, bytes| File.write("#{folder}/#{name}", bytes) }
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
      voice =
        %(<part id="P0"><measure number="1"><note><rest/><duration>4</duration></note></measure></part>)
      score =
        Stairwell::Formats::MusicXML
          .write(Demo::Pieces.fog_signal.map)
          .sub(%r{<work>.*</work>}m, "")
          .sub(%r{<movement-title>.*</movement-title>}, "")
          .sub(
            "<part-list>",
            %(<part-list><score-part id="P0"><part-name>Voice</part-name></score-part>)
          )
          .sub("<part ", "#{voice}<part ")
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
