# frozen_string_literal: true

require_relative "../spec_helper"
require "pdf/reader"

RSpec.describe "The student's page, the studio and the outbox" do
  include_context "a student with a piece"

  before do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
  end

  def open_student = visit("/students/#{student["id"]}")

  # Read back with a PDF library (pdf-reader).
  it "prints the stairs of a piece on one lying page, and the week without its buttons" do
    open_student
    page.execute_script("window.print = () => {}")
    click_button "Print the stairs of The Lock Gate"
    read = -> { PDF::Reader.new(StringIO.new(page.driver.browser.print_page.unpack1("m"))) }
    alone = read.call
    expect(
      alone.pages.map { |one| one.attributes[:MediaBox].then { |box| box[2] > box[3] } }
    ).to eq([true])
    expect(alone.pages.first.text.squeeze(" ")).to include(
      "Nell: The Lock Gate",
      "hands together",
      "Likely ready"
    )
    page.execute_script("window.dispatchEvent(new Event('afterprint'))")
    all = read.call.pages.map(&:text).join(" ").squeeze(" ")
    expect(all).to include("The week from", "Practice days")
    expect(all).not_to match(/add|Passed|Give another/)
  end

  it "plans a piece backwards from its date, beside the usual plan, and takes each part back" do
    api { ask(:put, "/api/students/#{student["id"]}/pieces/1", { due_on: "2027-03-12" }) }
    open_student
    click_button "Plan backwards from the date"
    expect(page).to have_css("h3", text: "The usual plan")
    expect(page).to have_css("h3", text: "Backwards from the date")
    expect(page).to have_text(/Ready \d+ \w+ if no day is missed/, count: 2)
    expect(page).to have_text("aim for 63")
    expect_accessible
    click_button "Use this plan"
    expect(page).to have_css("[role=group]", text: "Planned backwards from its date:")
    expect(page).to have_text("target 63")
    click_button "Undo: aim for 63"
    expect(page).to have_text("target 76")
    expect(page).to have_text("Planned backwards from its date:")
    click_button "Back to the usual plan"
    expect(page).to have_no_text("Planned backwards from its date:")
    expect(page).to have_button("Plan backwards from the date")
  end

  it "says what needs attention, and lists lessons with what was told" do
    api do
      ask(:put, "/api/students/#{student["id"]}/lesson", { recap: "Play slowly.", version: 0 })
      ask(:post, "/api/students/#{student["id"]}/lesson/finish", { send: false })
    end
    open_student
    within("section[aria-label='Lessons']") do
      find("summary", text: "Wednesday 10 March: 0 results").click
      expect(page).to have_text("Play slowly.")
    end
    TestApp.now = Time.utc(2027, 3, 16, 12)
    open_student
    expect(find("section[aria-label='Needs attention']")).to have_text("practised on 0 of")
  end

  it "takes a changed page into a piece under way, and says what moved" do
    api do
      piece = ask(:get, "/api/pieces/1")
      ask(
        :put,
        "/api/pieces/1/script",
        {
          for: "studio",
          script: piece["script"].sub("section B: 9-12", "section B: 9-10\nsection C: 11-12"),
          revision: piece["revision"]
        }
      )
    end
    open_student
    click_button "Take the page as it is now"
    expect(page).to have_css("[role=status]", text: /new: .*C, right hand/)
    click_button "Take the page as it is now"
    expect(page).to have_css("[role=status]", text: "Nothing changed.")
  end

  it "shows the studio by class, day and name, in the order that is asked for" do
    api do
      ask(
        :post,
        "/api/students",
        Requests::STUDENT.merge(name: "Abel", lesson_weekday: 1, class_name: "Monday group")
      )
      ask(
        :post,
        "/api/students",
        Requests::STUDENT.merge(name: "Yara", lesson_weekday: 1, class_name: "Monday group")
      )
    end
    names = -> { page.all("[role=rowgroup] [role=row] a").map(&:text) }
    visit "/studio"
    expect(page).to have_css("[role=rowgroup]", count: 2)
    expect(names.call).to eq(%w[Abel Yara Nell])
    select "by name", from: "In what order"
    expect(page).to have_css("[role=rowgroup]", count: 1)
    expect(names.call).to eq(%w[Abel Nell Yara])
    select "Monday group", from: "Class"
    expect(page).to have_css("[role=status]", text: "2 of 3 students")
    expect(page).to have_button("Print these 2 weeks")
    fill_in "Find a student", with: "ya"
    expect(names.call).to eq(%w[Yara])
    click_link "Yara"
    expect(page).to have_css("h1", text: "Yara")
    page.go_back
    expect(page).to have_css("[role=status]", text: "1 of 3 students")
    fill_in "Find a student", with: ""
    select "Wednesday", from: "Lesson day"
    expect(page).to have_text("No student matches. Choose fewer filters above.")
    expect_accessible
  end

  it "draws some of many students, and the rest as one asks or scrolls" do
    columns =
      (TestApp::OWNER[:students].columns - %i[id name]).map { |one| "\"#{one}\"" }.join(", ")
    TestApp::OWNER.run(
      "INSERT INTO students (name, #{columns}) SELECT 'Student ' || n, #{columns} FROM students, generate_series(1, 140) n"
    )
    rows = -> { page.all("[role=rowgroup] [role=row]").size }
    visit "/studio"
    expect(page).to have_css("[role=status]", text: "141 students")
    expect(page).to have_text("being worked out")
    expect(rows.call).to eq(60)
    expect(page).to be_axe_clean
    # Its place comes into view with a press, and that alone brings more.
    page.execute_script(
      "[...document.querySelectorAll('button')].find((one) => one.textContent === 'Show 60 more of 141').click()"
    )
    expect(page).to have_css("[role=rowgroup] [role=row]", minimum: 120)
    page.scroll_to(:bottom)
    expect(page).to have_css("[role=rowgroup] [role=row]", count: 141)
    fill_in "Find a student", with: "Student 140"
    expect(page).to have_css("[role=rowgroup] [role=row]", count: 1)
  end

  it "keeps words and a caution of the studio's own, and the practice days of the weeks" do
    go "Settings"
    fill_in "A caution of your own", with: "Warm hands"
    choose "measure, quarter note"
    find_field("A caution of your own").send_keys(" first.") # whatever is spoken by now
    expect(page).to have_css("html[lang='en-US']")
    expect(page).to have_text("on every sheet")
    expect(find_field("A caution of your own").value).to eq("Warm hands first.")
    visit student["sheet_path"]
    expect(page).to have_text("Warm hands first.")
    open_student
    within("section[aria-label='Practice days']") do
      expect(page).to have_text("0 of 5 days")
      find("summary", match: :first).click
      expect(page).to have_css("li", text: "A, right hand (The Lock Gate): 0 of")
    end
    expect(TestApp::OWNER[:studios].get(:locale)).to eq("en-US")
  end

  it "adds several students in a row, lets one go, and takes them back" do
    go "Students"
    click_button "Add a student"
    fill_in "Name or nickname", with: "Ada"
    select "Thursday", from: "Lesson day"
    fill_in "Minutes a day", with: "35"
    click_button "Add, and the next one"
    expect(page).to have_link("Ada")
    expect(page).to have_field("Name or nickname", with: "")
    expect(page).to have_select("Lesson day", selected: "Thursday")
    expect(page).to have_field("Minutes a day", with: "35")
    fill_in "Name or nickname", with: "Bo"
    click_button "Add the student"
    expect(page).to have_css("h1", text: "Bo")
    expect(page).to have_text("35 min")
    click_button "Change"
    find("summary", text: "More").click
    expect(page).to be_axe_clean
    click_button "Bo has left"
    expect(page).to have_text("Has left on")
    go "Students"
    within("section[aria-label='Gone']") { click_button "Bo is back" }
    expect(page).to have_no_css("section[aria-label='Gone']")
    expect(page).to have_link("Bo")
    expect(TestApp::OWNER[:students].select_order_map(:name)).to eq(%w[Ada Bo Nell])
  end

  it "prints the weeks of several students, and boxes only" do
    api { ask(:post, "/api/students", Requests::STUDENT.merge(name: "Abel")) }
    visit "/today"
    check "boxes empty"
    printed = window_opened_by { click_button "Print their weeks" }
    within_window(printed) do
      expect(page.current_url).to match(%r{/api/weeks\.pdf\?students=\d+,\d+&boxes=empty\z})
    end
    printed.close
  end

  it "ends a piece, keeps it in the repertoire, and takes it up again" do
    open_student
    click_button "Passed"
    within("section[aria-label='Repertoire']") do
      expect(page).to have_text("passed 10 Mar")
      click_button "Take The Lock Gate up again"
    end
    expect(page).to have_css("svg[aria-label^='The stairs of The Lock Gate']")
    expect(page).to have_no_css("section[aria-label='Repertoire']")
  end

  it "keeps an address, words and what the student knows" do
    open_student
    click_button "Change"
    find("summary", text: "More").click
    fill_in "Email for recaps", with: "home@quay.example"
    select "English: measure, quarter note", from: "Language"
    select "with pictures", from: "The sheet"
    fill_in "Knows already", with: "dotted quarter notes, ties"
    fill_in "Minutes on Saturday", with: "35"
    click_button "Save and plan again"
    expect(page).to have_no_field("Email for recaps") # closed once it is saved
    row = TestApp::OWNER[:students].first
    expect(row.values_at(:email, :locale, :reads)).to eq(["home@quay.example", "en-US", false])
    expect(JSON.parse(row[:minutes_by_day].to_s)).to eq({ "6" => 35 })
    visit "/students/#{student["id"]}/lesson"
    expect(find_field("Recap for Nell").value).to include("See you on Wednesday, March 17.")
  end

  it "shows pictures for each action on the sheet of a student who cannot read yet" do
    TestApp::OWNER[:students].update(reads: false)
    TestApp.now = Time.utc(2027, 3, 11, 12)
    api { ask(:post, "/api/students/#{student["id"]}/week", {}) }
    Capybara.using_driver(:phone) do
      visit student["sheet_path"]
      expect(page).to have_css("section svg[role=img][aria-label='right hand']")
      within(find("section[aria-label='A, right hand, The Lock Gate']")) do
        expect(page).to have_no_text("Done when")
        find("summary", text: "For grown-ups").click
        expect(page).to have_text("right hand, 3 times")
        expect(page).to have_text("Done when it goes without a stop")
      end
      expect_accessible
    end
  end

  it "filters the studio by those who need attention, and by teacher" do
    api { ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada")) }
    visit "/studio"
    expect(page).to have_text("2 students")
    TestApp.work_on_jobs
    select "those who need attention", from: "Which students"
    expect(page).to have_css("[role=status]", text: "1 of 2 students")
    expect(page).to have_css("[role=row]", text: "Nell")
    expect(page).to have_no_css("[role=row]", text: "Ada")
    expect_accessible
  end

  it "has an empty outbox that says what to do, and today's list readable by all" do
    go "Outbox"
    expect(page).to have_text("Nothing was sent yet.")
    expect_accessible
    go "Today"
    expect(page).to have_css("[role=listitem]", text: "Nell")
    expect_accessible
    expect(complaints).to eq([])
  end
end
