# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/pieces"

RSpec.describe "A page that changes, in the browser" do
  include_context "at the workbench"

  def file(folder, map) =
    "#{folder}/score.musicxml".tap do |name|
      File.write(name, Stairwell::Formats::MusicXML.write(map))
    end

  it "says for each student what would move, takes it over, and takes that back" do
    open_piece
    click_tab "Text"
    fill_in "Page script", with: stored.sub("section B: 9-12", "section C: 9-10\nsection D: 11-12")
    saved
    click_tab "Students"
    expect(page).to have_text("has the page as it was")
    expect(page).to have_text(/New: .*C, right hand/)
    expect(page).to have_text(/Falls away: .*B, right hand/)
    expect_accessible
    click_button "Take it over for Nell"
    expect(page).to have_text("has the page as it is")
    expect(page).to have_no_text("Falls away:")
    click_button "Take that back for Nell"
    expect(page).to have_text("has the page as it was")
    expect(page).to have_no_button("Take that back for Nell")
  end

  it "gets its notes from a score, with its sections where they were; what was worked out of the hands is noted at one press" do
    api do
      ask(
        :post,
        "/api/pieces",
        {
          script:
            "title: Our jetty\npage 5: 5 5 5 5\ntime: 4/4\nkey: A minor\nsection A: 1-4\nsection B: 5-8\n"
        }
      )
    end
    open_piece(2)
    click_tab "Students"
    Dir.mktmpdir do |folder|
      attach_file("Score file", file(folder, Demo::Pieces.long_jetty.map), make_visible: true)
      expect(page).to have_css("[role=status]", text: "Everything has its place in the score.")
    end
    click_tab "Notes" # there are some now
    click_tab "Map"
    expect(page).to have_button("Show section A")
    click_tab "Preview"
    expect(page).to have_text("worked out")
    expect(page).to have_text(/right hand.*5 places/m)
    expect_accessible
    move = find("button", text: "Note it", match: :first)
    said = move["aria-label"]
    move.click
    expect(page).to have_no_css("button[aria-label=\"#{said}\"]")
    saved
    expect(stored(2)).to match(/^start right at \d+.*: finger \d on [A-G]/)
    expect(page).to have_link("Pencil list to print")
    click_tab "Text"
    expect(page).to have_field("Page script", with: /title: Our jetty.*segno: 5.*section A: 1-4/m)
  end

  it "goes on as another entry of the same piece" do
    api do
      ask(
        :post,
        "/api/pieces",
        { script: Requests::SCRIPT.sub("The Lock Gate", "The Lock Gate, new print") }
      )
    end
    open_piece
    click_tab "Students"
    select "The Lock Gate, new print, Tidewater Primer 2", from: "Goes on as"
    click_button "Make them one"
    expect(page).to have_text("1 student goes on with it.")
    click_link "The Lock Gate, new print"
    expect(page).to have_css("h1", text: "The Lock Gate, new print")
    click_tab "Students"
    expect(page).to have_link("Nell")
  end

  it "says what does not add up while one types, and mends it there" do
    open_piece
    click_tab "Text"
    fill_in "Page script", with: "#{stored}dal segno: 12\n"
    expect(page).to have_text(/no bar has the sign/)
    click_button "Say da capo"
    expect(page).to have_field("Page script", with: /da capo: 12/)
  end
end
