# frozen_string_literal: true

require_relative "../spec_helper"

require "tmpdir"

# The whole job once through, as a teacher and a family do it.
RSpec.describe "From the page to the next week" do
  before { TestApp.studio }

  around do |example|
    Dir.mktmpdir do |folder|
      @score = File.join(folder, "two-gulls.mxl")
      map = Demo::Pieces.two_gulls.map
      File.binwrite(@score, Stairwell::Formats::MusicXML.compress(map))
      example.run
    end
  end

  def load_the_score
    go "Library"
    attach_file "Score file", @score, make_visible: true
    expect(page).to have_css("h1", text: "Two Gulls Arguing")
    expect(page).to have_text("24 bars of 16 printed · 48 counts")
    expect(page).to have_text("6 of 16")
  end

  def see_page_and_ribbon
    expect(page).to have_css("[data-bar]", count: 16)
    expect(page).to have_css("[data-visit]", count: 24)
    bar_at(3).find("rect", match: :first).hover
    expect(page).to have_css("[data-visit][aria-selected=true]", count: 2) # bar 3 is played twice
    find("[data-visit='20']").hover
    expect(page).to have_text("page 22, line 2, bar 1 = bar 13 · 2 counts")
  end

  def mark_the_sections
    mark_by_keys(1, 4, "A")
    mark_by_dragging(5, 8, "B")
    mark_by_keys(9, 12, "A1", "like A")
    mark_by_dragging(13, 16, "B1", "like B except 16")
    expect(page).to have_css("h2", text: "As played A B A B A1 B1")
  end

  def add_nell
    go "Students"
    click_button "Add a student"
    fill_in "Name or nickname", with: "Nell"
    select "Wednesday", from: "Lesson day"
    fill_in "Minutes a day", with: "20"
    click_button "Sat"
    click_button "Wed" # no practice on the lesson day
    click_button "Add the student"
    expect(page).to have_css("h1", text: "Nell")
  end

  def give_the_piece
    select "Two Gulls Arguing", from: "Piece"
    find("summary", text: "More").click
    select "Left", from: "First hand"
    fill_in "Target tempo, beats per minute", with: "54"
    select "by themselves", from: "Sections open"
    # In the order of the piece A would come first; most later work hangs on B.
    select "soonest ready", from: "Sections begin"
    click_button "Assign Two Gulls Arguing"
    expect(page).to have_css(on("2027-03-04"), text: /\AB, left hand/)
  end

  # What the chart of the week has on a day.
  def on(date) = "[data-item][data-date='#{date}']"

  def see_the_plan
    expect(all(on("2027-03-04")).map { |item| item.text[/\A[^,]+, \w+ \w+/] }).to start_with(
      "B, left hand"
    )
    find(on("2027-03-04"), text: /\AB, left hand/).hover
    expect(page).to have_text("B, left hand (Two Gulls Arguing, page 21, line 2, all 4 bars)")
    expect(page).to have_text(/min: 3 × 8 counts at 32, 8 s between/)
    # Both hands fit together from the second day on.
    expect(page).to have_css(on("2027-03-05"), text: /\AB, hands together/)
  end

  def practise_on_the_phone(path)
    TestApp.now = Time.utc(2027, 3, 4, 12)
    Capybara.using_driver(:phone) do
      visit path
      expect(page).to have_css("h1", text: "Thursday, Nell")
      expect(page).to have_no_css("nav")
      within(step("B, left hand", piece: "Two Gulls Arguing")) do
        3.times { |at| click_button "count #{at + 1}" }
        expect(page).to have_text("3 of 3")
        click_button "That was hard"
        expect(page).to have_button("marked as hard", disabled: true)
      end
      click_button "Undo"
      expect(page).to have_button("That was hard")
      within(step("B, right hand", piece: "Two Gulls Arguing")) do
        3.times { |at| click_button "count #{at + 1}" }
      end
      expect(page).to have_css("button", text: /Thursday 4 March, 4 min of/)
      expect_accessible
      expect(page.evaluate_script("document.documentElement.scrollWidth")).to be <= 390
      printed = window_opened_by { click_button "Print" }
      within_window(printed) { expect(page.current_url).to end_with("/week.pdf") }
      printed.close
      expect(complaints).to eq([])
      # Three, one that was hard and taken back, and three: all have arrived.
      expect_sent
      expect(TestApp::OWNER[:practice_marks].count).to eq(8)
    end
  end

  def hear_the_lesson
    TestApp.now = Time.utc(2027, 3, 10, 16)
    visit current_path
    click_button "Open lesson"
    expect(page).to have_css("h1", text: "Nell, Wednesday 10 March")
    expect(page).to have_text("practised on 1 of 5 days")
    expect(find("[aria-current=true]")).to have_text(/\AB and A, left hand/)
    expect_accessible
    keys("3")
    expect(page).to have_css("[role=listitem][data-at='0']", text: /steady\z/)
    keys("4")
    expect(page).to have_css("[role=listitem][data-at='1']", text: /secure\z/)
    expect(page).to have_css("h2", text: /Heard today · 2 of/)
    expect(page).to have_css(on("2027-03-11"), text: /\AB, hands together/)
  end

  it "walks the eight steps" do
    sign_in
    load_the_score
    see_page_and_ribbon
    mark_the_sections
    add_nell
    give_the_piece
    see_the_plan
    click_button "Make a private link"
    practise_on_the_phone(URI(find_field("Private link").value).path)
    hear_the_lesson
    go "Studio"
    row = find("[role=row]", text: "Nell")
    TestApp.work_on_jobs
    expect(row).to have_text("Two Gulls Arguing")
    expect(row).to have_text(/[1-9]\d* %/)
    expect(row).to have_text("last heard secure, 10 Mar")
    click_link "Nell"
    expect(page).to have_css("h1", text: "Nell")
    expect(complaints).to eq([])
  end
end
