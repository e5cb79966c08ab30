# frozen_string_literal: true

require_relative "../spec_helper"

# What is kept, taken out and told of it, on the screens of the owner.
RSpec.describe "Records in the browser" do
  include_context "a student with a piece"

  it "shows who did what, apart by kind and student, and leads there" do
    api { ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada")) }
    sign_in
    go "Settings"
    within("section[aria-label=History]") do
      click_button "Show it"
      expect(page).to have_css("li", text: "Mira Quist gave a piece: Nell")
      lines = -> { all("li").map { |one| one.text.tr("\n", " ") } }
      expect(lines.call.first).to end_with("Mira Quist added a student")
      select "pages, routines, classes", from: "What"
      expect(page).to have_no_css("li", text: "Nell")
      expect(lines.call.map { |line| line[/Mira Quist (.*)/, 1] }).to eq(
        ["added a student", "added a student", "typed a page"]
      )
      select "everything", from: "What"
      select "Nell", from: "To whom"
      expect(page).to have_no_css("li", text: "typed a page")
    end
    expect_accessible
    within("section[aria-label=History]") { click_link "Nell", match: :first }
    expect(page).to have_css("h1", text: "Nell")
    within("section[aria-label='The whole record']") do
      expect(page).to have_link("Take out all of Nell", href: %r{/api/students/1/record\.zip\z})
    end
    go "Settings"
    within("section[aria-label='Take out']") do
      expect(page).to have_link("Results of lessons", href: %r{/api/studio/csv/results\z})
    end
  end

  it "says in the outbox what was not taken and why, what was begun, and what nobody gets" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    api do
      ask(:put, "/api/students/1/lesson", { recap: "Slowly.", version: 0 })
      other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada"))["id"]
      ask(
        :post,
        "/api/students/#{other}/pieces",
        { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
      )
      ask(:post, "/api/students/#{other}/lesson/finish", { send: false })
    end
    TestApp::OWNER[:outbox].insert(
      studio_id: studio[:studio_id],
      student_id: 1,
      recipient: "nobody@quay.example",
      subject: "Nell's week",
      body: "Slowly.",
      made_by: 1,
      trouble: "550 nobody of that name lives here"
    )
    sign_in
    go "Outbox"
    within("section[aria-label='Begun, not finished']") do
      expect(page).to have_link("Nell, Wednesday 10 March", href: %r{/students/1/lesson\z})
    end
    within("section[aria-label='Told, and sent to nobody']") do
      expect(page).to have_link("Ada, Wednesday 10 March")
    end
    within("article", text: "Nell's week") do
      expect(page).to have_text("not taken")
      expect(page).to have_text("The mail server said: 550 nobody of that name lives here.")
      click_button "Try again now"
      # This server sends no mail at all.
      expect(page).to have_css("[role=alert]", text: "This server sends no mail")
    end
    expect_accessible
  end

  it "asks for a guardian's consent, shows of whom it is missing, and keeps what was agreed" do
    sign_in
    go "Students"
    expect(page).to have_no_text("consent missing")
    go "Settings"
    records = -> { find("section[aria-label='Records of students']") }
    records.call.check("We ask a guardian whether records of a child may be kept")
    expect(records.call).to have_text("Consent is missing for 1: Nell")
    go "Students"
    expect(page).to have_text("consent missing")
    click_link "Nell", match: :first
    consent = -> { find("section[aria-label='Consent of a guardian']") }
    expect(consent.call).to have_text("nobody has agreed yet that they are kept of Nell")
    within(consent.call) do
      click_button "Change consent"
      check "Records of Nell may be kept"
      fill_in "Guardian", with: "Orla Finch"
      click_button "Save"
    end
    expect(consent.call).to have_text("agreed on 3 March 2027")
    expect(consent.call).to have_text("Said by Orla Finch")
    expect(consent.call).to have_text("record no recap with Nell")
    expect_accessible
    go "Settings"
    expect(records.call).to have_text("Everyone’s guardian has agreed.")
  end

  it "erases a record a day after its name was typed, unless somebody stops it" do
    sign_in
    visit "/students/#{student["id"]}"
    click_button "Erase Nell…"
    fill_in "Type the name: Nell", with: "Nell"
    click_button "Erase for good"
    expect(page).to have_css("[role=status]", text: /We'll erase the record of Nell on \d+ \w+/)
    expect_accessible
    click_button "Stop erasing"
    expect(page).to have_button("Erase Nell…")
    expect(page).to have_no_text("We'll erase")
  end

  it "says whose records will be erased and when, and keeps them a year longer" do
    api do
      ask(:put, "/api/studio/keeping", { keep_months: 24 })
      ask(:post, "/api/students/1/leave", {})
    end
    TestApp::OWNER[:students].update(
      left_on: Date.new(2025, 3, 20),
      erasing_told_on: Date.new(2027, 2, 20)
    )
    sign_in
    go "Settings"
    within("section[aria-label='Records of students']") do
      expect(page).to have_select("Keep records of those who left", selected: "for 24 months")
      expect(page).to have_css("li", text: "Nell is erased on 22 March 2027", normalize_ws: true)
      click_button "Keep a year longer"
      expect(page).to have_css("li", text: "Nell is kept until 20 March 2028", normalize_ws: true)
      select "without an end", from: "Keep records of those who left"
      expect(page).to have_text("Nothing is erased by itself")
      expect(page).to have_no_css("li")
    end
    expect_accessible
  end

  # Saved by one teacher as the browser saves it, and loaded by another through the screens.
  it "loads an archive into an empty studio and pages into a library, or says what is wrong with the file" do
    folder = Dir.mktmpdir
    files =
      {
        "studio.zip" => "/api/studio/archive.zip",
        "pages.json" => "/api/pieces/parcel?pieces=1"
      }.map do |name, path|
        File.join(folder, name).tap { |file| File.binwrite(file, api { get(path).body }) }
      end
    File.write(wrong = File.join(folder, "wrong.zip"), "no archive at all")
    TestApp.studio("Far Shore", email: "far@shore.example")
    visit "/"
    fill_in "Email", with: "far@shore.example"
    fill_in "Password", with: TestApp::PASSWORD
    click_button "Sign in"
    go "Settings"
    within("section[aria-label=Archive]") do
      expect(page).to have_link("Save the archive (.zip)", href: %r{/api/studio/archive\.zip\z})
      attach_file("Archive", wrong, make_visible: true)
      expect(page).to have_css("[role=status]", text: "The archive is here.")
      TestApp.work_on_jobs
      expect(page).to have_css("[role=alert]", text: "it is no zip file, or it is cut off")
      attach_file("Archive", files.first, make_visible: true)
      expect(page).to have_css("[role=status]", text: "The archive is here.")
      TestApp.work_on_jobs
      expect(page).to have_css("[role=status]", text: "Loaded: 1 student, 1 piece.")
    end
    go "Students"
    expect(page).to have_link("Nell")
    go "Library"
    find("summary", text: "Pages for another studio").click
    within("section[aria-label='Pages for another studio']") do
      expect(page).to have_text("Tick the pages that are to go.")
      check "The Lock Gate"
      check "the notes"
      expect(page).to have_link("Save 1 page as a file", href: /pieces=1&with=notes\z/)
      attach_file("File with pages", wrong, make_visible: true)
      expect(page).to have_css("[role=alert]", text: "This is no parcel of pages")
      attach_file("File with pages", files.last, make_visible: true)
      expect(page).to have_css("[role=status]", text: "1 page came in: The Lock Gate")
    end
    expect(page).to have_link("The Lock Gate", minimum: 3)
    expect_accessible
  ensure
    FileUtils.rm_rf(folder)
  end
end
