# frozen_string_literal: true

require_relative "../spec_helper"

# Lessons of real weeks on the screens: moved, left out, made up for, put right afterwards;
# holidays from a file, calendars, families, a pause. Today is Wednesday, 3 March 2027.
RSpec.describe "Lessons on the screens" do
  include_context "a student with a piece"

  def date(label, day)
    page.execute_script(<<~JS, find_field(label, match: :first), day)
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(arguments[0], arguments[1]);
      arguments[0].dispatchEvent(new Event("input", {bubbles: true}));
    JS
  end

  it "are moved, left out and taken back, and what follows is said" do
    another =
      api do
        ask(
          :post,
          "/api/students",
          Requests::STUDENT.merge(name: "Ilo", lesson_weekday: 4, lesson_time: "16:45")
        )[
          "id"
        ]
      end
    sign_in
    go "Lessons"
    find("button[aria-label='The week after']").click
    expect(page).to have_css("h1", text: "Lessons, 8 Mar to 14 Mar")
    within("section[aria-label='Wednesday 10 March']") do
      click_button "Move or leave out the lesson of Nell"
    end
    within("form[aria-label='Move or leave out the lesson of Nell']") do
      date("Day", "2027-03-11")
      click_button "Keep it"
    end
    within("section[aria-label='Thursday 11 March']") do
      expect(page).to have_text("moved from Wednesday 10 March")
      expect(page).to have_text("Mira Quist has another lesson at this time", count: 2)
    end
    expect(page).to be_axe_clean
    # Another teacher was quicker: it is said, and what stands there now is shown.
    hear_nothing
    api { ask(:put, "/api/students/#{another}/lessons/2027-03-11", { version: 0, time: "18:00" }) }
    within("section[aria-label='Thursday 11 March']") do
      click_button "Move or leave out the lesson of Ilo"
      fill_in "Why, if you like", with: "a cold"
      click_button "Leave it out"
      expect(page).to have_css("[role=alert]", text: "Someone else changed this lesson meanwhile")
    end
    visit page.current_url
    within("section[aria-label='Thursday 11 March']") do
      click_button "Move or leave out the lesson of Ilo"
      fill_in "Why, if you like", with: "a cold"
      click_button "Leave it out"
      expect(page).to have_text("left out: a cold")
      click_button "It is held after all"
      expect(page).to have_no_text("left out: a cold")
    end
    visit "/students/1"
    expect(page).to have_text("next lesson Thursday 11 March")
  end

  it "are made up for, and a lesson nobody came to sends the student on" do
    sign_in
    visit "/students/1"
    within("section[aria-label='Next lessons']") do
      within("[role=group][aria-label='Wednesday 10 March']") do
        click_button "Move or leave out the lesson of Nell"
      end
      click_button "Leave it out"
      expect(page).to have_text("left out")
      click_button "Put in a lesson"
      date("Day", "2027-03-12")
      select "10 Mar", from: "In place of"
      click_button "Put it in"
      expect(page).to have_css(
        "[role=group][aria-label='Friday 12 March']",
        text: "in place of Wednesday 10 March"
      )
    end
    expect(page).to have_text("next lesson Friday 12 March")
    TestApp.now = Time.utc(2027, 3, 12, 17)
    go "Today"
    within("[role=listitem]", text: "Nell") { select "Missed", from: "Who came: Nell" }
    within("[role=listitem]", text: "Nell") { expect(page).to have_text("Missed") }
    expect(page).to have_text("No lessons today")
    visit "/students/1"
    expect(page).to have_text("next lesson Wednesday 17 March")
  end

  it "are opened again, and a past result is put right, which says what follows" do
    api do
      ask(
        :post,
        "/api/students/1/results",
        { assignment_id: 1, step_id: "A.right", result: "steady", key: SecureRandom.uuid }
      )
      ask(:post, "/api/students/1/lesson/finish", { send: false })
    end
    sign_in
    visit "/students/1/lesson"
    click_button "Open it again"
    expect(page).to have_button("Finish lesson")
    click_button "Finish lesson"
    click_button "Finish", exact: true
    expect(page).to have_no_button("Finish", exact: true, disabled: :all)
    expect(page).to have_css("h1", text: "Wednesday 3 March")
    TestApp.now = Time.utc(2027, 3, 10, 12)
    visit "/students/1"
    find("summary", text: "Wednesday 3 March").click
    select "not yet", from: "Result of A, right hand"
    expect(page).to have_css("[role=status]", text: "A, left hand: ")
    expect(TestApp::OWNER[:lesson_results].order(:made_at).select_map(%i[day result])).to eq(
      [[Date.new(2027, 3, 3), "steady"], [Date.new(2027, 3, 3), "not_yet"]]
    )
    expect(page).to be_axe_clean
  end

  it "fall out in holidays from a file, and are subscribed to as a calendar" do
    file = File.join(Dir.mktmpdir, "term.ics")
    File.write(
      file,
      "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20270308\r\nDTEND;VALUE=DATE:20270313\r\nSUMMARY:Regatta week\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n"
    )
    sign_in
    go "Settings"
    attach_file "From a calendar file (.ics):", file
    expect(page).to have_text("Regatta week: 8 Mar to 12 Mar")
    click_button "Add this holiday"
    expect(page).to have_text("Nothing in it that is not here yet.")
    within("section[aria-label='Your lessons in your calendar']") do
      click_button "Make an address"
      expect(find_field("Private calendar address").value).to match(%r{/api/calendars/})
      address = find_field("Private calendar address").value
      expect(Net::HTTP.get(URI(address))).to include(
        "SUMMARY:Lesson: Nell",
        "DTSTART;TZID=Europe/Lisbon:20270317T163000"
      ).and(satisfy { |text| !text.include?("20270310T163000") })
      click_button "Take it back"
      expect(page).to have_no_field("Private calendar address")
      expect(Net::HTTP.get_response(URI(address)).code).to eq("404")
    end
    go "Lessons"
    find("button[aria-label='The week after']").click
    expect(page).to have_css("section[aria-label='Wednesday 10 March']", text: "holiday")
  end

  it "of brothers and sisters lead to each other's sheets; in a pause the sheet says so" do
    other =
      api do
        ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", lesson_time: "17:00"))[
          "id"
        ].tap { |id| ask(:post, "/api/students/#{id}/link", {}) }
      end
    sign_in
    visit "/students/1"
    select "Ilo", from: "Add a brother or sister"
    within("section[aria-label=Family]") { expect(page).to have_link("Ilo") }
    visit api { ask(:get, "/api/students/1")["sheet_path"] }
    within("nav[aria-label=\"The family's sheets\"]") { click_link "Ilo" }
    expect(page).to have_css("h1", text: "Wednesday, Ilo")
    visit "/students/#{other}"
    click_button "Change"
    click_button "Ilo pauses"
    expect(page).to have_text("Pauses since 3 Mar.")
    visit api { ask(:get, "/api/students/#{other}")["sheet_path"] }
    expect(page).to have_css("[role=status]", text: "Lessons and practice pause for now.")
    expect(page).to be_axe_clean
    visit "/students/#{other}"
    click_button "Change"
    click_button "Ilo goes on"
    expect(page).to have_no_text("Pauses since")
  end

  it "keep what is typed of a student: minutes, further lessons, people who get the recap" do
    sign_in
    visit "/students/1"
    click_button "Change"
    find("summary", text: "More").click
    fill_in "Lesson minutes", with: "45"
    click_button "One more lesson a week"
    within("[role=group][aria-label='Lesson 2 of the week']") do
      select "Friday", from: "Lesson day"
    end
    click_button "Add a person"
    within("[role=group][aria-label='Person 1']") do
      fill_in "Name", with: "Pia"
      fill_in "Email", with: "pia@quay.example"
      select "English: measure, quarter note", from: "Words"
    end
    expect(page).to be_axe_clean
    click_button "Save and plan again"
    expect(page).to have_text("Lesson Wednesday 16:30 · Lesson Friday 16:00")
    expect(page).to have_text("next lesson Friday 5 March")
    expect(
      api { ask(:get, "/api/students/1") }.slice(
        "lesson_minutes",
        "more_lessons",
        "contacts",
        "teacher_id"
      )
    ).to eq(
      "lesson_minutes" => 45,
      "more_lessons" => [
        { "weekday" => 5, "time" => "16:00", "minutes" => 30, "teacher_id" => nil }
      ],
      "contacts" => [{ "name" => "Pia", "email" => "pia@quay.example", "locale" => "en-US" }],
      "teacher_id" => 1
    )
  end
end
