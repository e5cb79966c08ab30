# frozen_string_literal: true

require_relative "../spec_helper"

# A studio of real people, from an empty database on: opened with a code, a teacher and an
# assistant invited, and each shown what is theirs to do.
RSpec.describe "A studio of people" do
  let(:password) { "a lantern on the quay" }

  def come_in(name, email)
    fill_in "Your name", with: name
    fill_in "Email", with: email
    fill_in "Password", with: password
  end

  # @return [String] path of a new invitation
  def invite(role)
    select role, from: "As"
    click_button "Make an invitation"
    URI(find_field("Invitation for #{role}").value).then { |link| "#{link.path}##{link.fragment}" }
  end

  def sign_out
    find("button[aria-label='Sign out']").click
    expect(page).to have_button("Forgot your password?")
  end

  def buttons =
    all(
      "main button, main select, main input:not([readonly])",
      visible: true,
      minimum: 0
    ).map { |one| one["aria-label"].to_s.empty? ? one.text : one["aria-label"] }

  it "is opened by the first who has the code, and shared" do
    code = Stairwell::Server::Openings.new(TestApp::OWNER, TestApp::SETTINGS).make
    visit "/"
    expect(page).to have_field("Code")
    expect(page).to be_axe_clean
    fill_in "Code", with: code.downcase
    fill_in "Name of the studio", with: "Low Lane"
    come_in("Aura Pell", "aura@lane.example")
    select "Europe/Lisbon", from: "Time zone"
    click_button "Open the studio"
    expect(page).to have_css("h1", text: "Students")
    expect(page).to have_css("header", text: "Aura Pell\nLow Lane")

    # The owner types a page and adds a student, who gets the piece.
    Class
      .new { include Requests }
      .new
      .then do |api|
        api.sign_in(email: "aura@lane.example", password: password)
        api.student_with_piece
      end
    go "Settings"
    links = { "Teacher" => invite("Teacher"), "Assistant" => invite("Assistant") }
    expect(page).to be_axe_clean
    sign_out

    visit links["Assistant"]
    expect(page).to have_text("You are invited to Low Lane, as an assistant.")
    expect(page).to be_axe_clean
    come_in("Odo Linde", "odo@lane.example")
    click_button "Join"
    expect(page).to have_css("header", text: "Odo Linde\nLow Lane")

    # What an assistant sees of each place is what an assistant may do.
    seen =
      %w[/students /students/1 /library /library/1 /routines /studio /settings].to_h do |path|
        visit path
        expect(page).to have_css("main h1")
        expect(page).to have_no_css("[aria-busy=true]")
        [path, buttons]
      end
    refused = [
      "Add a student",
      "Change",
      "Plan the rest again",
      "Assign to a student",
      "Load a score",
      "Type what is printed",
      "Copy and change",
      "Plan everyone's week",
      "Passed",
      "Make a private link",
      "Renew",
      "Undo",
      "Keep it",
      "Make an invitation",
      "Delete The Lock Gate",
      "Piece"
    ]
    expect(seen.values.flatten & refused).to eq([])
    expect(seen["/students/1"]).to include("Open lesson")
    TestApp.now = Time.utc(2027, 3, 10, 16) # the next lesson
    visit "/students/1/lesson"
    expect(page).to have_css("[data-at='0']")
    keys("3")
    expect(page).to have_css("[data-at='0']", text: "steady")
    expect_sent
    expect(page).to have_no_css("[role=alert]")
    expect(TestApp::OWNER[:lesson_results].select_map(%i[result recorded_by]).uniq).to eq(
      [["steady", TestApp::OWNER[:accounts].where(name: "Odo Linde").get(:id)]]
    )
    sign_out

    # A used link says so; the teacher's opens, and the owner hands the studio's student on.
    visit links["Assistant"]
    expect(page).to have_css("[role=alert]", text: "was used or withdrawn")
    visit links["Teacher"]
    come_in("Ida Moor", "ida@lane.example")
    click_button "Join"
    go "Students"
    expect(page).to have_button("Add a student")
    go "Settings"
    within("section[aria-label='People']") do
      expect(all("li").map { |row| row.text.lines.first.strip }).to eq(
        ["Aura Pell", "Ida Moor", "Odo Linde"]
      )
    end
    expect(page).to have_no_button("Make an invitation")
    sign_out

    fill_in "Email", with: "aura@lane.example"
    fill_in "Password", with: password
    click_button "Sign in"
    go "Settings"
    within("section[aria-label='People']") do
      select "Owner", from: "Role of Ida Moor"
      expect(page).to have_select("Role of Ida Moor", selected: "Owner")
      within(all("li").find { |row| row.text.include?("Odo Linde") }) do
        click_button "Leaves"
        click_button "Odo Linde leaves the studio"
      end
      expect(page).to have_no_text("Odo Linde")
    end
    go "Studio"
    expect(page).to have_text("Nell")
  end

  it "changes between two studios of one person, and says so to who has none" do
    TestApp.studio
    TestApp.studio("Other Bank", email: "both@bank.example")
    id = TestApp::OWNER[:accounts].where(email: "both@bank.example").get(:id)
    TestApp::OWNER[:memberships].insert(studio_id: 1, account_id: id, role: "teacher")
    Class.new { include Requests }.new.then { |api| api.sign_in && api.student_with_piece }
    visit "/"
    fill_in "Email", with: "both@bank.example"
    fill_in "Password", with: TestApp::PASSWORD
    click_button "Sign in"
    go "Students"
    expect(page).to have_link("Nell")
    select "Other Bank", from: "Studio to work in"
    expect(page).to have_no_link("Nell")
    expect(page).to have_text("No student yet")
    TestApp::OWNER[:memberships].where(account_id: id).update(left_at: Sequel.lit("now()"))
    visit "/students"
    expect(page).to have_text("You belong to no studio.")
    click_button "Sign out"
    expect(page).to have_button("Forgot your password?")
  end
end
