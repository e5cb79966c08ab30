# frozen_string_literal: true

require_relative "../spec_helper"

# A real studio from an empty database to a held class lesson: two studios of one name on one
# server, an owner, a teacher and an assistant, a list of students, a class with a unit, a
# teacher who is away and one who leaves.
RSpec.describe "A studio's first weeks" do
  let(:password) { "a lantern on the quay" }
  let(:people) do
    {
      "Aura Pell" => "aura@quay.example",
      "Ida Moor" => "ida@quay.example",
      "Odo Linde" => "odo@quay.example"
    }
  end

  def open_studio(name, email)
    visit "/open"
    fill_in "Code", with: Stairwell::Server::Openings.new(TestApp::OWNER, TestApp::SETTINGS).make
    fill_in "Name of the studio", with: "Quay Street"
    fill_in "Your name", with: name
    fill_in "Email", with: email
    fill_in "Password", with: password
    select "Europe/Lisbon", from: "Time zone"
    click_button "Open the studio"
    expect(page).to have_css("header", text: "#{name}\nQuay Street")
  end

  def sign_out
    find("button[aria-label='Sign out']").click
    expect(page).to have_button("Forgot your password?")
  end

  def as(name)
    sign_out if page.has_css?("button[aria-label='Sign out']", wait: 0)
    visit "/"
    fill_in "Email", with: people.fetch(name)
    fill_in "Password", with: password
    click_button "Sign in"
    expect(page).to have_css("header", text: "#{name}\nQuay Street")
  end

  def join(role, name)
    go "Settings"
    select role, from: "As"
    click_button "Make an invitation"
    link = URI(find_field("Invitation for #{role}").value)
    sign_out
    visit "#{link.path}##{link.fragment}"
    fill_in "Your name", with: name
    fill_in "Email", with: people.fetch(name)
    fill_in "Password", with: password
    click_button "Join"
    expect(page).to have_css("header", text: "#{name}\nQuay Street")
  end

  def date(label, day)
    page.execute_script(<<~JS, find_field(label, match: :first), day)
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(arguments[0], arguments[1]);
      arguments[0].dispatchEvent(new Event("input", {bubbles: true}));
    JS
  end

  def cell(row, column) = find("[data-cell='#{row} #{column}']")

  # Works on the jobs that the page waits for, until it shows what they made.
  def worked_out(where, words)
    page
      .document
      .synchronize(30, errors: [Capybara::ElementNotFound]) do
        TestApp.work_on_jobs
        find(where, text: words, wait: 1)
      end
  end

  it "leads to a class lesson that is held, with one teacher away and one gone" do
    # Another studio of the same name, with a student of the same name, is there already.
    open_studio("Mira Quist", "mira@other.example")
    Class
      .new { include Requests }
      .new
      .then do |api|
        api.sign_in(email: "mira@other.example", password: password) && api.student_with_piece
      end
    sign_out
    open_studio("Aura Pell", people["Aura Pell"])
    expect(page).to have_text("No student yet")

    # Students come out of a list; a line that is wrong is named, and not added.
    click_button "Load a list"
    fill_in "List of students",
            with:
              "Name;Lesson day;Lesson time;Practice days\nNell;Monday;16:00;Tue Wed Fri Sun\nIlo;Monday;16:30;Tue-Fri\nUma;Blueday;17:00;Tue\n"
    expect(page).to have_text("“Blueday” is no day of the week.")
    expect(page).to be_axe_clean
    click_button "Add 2 students"
    expect(page).to have_link("Nell")
    expect(page).to have_link("Ilo")
    expect(page).to have_no_link("Uma")
    click_button "Add a student"
    fill_in "Name or nickname", with: "Uma"
    click_button "Add the student"
    expect(page).to have_css("h1", text: "Uma")
    Class
      .new { include Requests }
      .new
      .then do |api|
        api.sign_in(email: people["Aura Pell"], password: password)
        api.ask(:post, "/api/pieces", { script: Requests::SCRIPT })
      end
    join("Teacher", "Ida Moor")
    as("Aura Pell")
    join("Assistant", "Odo Linde")

    # The teacher makes a class and gives it a piece, judged by criteria.
    as("Ida Moor")
    go "Classes"
    expect(page).to have_text("No class yet.")
    click_button "New class"
    fill_in "Name", with: "Thursday duo"
    select "Thursday", from: "Day"
    %w[Nell Ilo Uma].each { |name| check name }
    expect(page).to be_axe_clean
    click_button "Make the class"
    expect(page).to have_css("h1", text: "Thursday duo")
    click_button "New unit"
    check "The Lock Gate"
    date("Due on", "2027-05-27")
    fill_in "Keep these criteria as", with: "Usual"
    expect(page).to be_axe_clean
    click_button "Give it to 3 members"
    expect(page).to have_css(
      "section[aria-label='The Lock Gate']",
      text: "due Thursday 27 May at 18:00"
    )
    worked_out("[role=group][aria-label=Nell]", /The Lock Gate.*by then/m)

    # The lesson of the class, on its day: a figure and an arrow a cell, one who is absent.
    TestApp.now = Time.utc(2027, 3, 4, 18, 5)
    visit "/classes"
    click_button "Open class lesson"
    expect(page).to have_css("h1", text: "Thursday duo, Thursday 4 March")
    expect(page).to be_axe_clean
    click_button "Uma is absent"
    expect(page).to have_css("button[aria-label='Uma is absent'][aria-pressed=true]")
    # Members stand by name; criteria come before steps.
    cell(0, 0).click # a tap goes on to the next
    expect(cell(0, 0)).to have_text("1 stops")
    keys("2", :arrow_right, "3", :arrow_down, "1")
    expect(cell(0, 0)).to have_text("2 holds in parts")
    expect(cell(0, 1)).to have_text("3 as printed throughout")
    expect(cell(1, 1)).to have_text("1 not yet heard")
    keys("0")
    expect(cell(1, 1)).to have_no_text("not yet heard")
    step = all("thead th").map(&:text).index("A, right hand") - 1
    cell(0, step).send_keys("3")
    expect(cell(0, step)).to have_text("steady")
    cell(1, step).send_keys("2", :arrow_up)
    expect(cell(1, step)).to have_text("shaky")
    expect(page).to have_css("[data-cell='0 #{step}']:focus")
    click_button "Finish for 2 members"
    expect(page).to have_button("Finished", disabled: true)
    expect(TestApp::OWNER[:lessons].exclude(finished_at: nil).count).to eq(2)

    # Next week the teacher is away, and the owner takes the lessons.
    TestApp.now = Time.utc(2027, 3, 7, 10) # Sunday
    as("Aura Pell")
    go "Lessons"
    click_button "All teachers"
    click_button "Hand on or take lessons"
    select "Ida Moor", from: "Lessons of"
    date("First day", "2027-03-11")
    date("Last day", "2027-03-12")
    expect(page).to be_axe_clean
    click_button "Take them"
    find("button[aria-label='The week after']").click
    expect(page).to have_text("Aura Pell stands in for Ida Moor, 11 Mar to 12 Mar")
    within("section[aria-label='Thursday 11 March']") do
      expect(page).to have_text("Aura Pell holds it for Ida Moor", count: 3)
    end
    within("[role=group][aria-label='Nell, 18:00']") { click_link "What a stand-in needs" }
    expect(page).to have_css("h1", text: "Standing in: Nell")
    expect(page).to have_css("section[aria-label='Last recap']", text: "Thursday 4 March, Ida Moor")
    expect(page).to be_axe_clean
    TestApp.now = Time.utc(2027, 3, 11, 18, 5)
    # Whoever has an address gets no mail from a server that sends none.
    TestApp::OWNER[:students].update(email: "nell@quay.example")
    visit "/classes/1/lesson"
    expect(page).to have_no_button("Finish and send recaps")
    cell(1, step).send_keys("4")
    expect(cell(1, step)).to have_text("secure")
    click_button "Finish for 3 members"
    expect(page).to have_button("Finished", disabled: true)

    # On return: what the other gave. These are the owner's own students; Ida's is one.
    visit "/students"
    click_link "Uma"
    click_button "Change"
    find("summary", text: "More").click
    select "Ida Moor", from: "Teacher", match: :first
    click_button "Save and plan again"
    expect(page).to have_no_button("Save and plan again")
    TestApp.now = Time.utc(2027, 3, 15, 9)
    as("Ida Moor")
    click_button "While you were away: 1 lesson"
    within("section[aria-label='Uma, Thursday 11 March']") do
      expect(page).to have_text("given by Aura Pell")
      click_button "Looked through"
    end
    expect(page).to have_text("Everything is looked through.")

    # An assistant fills the cells and changes nothing else.
    as("Odo Linde")
    visit "/classes/1"
    expect(page).to have_css("h1", text: "Thursday duo")
    expect(page).to have_no_button("New unit")
    expect(page).to have_no_button("Change")
    TestApp.now = Time.utc(2027, 3, 18, 18)
    click_button "Open class lesson"
    cell(2, 0).send_keys("3")
    expect(cell(2, 0)).to have_text("3 carries the piece")

    # The teacher leaves: the class and the student go on with the owner.
    as("Aura Pell")
    go "Settings"
    within("section[aria-label='People']") do
      within(all("li").find { |row| row.text.include?("Ida Moor") }) do
        click_button "Leaves"
        select "Aura Pell", from: "Their 3 students go to"
        click_button "Ida Moor leaves the studio"
      end
      expect(page).to have_no_text("Ida Moor")
    end
    visit "/lessons"
    within("section[aria-label='Thursday 18 March']") { expect(page).to have_link("Uma") }
    expect(page).to have_no_text("Ida Moor")
    visit "/students"
    click_link "Nell"
    find("summary", text: "Thursday 4 March").click
    expect(page).to have_text("Ida Moor")
    # Nothing of it is to be seen in the studio beside it.
    expect(TestApp::OWNER[:lessons].select_map(:studio_id).uniq).to eq([2])
    expect(complaints).to eq([])
  end
end
