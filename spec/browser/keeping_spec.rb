# frozen_string_literal: true

require_relative "../spec_helper"

# What is changed at the workbench is never lost: not by leaving, not by another teacher,
# not without a connection; and what was changed is told.
RSpec.describe "Keeping a page" do
  include_context "at the workbench"

  it "keeps what was typed when the page is left before it was saved" do
    open_piece
    click_tab "Text"
    fill_in "Page script", with: "#{Requests::SCRIPT}fine: 8\n"
    visit "/studio"
    visit "/library/1"
    expect(page).to have_css("[data-bar='8'][aria-label*='fine']")
    saved
    expect(stored).to include("fine: 8")
  end

  it "shows both when two teachers change the same piece, and lets one put one's own on top" do
    open_piece
    hear_nothing
    api do
      ask(
        :put,
        "/api/pieces/1/script",
        { script: "#{Requests::SCRIPT}fine: 8 # theirs\n", revision: 1 }
      )
    end
    choose(12)
    keys("b")
    expect(page).to have_css(
      "[role=alert]",
      text: "Mira Quist changed this piece while you were working on it."
    )
    expect(page).to have_css("[role=alert]", text: "fine: 8 # theirs")
    expect(page).to have_css("[role=alert]", text: "double bar: 12")
    click_button "Put my changes on top of theirs"
    saved
    expect(stored).to include("fine: 8 # theirs\n", "double bar: 12\n")
    # Undo still knows what was mine alone.
    click_button "Undo"
    expect(page).to have_no_css("[data-bar='8'][aria-label*='fine']")
  end

  it "loses no click and no letter without a connection, says so, and keeps them when it is back" do
    open_piece
    saved
    without_connection do
      choose(12)
      keys("f")
      expect(page).to have_css(
        "[role=status]",
        text: "No connection: kept in this browser until it is back"
      )
    end
    expect(page).to have_css("[data-bar='12'][aria-label*='fine']")
    saved
    expect(stored).to include("fine: 12\n")
    click_tab "Text"
    without_connection do
      find_field("Page script").send_keys("# and on")
      expect(page).to have_css("[role=status]", text: "No connection")
    end
    saved
    expect(stored).to include("# and on")
  end

  it "saves what was changed when one goes elsewhere before it rested" do
    open_piece
    choose(3)
    keys("f")
    expect(page).to have_button("Take away fine")
    go "Students"
    expect(page).to have_css("h1", text: "Students")
    # Nobody opens the piece again, whose draft this browser has too.
    page
      .document
      .synchronize(60) do
        stored.include?("fine: 3") || raise(Capybara::ElementNotFound, "it is not kept: #{stored}")
      end
  end

  it "tells who changed what, and goes back, which can be undone" do
    open_piece
    choose(12)
    keys("f")
    expect(page).to have_button("Take away fine")
    saved
    expect(stored).to include("fine: 12")
    TestApp::OWNER[:map_revisions].update(made_at: Sequel.lit("made_at - interval '1 hour'"))
    click_tab "Past"
    click_button "What changed"
    expect(page).to have_text("section A1: 5-8 like A except 8")
    api do
      ask(
        :put,
        "/api/pieces/1/script",
        { script: "title: The Lock Gate\npage 12: 4 4 4\n", revision: 2 }
      )
    end
    visit "/library/1"
    expect(page).to have_no_button("Show section A")
    click_tab "Past"
    click_button "What changed", match: :first
    expect(page).to have_text("Taken out")
    select "nothing", from: "compared with"
    expect(page).to have_no_text("No longer said")
    all("button", text: "What changed").last.click
    click_button "Go back to this"
    expect(page).to have_css("[data-bar='1'][aria-label*='section A']")
    saved
    click_button "Undo"
    expect(page).to have_no_css("[data-bar='1'][aria-label*='section A']")
  end
end
