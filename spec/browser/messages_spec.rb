# frozen_string_literal: true

require_relative "../spec_helper"

# A family writes on its sheet, on the tram and at home; the teacher reads it in the lesson.
RSpec.describe "Messages of a family" do
  include_context "a student with a piece"
  let(:field) { "What the teacher should know" }

  def expect_texts(name, *texts) = texts.each { |text| expect(section(name)).to have_text(text) }

  def section(name) = find("section[aria-label='#{name}']")

  it "are written also without a connection, outlive a reload half written, and go once" do
    TestApp.now = Time.utc(2027, 3, 9, 17) # a Tuesday
    on_the_phone(day: nil) do
      expect(page).to have_button("Send", disabled: true)
      page.evaluate_async_script("navigator.serviceWorker.ready.then(() => arguments[0]())")
      visit current_path # once more, so that the page is kept on the phone
      fill_in field, with: "Bar 12 is too hard\nand 13 too"
      without_connection do
        click_button "Send"
        expect_texts(
          "A word to your teacher",
          "Bar 12 is too hard\nand 13 too",
          "Waits on this phone"
        )
        fill_in field, with: "One thing m"
        visit current_path
        expect_texts("A word to your teacher", "Bar 12 is too hard", "Waits on this phone")
        expect(page).to have_field(field, with: "One thing m")
      end
      expect(section("A word to your teacher")).to have_text("Sent, not read yet")
      expect(page).to have_no_text("Waits on this phone")
      expect(page).to be_axe_clean
    end
    expect(TestApp::OWNER[:messages].select_map(%i[day text])).to eq(
      [[Date.new(2027, 3, 9), "Bar 12 is too hard\nand 13 too"]]
    )
  end

  it "stand with the day in the lesson and for a stand-in until they are read, and are found later" do
    ask(
      :post,
      "#{sheet_of(student)}/messages",
      { key: SecureRandom.uuid, day: "2027-03-02", text: "Bar 12 is too hard" }
    )
    ask(
      :post,
      "#{sheet_of(student)}/messages",
      { key: SecureRandom.uuid, text: "She was away on Monday" }
    )
    sign_in
    expect(page).to have_text("2 messages from the family")
    visit "/students/#{student["id"]}/stand-in"
    expect_texts(
      "From the family",
      "Tuesday 2 March: Bar 12 is too hard",
      "Wednesday 3 March: She was away on Monday"
    )
    click_button "Open lesson"
    expect(page).to have_text("Recap for Nell")
    within(section("From the family")) { first(:button, "Mark as read").click }
    within(section("From the family")) do
      # It stays where it was, with the focus, so that it can be put back.
      expect(page).to have_text("read by Mira Quist")
      expect(evaluate_script("document.activeElement.textContent")).to eq("Put back")
      click_button "Mark as read"
      expect(page).to have_no_button("Mark as read")
    end
    expect(page).to be_axe_clean
    visit "/today"
    expect(page).to have_no_text("from the family")
    visit "/students/#{student["id"]}/lesson"
    expect(page).to have_no_css("section[aria-label='From the family']")
    visit "/students/#{student["id"]}"
    find("summary", text: "2 messages read earlier").click
    expect(section("From the family")).to have_text("Bar 12 is too hard (read by Mira Quist)")
    on_the_phone(day: nil) do
      expect(section("A word to your teacher")).to have_css("p", exact_text: "Read", count: 2)
      expect(page).to have_no_text("not read yet")
    end
  end

  it "that are refused stand in the field again, with the reason" do
    40.times do |at|
      TestApp::OWNER[:messages].insert(
        studio_id: 1,
        student_id: student["id"],
        key: SecureRandom.uuid,
        day: Date.new(2027, 3, 3),
        text: "Day #{at}"
      )
    end
    on_the_phone(day: nil) do
      fill_in field, with: "One more"
      click_button "Send"
      expect(page).to have_css("[role=alert]", text: "Many messages wait to be read")
      expect(page).to have_field(field, with: "One more")
    end
  end
end
