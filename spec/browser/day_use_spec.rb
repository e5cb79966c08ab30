# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "A full day on screen" do
  include_context "a student with a piece"

  it "shows a family what is more than needed behind the rest, to be tapped like it" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    Capybara.using_driver(:phone) do
      visit student["sheet_path"]
      steps =
        all("main section[aria-label$=', The Lock Gate']", minimum: 4).map do |one|
          one["aria-label"].delete_suffix(", The Lock Gate")
        end
      expect(steps.first(2)).to eq(["A, right hand", "A, left hand"])
      expect(steps).to include("A, right hand, again")
      expect(find("section[aria-label='A, right hand, again, The Lock Gate']")).to have_text(
        "while there is time"
      )
      within(step("A, right hand, again")) do
        expect(page).to have_text("while there is time")
        expect(page).to have_text("page 12, line 1")
        click_button "count 1"
        expect(page).to have_text("1 of")
      end
      expect(step("A, right hand")).to have_text("0 of 5")
      expect_accessible
    end
  end

  it "takes a short day of everything for a good day once the boxes that stand there are ticked" do
    values =
      Requests::STUDENT.merge(
        version: ask(:get, "/api/students/#{student["id"]}")["version"],
        minutes_a_day: 9,
        begin_per_day: 6
      )
    ask(:put, "/api/students/#{student["id"]}", values)
    sign_in
    visit "/students/#{student["id"]}"
    click_button "Change"
    find("summary", text: "More").click
    select "with everything, every day", from: "A day is used"
    click_button "Save and plan again"
    expect(page).to have_no_button("Save and plan again")
    TestApp.now = Time.utc(2027, 3, 4, 12)
    Capybara.using_driver(:phone) do
      visit student["sheet_path"]
      within(step("A, right hand")) do
        (1..3).each { |count| click_button "count #{count}" }
        expect(page).to have_text("3 of 3")
      end
      visit student["sheet_path"]
      expect(step("A, right hand")).to have_text("3 of 3")
    end
    expect(
      ask(:get, "/api/students/#{student["id"]}")["pieces"].first["steps"].find do |step|
        step["id"] == "A.right"
      end
    ).to include("credited" => 1)
  end

  it "lets one more step begin, and uses days only for what is needed, as the teacher says" do
    sign_in
    visit "/students/#{student["id"]}"
    expect(page).to have_text("Only 2 new steps begin a day")
    expect_accessible
    click_button "Let 3 begin"
    expect(page).to have_no_text("Only 2 new steps begin a day")
    expect(page).to have_css("[data-item$='~more']", minimum: 1)
    click_button "Change"
    find("summary", text: "More").click
    expect(page).to have_field("New steps a day", with: "3")
    select "only for what is needed", from: "A day is used"
    click_button "Save and plan again"
    expect(page).to have_no_css("[data-item$='~more']")
    expect(page).to have_css("[data-item]", minimum: 3)
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
