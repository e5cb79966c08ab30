# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Every place" do
  include_context "a student with a piece"

  it "is accessible, in light and in dark" do
    visit "/"
    expect(page).to have_button("Sign in")
    expect_accessible
    sign_in
    # The others: every_page_spec.
    {
      "/students/1/stand-in" => "section",
      "/while-away" => "h1",
      "/library/1" => "[data-bar]"
    }.each do |path, css|
      visit path
      expect(page).to have_css(css)
      expect_accessible
    end
    click_button "Assign to a student"
    expect_accessible
    find_button("Assign to a student").send_keys(:tab, :escape)
    expect(page).to have_no_select("Routine")
    expect(page).to have_css("#assign:focus")
    bar_at(6).find("rect", match: :first).click
    %w[Preview Check Text Past].each do |tab|
      click_tab tab
      expect_accessible
    end
    click_button "Where next?"
    expect(page).to have_text("1 of 2. You have just played bar 8")
    expect_accessible
    expect(complaints).to eq([])
  end

  it "can be read from the piano bench, in light and in dark, and remembers it" do
    sign_in
    size = -> { page.evaluate_script("getComputedStyle(document.body).fontSize").to_f }
    desk = size.call
    click_button "Large type for reading at the piano"
    expect(size.call / desk).to be_within(0.01).of(1.25)
    click_button "Dark"
    visit "/library"
    expect(page).to have_css("html.dark[data-size=piano]")
  end

  it "keeps the focus where the person was, whatever closes, and takes nothing typed for a key" do
    focus = -> do
      page.evaluate_script(
        "document.activeElement.matches('body, html') ? 'nowhere' : (document.activeElement.dataset?.bar || document.activeElement.textContent.slice(0, 60))"
      )
    end
    sign_in
    go "Students"
    click_button "Add a student"
    find_field("Name or nickname").click
    click_button "Not now"
    expect(page).to have_css("button:focus", text: "Add a student")
    visit "/library/1"
    bar_at(9).find("rect", match: :first).click
    keys(:arrow_right, "s")
    expect(page).to have_css("input[aria-label='Section letter']:focus")
    # Who types on after Enter, quickly, means the field: neither the tab of students nor a repeat.
    keys("U", :enter, "u", "r")
    expect(page).to have_button("Show section U")
    expect(page).to have_css("[data-bar='10']:focus")
    expect(page).to have_css("[role=tab][aria-selected=true]", text: "Map")
    expect(page).to have_no_button("repeat 10", exact: true)
    sleep 0.6 # it is quiet, and a key is a key again
    keys("u")
    expect(page).to have_css("[role=tab][aria-selected=true]", text: "Students")
    click_button "Where next?"
    within("[role=region][aria-label='Where next?']") { click_button "Stop asking" }
    expect(page).to have_css("button:focus", text: "Where next?")
    visit "/students/1"
    click_button "Change"
    find_field("Name or nickname").click
    click_button "Not now"
    expect(page).to have_css("button:focus", text: "Change")
    # What is gone with its page leaves the focus in the next one.
    visit "/library"
    find_link("The Lock Gate").send_keys(:enter)
    expect(page).to have_css("[data-bar]")
    sleep 0.3
    expect(focus.call).not_to eq("nowhere")
  end

  it "works on the page by keyboard alone" do
    sign_in
    visit "/library/1"
    expect(page).to have_css("[data-bar]", count: 12)
    bar_at(1).find("rect", match: :first).click
    keys(:arrow_down)
    expect(page).to have_css("[data-bar='5'][aria-selected=true]:focus")
    keys(:end)
    expect(page).to have_css("[data-bar='12'][aria-selected=true]:focus")
    expect(page).to have_text("page 12, line 3, bar 4 = bar 12 · 3 counts")
    keys(:escape)
    expect(page).to have_no_css("[data-bar][aria-selected=true]")
  end

  it "changes and removes a section, and says what is wrong with its words" do
    sign_in
    visit "/library/1"
    click_button "Show section A1"
    fill_in "What it is like", with: "like a"
    click_button "Change"
    click_tab "Check"
    expect(page).to have_text("no section before it has that name")
    click_tab "Map"
    click_button "Show section A1"
    fill_in "What it is like", with: "as before"
    click_button "Change"
    expect(page).to have_css("[role=alert]", text: "did not expect “as before” here")
    expect(find_field("What it is like").value).to eq("as before")
    click_button "Take away A1"
    expect(page).to have_no_button("Show section A1")
  end

  it "moves a section by choosing other bars and typing its letter, and takes one bar of it for a new one" do
    sign_in
    visit "/library/1"
    mark_by_dragging(1, 3, "A", nil) { "Move A here" }
    expect(page).to have_text("1–3")
    bar_at(10).find("rect", match: :first).click
    expect(find_field("Section letter").value).to eq("C")
    find("button", exact_text: "B", match: :first).click
    expect(page).to have_text("Bars 9–12")
    expect(find_field("Section letter").value).to eq("B")
  end

  it "draws a page as it is typed, names the line that is wrong, and keeps what was typed" do
    sign_in
    visit "/library/type"
    fill_in "Page script", with: "title: Sluice\npage 3: 4 4\nrepaet: 1-4\n"
    expect(page).to have_css("[data-bar]", count: 8)
    expect(page).to have_text("Line 3, column 1")
    expect(page).to have_text("Try repeat: 1-4")
    visit "/studio"
    visit "/library/type"
    expect(find_field("Page script").value).to include("repaet: 1-4")
    fill_in "Page script", with: "title: Sluice\npage 3: 4 4\nrepeat: 1-4\n"
    expect(page).to have_css("[data-visit]", count: 12)
    click_button "Save the piece"
    expect(page).to have_css("h1", text: "Sluice")
  end

  it "explains a score that cannot be read" do
    sign_in
    visit "/library"
    Tempfile.create(%w[broken .musicxml]) do |file|
      file.write("<score-partwise><part>")
      file.flush
      attach_file "Score file", file.path, make_visible: true
      expect(page).to have_css("[role=alert]", text: "cut off or damaged")
    end
  end

  it "withdraws a link" do
    sign_in
    visit "/students/1"
    path = URI(find_field("Private link").value).path
    click_button "Withdraw"
    expect(page).to have_button("Make a private link")
    visit path
    expect(page).to have_css("[role=alert]", text: "This link is no longer in use")
  end

  describe "one's own account" do
    before do
      allow(TestApp::SETTINGS).to receive_messages(
        smtp:
          Stairwell::Server::Settings::Smtp.new(
            host: "127.0.0.1",
            port: 1,
            from: "quay@quay.example"
          ),
        address: ""
      )
      allow_any_instance_of(Stairwell::Server::Mailer).to receive(:deliver) { |_, **mail|
        mails << mail
      }
    end

    let(:mails) { [] }

    def enter(password)
      fill_in "Email", with: "owner@quay.example"
      fill_in "Password", with: password
      click_button "Sign in"
    end

    it "comes to a new password from the door, by a link in the mail" do
      visit "/"
      click_button "Forgot your password?"
      expect(page).to be_axe_clean
      fill_in "Email", with: "owner@quay.example"
      click_button "Mail me a link"
      expect(page).to have_css("[role=status]", text: "a link is on its way")
      TestApp.work_on_jobs
      visit mails.last[:body][%r{^/password#\S+}]
      fill_in "New password", with: "short"
      click_button "Use this password"
      expect(page).to have_css("[role=alert]", text: "at least 12 characters")
      fill_in "New password", with: "a lantern on the quay"
      click_button "Use this password"
      expect(page.current_url).not_to include("#")
      click_link "Sign in"
      enter(TestApp::PASSWORD)
      expect(page).to have_css("[role=alert]", text: "do not match")
      fill_in "Password", with: "a lantern on the quay"
      click_button "Sign in"
      expect(page).to have_css("h1", text: "Wednesday 3 March")
    end

    it "changes its password and its address, and shows what was done" do
      sign_in
      go "Settings"
      expect(page).to have_text("You are signed in as owner@quay.example")
      expect(page).to be_axe_clean
      all(:field, "Password now").first.fill_in(with: "not this one")
      fill_in "New password", with: "a lantern on the quay"
      click_button "Change the password"
      expect(page).to have_css("[role=alert]", text: "not the password you have now")
      all(:field, "Password now").first.fill_in(with: TestApp::PASSWORD)
      click_button "Change the password"
      ["Changed; other devices are signed out.", "changed the password", "127.0.0.1"].each do |text|
        expect(page).to have_text(text)
      end
      fill_in "New address", with: "new@quay.example"
      all(:field, "Password now").last.fill_in(with: "a lantern on the quay")
      click_button "Mail a link there"
      expect(page).to have_text("a link is on its way")
      TestApp.work_on_jobs
      visit mails.last[:body][%r{^/address#\S+}]
      click_button "Use this address"
      click_link "Go on"
      go "Settings"
      expect(page).to have_text("You are signed in as new@quay.example")
    end
  end

  it "lets a person sign out everywhere at once" do
    other = Class.new { include Requests }.new
    other.sign_in
    sign_in
    go "Settings"
    expect(page).to have_text("You are signed in as owner@quay.example")
    click_button "Sign out everywhere"
    expect(page).to have_field("Email")
    expect(other.ask(:get, "/api/session")["account"]).to be_nil
    sign_in
  end
end
