# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "A full day on screen" do
  include_context "a student with a piece"

  it "has a row for each piece of work, a cell for each day, and as many rows as the teacher sets" do
    sign_in
    visit "/students/#{student["id"]}"
    expect(page).to have_css("[role=rowheader]", text: "A and A1")
    expect(page).to have_css("[role=columnheader]", text: /Day 1\s+Thu/)
    within("[role=row]", text: "A and A1") do
      expect(all("[role=cell]").map(&:text)).to start_with(a_string_including("A RH ×3", "A LH ×3"))
    end
    expect_accessible
    click_button "Change"
    find("summary", text: "More").click
    fill_in "Rows of a week", with: "1"
    click_button "Save and plan again"
    expect(page).to have_text("This week, one row")
  end

  it "counts a row on the sheet, and is done with its last box" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    Capybara.using_driver(:phone) do
      visit student["sheet_path"]
      expect(page).to have_text("0 of one row done")
      ["A, right hand", "A1, right hand", "A, left hand"].each do |title|
        within(step(title)) { all("button[aria-label^='count']").each(&:click) }
      end
      expect(page).to have_text("1 of one row done")
      expect_accessible
    end
  end

  it "sets side by side what might be introduced, and introduces it at one press" do
    given = ask(:get, "/api/students/#{student["id"]}")["pieces"].first["id"]
    ask(:put, "/api/students/#{student["id"]}/pieces/#{given}", { introduce_first: true })
    sign_in
    TestApp.now = Time.utc(2027, 3, 10, 16)
    visit "/students/#{student["id"]}/lesson"
    find("summary", text: "What to introduce today").click
    table = "table[aria-label='What to introduce today']"
    expect(all("#{table} tbody th", minimum: 5).map(&:text)).to eq(
      ["nothing", "A", "A + A1", "A1", "B"]
    )
    expect(find("#{table} tbody tr:nth-child(2)")).to have_text("A, right hand")
    expect_accessible
    within("#{table} tbody tr:nth-child(3)") { click_button "Introduce" }
    expect(page).to have_css("#{table} tbody tr:nth-child(2) th", text: "B")
    expect(page).to have_button("A1", exact: true) { |button| button["aria-pressed"] == "true" }
    expect(page).to have_button("A", exact: true) { |button| button["aria-pressed"] == "true" }
    expect(all("#{table} tbody th").map(&:text)).to eq(%w[nothing B])
  end
end
