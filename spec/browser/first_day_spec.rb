# frozen_string_literal: true

require_relative "../spec_helper"

# A studio with nothing in it yet, and a piece that is typed and not loaded.
RSpec.describe "The first day of a studio" do
  before do
    TestApp.studio
    sign_in
  end

  it "says in every empty place what to do first" do
    expect(page).to have_text("No student has a lesson yet. Add one under Students.")
    go "Studio"
    expect(page).to have_text("No student yet. Add the first one under Students.")
    go "Students"
    expect(page).to have_text("Add one: a name or nickname is enough")
    go "Library"
    expect(page).to have_text("Load a MusicXML score, or type what is printed")
    visit "/library/99"
    expect(page).to have_css("[role=alert]", text: "There is no such piece in this studio.")
    expect_accessible
  end

  it "shows the first steps, with scores to try them on, until they are left" do
    within("section[aria-label='First steps']") do
      expect(all("li").map { |step| step.text.lines.first.strip }).to eq(
        [
          "Add a student",
          "Bring in a page",
          "Mark its sections",
          "Assign it to the student",
          "Make a private link and send the week to a phone"
        ]
      )
      click_button "Ropewalk"
    end
    expect(page).to have_css("h1", text: "Ropewalk")
    expect(page).to have_css("[data-bar]", minimum: 16)
    go "Today"
    within("section[aria-label='First steps']") do
      expect(page).to have_text("Bring in a page (done)")
      click_link "Ropewalk", match: :first
    end
    expect(page).to have_css("h1", text: "Ropewalk")
    go "Today"
    click_button "Leave this"
    expect(page).to have_no_css("section[aria-label='First steps']")
    page.refresh
    expect(page).to have_text("No student has a lesson yet.")
    expect(page).to have_no_css("section[aria-label='First steps']")
  end

  it "has help on every screen, and the guide to search in" do
    click_button "Help with this screen"
    within("[role=dialog]") { click_link "This screen in the guide" }
    expect(page).to have_css("section#today")
    expect(page).to have_css("nav[aria-label='Parts of the guide'] a", minimum: 12)
    fill_in "Search the guide", with: "hurts rests"
    expect(page).to have_css("[role=status]", text: "1 part")
    expect(find("section#the-week-sheet")).to have_text("It hurts")
    expect_accessible
  end

  it "goes from a typed page to a planned week" do
    go "Library"
    click_button "Type what is printed"
    fill_in "Page script",
            with:
              "title: Millrace\nbook: Tidewater Primer 1\npage 5: 4 4\ntime: 2/4\nrepeat: 1-8\nending 1: 8\nsection A: 1-4\nsection B: 5-8\n"
    expect(page).to have_css("[data-visit]", count: 15)
    click_button "Save the piece"
    expect(page).to have_css("h1", text: "Millrace")
    expect(page).to have_text("8 of 8")
    add_a_student
    visit "/library/1"
    click_button "Assign to a student"
    select "Wren", from: "Student"
    find("summary", text: "More").click
    fill_in "Target tempo, beats per minute", with: "60"
    click_button "Assign Millrace"
    expect(page).to have_css("h1", text: "Wren")
    expect(page).to have_css("h2", text: "Millrace · 0 % of the work is steady")
    expect(page).to have_css("[data-item]", text: /\AA, right hand/)
  end

  def add_a_student
    go "Students"
    click_button "Add a student"
    fill_in "Name or nickname", with: "Wren"
    click_button "Add the student"
    expect(page).to have_css("h1", text: "Wren")
  end

  it "says what to do when a piece without sections is given" do
    go "Library"
    click_button "Type what is printed"
    fill_in "Page script", with: "title: Bare\nbars: 8\n"
    expect(page).to have_css("[data-bar]", count: 8)
    click_button "Save the piece"
    expect(page).to have_text("None yet. Choose bars on the page and give them a letter.")
    add_a_student
    select "Bare", from: "Piece"
    click_button "Assign Bare"
    expect(page).to have_css(
      "[role=alert]",
      text: "“Bare” has no section yet. Mark at least one on its page."
    )
    visit "/library/1"
    click_button "Suggest sections"
    expect(page).to have_css("h2", text: "As played A B")
    expect(page).to have_button("Show section B")
  end

  it "gives a piece with a routine and choices, after saying what they come to" do
    page.execute_script(
      "localStorage.setItem('stairwell-typed', 'title: Weir\\npage 2: 4 4 4\\nsection A: 1-4\\nsection B: 5-8\\nsection C: 9-12\\npedal: 1-4\\n')"
    )
    visit "/library/type"
    click_button "Save the piece"
    expect(page).to have_button("Show section A")
    add_a_student
    select "Weir", from: "Piece"
    expect(page).to have_css(
      "[role=status]",
      text:
        /steps up to \d+ beats per minute, \d+ min in all; practised alone, done in \d+ practice days/
    )
    select "Shapes first", from: "Routine"
    find("summary", text: "More").click
    select "none", from: "Pedal"
    select "from the end back", from: "Sections join"
    fill_in "Ready by", with: "03/20/2027"
    expect(page).to have_text("For students who see patterns")
    click_button "Assign Weir"
    expect(page).to have_text("Shapes first · right hand first")
    expect(page).to have_text("left hand blocked")
    expect(page).to have_text("B + C")
    expect(page).to have_no_text("with pedal")
    expect(page).to have_text("Likely ready")
    expect_accessible
  end

  it "gives a section a second place by marking its letter again" do
    page.execute_script(
      "localStorage.setItem('stairwell-typed', 'title: Weir\\npage 2: 4 4 4\\nsection A: 1-4\\n')"
    )
    visit "/library/type"
    click_button "Save the piece"
    expect(page).to have_button("Show section A")
    bar_at(9).find("rect", match: :first).click
    page
      .driver
      .browser
      .action
      .key_down(:shift)
      .send_keys(:arrow_right, :arrow_right, :arrow_right)
      .key_up(:shift)
      .perform
    fill_in "Section letter", with: "A"
    click_button "Add to A"
    expect(page).to have_text("1–4, 9–12")
    expect(page).to have_text("8 of 12") # the second place is nothing new
    click_tab "Text"
    expect(find_field("Page script").value).to include("section A: 1-4, 9-12")
  end

  it "leaves by the same door, and comes in again" do
    go "Library"
    click_button "Sign out"
    expect(page).to have_button("Sign in")
    expect(page).to have_current_path("/")
    fill_in "Email", with: "owner@quay.example"
    fill_in "Password", with: TestApp::PASSWORD
    click_button "Sign in"
    expect(page).to have_css("nav", text: "Today")
    click_button "Sign out"
    expect(page).to have_button("Sign in")
    visit "/library"
    expect(page).to have_button("Sign in")
  end
end
