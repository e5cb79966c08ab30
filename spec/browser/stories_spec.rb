# frozen_string_literal: true

require_relative "../spec_helper"

# Whole days of the people Stairwell is for, each as one goes through it. What a job costs stands in
# docs/guide.md; none may come to cost more.
RSpec.describe "A day of" do
  include_context "a student with a piece"
  include_context "other screens"
  include_context "efforts counted"

  script =
    "title: Weir\npage 14: 4 4 4\npage 15: 4 4\ntime: 3/4\nrepeat: 1-8\nending 1: 8\nending 2: 9\nto coda: 6\ndal segno: 16 al coda\nsegno: 3\ncoda: 17\nsection A: 1-4\nsection B: 5-9\nsection C: 10-20\n"

  let(:costs) { {} }

  def cost(job, **most)
    costs[job] = effort { yield }
    most.each { |what, number| expect(costs[job][what]).to be <= number, "#{job}: #{costs[job]}" }
  end

  after do |example|
    if ENV["EFFORTS"] && !example.exception
      warn costs.map { |job, cost|
             "  #{job}: #{cost.map { |what, number| "#{number} #{what}" }.join(", ")}"
           }
    end
  end

  def press(name) = page.driver.browser.action.click(find_button(name).native).perform

  def tap(place)
    finger = Selenium::WebDriver::Interactions.pointer(:touch, name: "finger")
    page
      .driver
      .browser
      .action(devices: [finger])
      .move_to(place.native)
      .pointer_down(:left)
      .pointer_up(:left)
      .perform
  end

  def choose_bars(from, to)
    page.driver.browser.action.click(bar_at(from).find("rect", match: :first).native).perform
    action = page.driver.browser.action.key_down(:shift)
    (to - from).times { action.send_keys(:arrow_right) }
    action.key_up(:shift).perform
  end

  it "a teacher at the desk: new students, two pages, a piece given, a lesson by keys, and who comes next" do
    screen(1280, 800)
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
    go "Students"
    cost("five students", clicks: 23) do
      press "Add a student"
      %w[Ada Bo Cleo Dido Edda].each_with_index do |name, at|
        fill_in "Name or nickname", with: name
        press((at == 4) ? "Add the student" : "Add, and the next")
        expect(page).to have_css((at == 4) ? "h1" : "a", text: name)
      end
    end
    visit "/library/type"
    page.execute_script("localStorage.removeItem('stairwell-typed')")
    visit "/library/type"
    find_field("Page script").native.clear
    cost("a page of two sides, as a script", keys: 196) do
      find_field("Page script").send_keys(script)
      expect(page).to have_css("[data-visit]", minimum: 25)
      press "Save the piece"
      expect(page).to have_css("h1", text: "Weir")
    end
    typed = all("[data-visit]").map { |one| one["aria-label"][/bar \d+/] }
    visit "/library/type"
    find_field("Page script").native.clear
    cost("the same page, its signs by keys", keys: 170) do
      find_field("Page script").send_keys(
        "title: Weir 2\npage 14: 4 4 4\npage 15: 4 4\ntime: 3/4\n"
      )
      press "Save the piece"
      expect(page).to have_css("h1", text: "Weir 2")
      expect(page).to have_css("[data-bar='20']")
      [
        [1, 8, "r"],
        [8, 8, "1"],
        [9, 9, "2"],
        [6, 6, "t"],
        [3, 3, "g"],
        [17, 17, "o"],
        [16, 16, "ddd"]
      ].each do |from, to, pressed|
        choose_bars(from, to)
        pressed.each_char do |key|
          keys(key)
          expect(page).to have_css("[role=status]", exact_text: "Saved")
        end
      end
      { "A" => [1, 4], "B" => [5, 9], "C" => [10, 20] }.each do |letter, (from, to)|
        choose_bars(from, to)
        keys("s", letter, :enter)
        expect(page).to have_button("Show section #{letter}")
      end
    end
    expect(all("[data-visit]").map { |one| one["aria-label"][/bar \d+/] }).to eq(typed)
    cost("a piece given", clicks: 3) do
      press "Assign to a student"
      select "Ada", from: "Student"
      press "Assign Weir 2"
      expect(page).to have_css("h1", text: "Ada")
    end
    visit "/today"
    expect(page).to have_css("[aria-current=true]", text: "Nell")
    cost("a lesson", keys: 52) do
      keys(:enter)
      expect(page).to have_css("[aria-current=true]", text: "A and A1, right hand")
      keys("x", "3", "2", "3", "r", "Bring the blue book again.", :escape, "f")
      expect(page).to have_css("[role=dialog][aria-label='Finish lesson']")
      keys(:enter)
      expect(page).to have_css("h1", text: /\AWednesday 10 March/)
    end
    # Nell is heard; nobody else comes today.
    expect(page).to have_button("Heard")
    expect(TestApp::OWNER[:lesson_results].count).to eq(4)
    expect(TestApp::OWNER[:lessons].get(:recap)).to include("Bring the blue book again.")
    expect(complaints).to eq([])
  end

  it "a teacher with a tablet: a lesson by taps alone, and the week that comes of it" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
    screen(1024, 768, coarse: true)
    tap find_button("Open lesson")
    expect(page).to have_css("[aria-current=true]", text: "A and A1, right hand")
    cost("three results by touch", keys: 0) do
      ["A and A1, right hand", "A1 to A, the join"].each do |step|
        tap find("[aria-current=true]", text: step).find_button("steady")
        # It goes on by itself.
        expect(page).to have_no_css("[aria-current=true]", text: /\A#{step}/)
      end
    end
    expect(page).to have_css("h2", text: /Heard today · 2 of/)
    small =
      page.evaluate_script(
        "[...document.querySelectorAll('main button')].filter((one) => one.offsetParent && one.getBoundingClientRect().height < 43.5).map((one) => one.textContent)"
      )
    expect(small).to eq([])
    tap find_button("Finish lesson")
    tap find("[role=dialog]").find_button("Finish", exact: true)
    expect(page).to have_css("h1", text: /\AWednesday 10 March/)
    expect(page).to have_button("Heard")
    tap find_link("Nell", match: :first)
    expect(page).to have_text("A, hands together")
    expect(page.evaluate_script("document.documentElement.scrollWidth")).to be <= 1024
    expect(complaints).to eq([])
  end

  it "a family's phone with large letters: a week of practice, a word to the teacher, who reads it in the lesson" do
    [4, 5, 6].each do |day|
      on_the_phone(day: day, text: 200) do
        expect(page).to have_css("h1", text: /\A#{%w[Thursday Friday Saturday][day - 4]}, Nell/)
        first =
          find("main section:has(h2):has(button[aria-label^=count])", match: :first)["aria-label"]
        within("main section[aria-label='#{first}']") do
          boxes = all("button[aria-label^=count]", minimum: 0).map { |one| one["aria-label"] }
          boxes.each { |label| click_button label }
          expect(page).to have_text("#{boxes.size} of #{boxes.size}")
          click_button "That was hard" if day == 5
        end
        expect(page.evaluate_script("document.documentElement.scrollWidth")).to be <= 390
        expect_sent
      end
    end
    on_the_phone(day: 6, text: 200) do
      fill_in "What the teacher should know", with: "Friday: bar 3 is too hard"
      click_button "Send"
      expect(page).to have_css("main", text: "Friday: bar 3 is too hard")
      expect_accessible
      expect(complaints).to eq([])
    end
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
    visit "/students/#{student["id"]}/lesson"
    expect(page).to have_text("practised on 3 of 5 days")
    expect(page).to have_text("Friday: bar 3 is too hard")
    expect(page).to have_css("[role=listitem][data-at='0']", text: /0 of 1 good day,/)
  end
end
