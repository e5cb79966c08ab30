# frozen_string_literal: true

require_relative "../spec_helper"

# The week as a chart, changed by hand and laid out around that.
RSpec.describe "The week by hand" do
  include_context "a student with a piece"

  let(:dates) { %w[Thu Fri Sat Sun Mon].zip(4..8).to_h { |day, at| [day, "2027-03-0#{at}"] } }

  def in_day(day) = "[data-item][data-date='#{dates.fetch(day)}']"

  # Read out by its title, how long it takes, how often and how fast.
  def item(title, day) = find(in_day(day), text: /\A#{title}, /, match: :first)

  def expect_gone(title, day) = expect(page).to(have_no_css(in_day(day), text: /\A#{title}, /))

  def expect_focus(title, day) =
    expect(page).to(have_css("#{in_day(day)}:focus", text: /\A#{title}, /))

  def focus_on(title, day) = page.execute_script("arguments[0].focus()", item(title, day))

  def stands(day) = all(in_day(day), minimum: 0).map { |one| one["data-item"] }

  let(:pinned) { "svg[aria-label='put there by you']" }

  before do
    sign_in
    visit "/students/#{student["id"]}"
    expect(page).to have_css("[role=columnheader][data-day]", count: 5)
  end

  it "is changed by keys alone: pinned, moved, resized, dropped, added to, and taken back" do
    before = stands("Thu")
    focus_on("A, right hand", "Thu")
    keys("p")
    expect(item("A, right hand", "Thu")).to have_css(pinned)
    keys(:arrow_down)
    expect_focus("A1, right hand", "Thu")
    page.driver.browser.action.key_down(:shift).send_keys(:arrow_right).key_up(:shift).perform
    expect_gone("A1, right hand", "Thu")
    expect_focus("A1, right hand", "Fri")
    keys("+")
    expect(page).to have_css("[role=toolbar]", text: "6 times")
    keys(:delete)
    expect_gone("A1, right hand", "Fri")
    focus_on("A, right hand", "Thu")
    keys("a")
    keys("Flash cards", :enter)
    expect(item("Flash cards", "Thu")).to have_text("3 min")
    expect(page).to have_css("[role=rowheader]", text: "Flash cards")
    click_button "Undo"
    expect(page).to have_no_css("[role=rowheader]", text: "Flash cards")
    click_button "All back to the plan"
    expect(page).to have_no_css(pinned)
    expect(stands("Thu")).to eq(before)
  end

  it "loses no key that comes quicker than the answer to the one before" do
    focus_on("A, right hand", "Thu")
    keys("+", "+", "-", "+")
    expect(page).to have_css("[role=toolbar]", text: "5 times")
    page
      .driver
      .browser
      .action
      .key_down(:shift)
      .send_keys(:arrow_right, :arrow_right)
      .key_up(:shift)
      .perform
    expect_focus("A, right hand", "Sat")
    keys("u", "u", "u")
    expect_focus("A, right hand", "Thu")
    expect(page).to have_css("[role=toolbar]", text: "4 times")
    keys(:delete, "+") # the second means what goes, not what takes its place
    expect_gone("A, right hand", "Thu")
    expect(page).to have_css("[data-item]:focus")
    expect(page).to have_no_css(pinned)
  end

  it "is changed by the mouse: dragged to another day, and a left-out step put on one, with what that breaks" do
    from = item("A, left hand", "Thu")
    to = find("[role=cell][data-day='#{dates["Mon"]}']", match: :first)
    page
      .driver
      .browser
      .action
      .click_and_hold(from.native)
      .move_by(20, 5)
      .move_to(to.native)
      .release
      .perform
    expect(item("A, left hand", "Mon")).to have_css(pinned)
    expect_gone("A, left hand", "Thu")
    find("summary", text: "later").click
    select "Thu", from: "Put B of The Lock Gate on a day"
    expect(item("B, right hand", "Thu")).to have_css(pinned)
    expect_accessible
  end

  it "is planned again from the days that are left when some were missed, and keeps what was put by hand" do
    item("A, left hand", "Thu").click
    click_button "Move to the day after"
    expect(item("A, left hand", "Fri")).to have_css(pinned)
    TestApp.now = Time.utc(2027, 3, 6, 12) # Thursday and Friday went by without practice
    visit current_path
    expect(page).to have_css("[role=columnheader]", text: "Day", count: 5)
    expect(page).to have_css("[role=columnheader][data-day]", count: 3)
    expect(item("A, right hand", "Sat")).to be_visible
    before = stands("Sat")
    expect(before).to include("1/A.right", "1/A.left")
    click_button "Plan the rest again"
    expect(item("A, right hand", "Sat")).to be_visible
    expect(stands("Sat")).to eq(before)
  end

  it "opens sections when they are introduced, and shows other work beside the steps" do
    check "Sections of The Lock Gate wait to be introduced"
    expect(page).to have_css("details", text: "steps come later")
    expect(page).to have_no_css("[data-item]", text: /\AA, right hand/)
    within("[aria-label='Introduced in The Lock Gate']") { click_button "A", exact: true }
    expect(item("A, right hand", "Thu")).to have_text("RH ×3")
    click_button "Add an exercise or other work"
    fill_in "What", with: "Line 3 of the green cards"
    fill_in "Choose one of", with: "card 3, card 4"
    click_button "Add it"
    expect(page).to have_css("[data-item]", text: /\ALine 3 of the green cards/, count: 2)
    click_button "End Line 3 of the green cards"
    expect(page).to have_no_css("[data-item]", text: /\ALine 3 of the green cards/)
  end

  it "gives a chain of chords in keys, and the same again as it was entered" do
    2.times do |time|
      click_button "Add an exercise or other work"
      if time.zero?
        select "exercise, every day", from: "Kind"
        fill_in "What", with: "I IV V7 I"
        fill_in "Minutes", with: "2"
        select "right, left, both", from: "Hands"
        fill_in "Keys", with: "C major, G major"
      else
        select "I IV V7 I · C major, G major · exercise, every day", from: "Given before"
        expect(page).to have_select("Hands", selected: "right, left, both")
        expect(page).to have_field("Keys", with: "C major, G major")
      end
      click_button "Add it"
      expect(page).to have_css(
        "[data-item]",
        text: /\AI IV V7 I in C major: right, left, both/,
        count: 5 * (time + 1)
      )
    end
    expect(page).to have_text("another key each week: C major, G major", count: 2)
    TestApp.now = Time.utc(2027, 3, 4, 12)
    visit student["sheet_path"]
    expect(page).to have_text("I: C E G IV: F A C V7: G B D F I: C E G")
  end

  it "makes a step that was heard not yet smaller, as the teacher chooses" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    api do
      ask(
        :post,
        "/api/students/#{student["id"]}/results",
        { assignment_id: 1, step_id: "A.together", result: "not_yet", key: SecureRandom.uuid }
      )
    end
    visit "/students/#{student["id"]}/lesson"
    find("[role=listitem]", text: /\AA, hands together/).click
    within("[aria-label='Smaller first, A, hands together']") { click_button "left hand alone" }
    expect(page).to have_css("[data-item]", text: /\AA, hands together, left hand alone first/)
    within("[aria-label='Smaller first, A, hands together']") { click_button "as it is" }
    expect(page).to have_no_css("[data-item]", text: "alone first")
  end

  it "plans everyone around the holidays, and shows how far that is" do
    go "Settings"
    expect(page).to have_css("[aria-label='Holiday from']")
    # Typed into the fields of a date picker as the browser's language has it.
    page.execute_script(<<~JS)
      for (const [label, value] of [["Holiday from", "2027-03-06"], ["Holiday to", "2027-03-12"]]) {
        const field = document.querySelector(`[aria-label="${label}"]`)
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, value)
        field.dispatchEvent(new Event("input", {bubbles: true}))
      }
    JS
    click_button "Add"
    expect(page).to have_text("0 of 1 planned")
    locker = Stairwell::Server::Jobs.start
    expect(page).to have_no_text("of 1 planned")
    visit "/students/#{student["id"]}"
    expect(page).to have_text("next lesson Wednesday 17 Mar")
  ensure
    locker&.stop
  end

  it "takes an option of a piece that would be late with one press" do
    cautious =
      Date.iso8601(
        api { ask(:get, "/api/students/#{student["id"]}") }["pieces"].first["outlook"]["cautious"]
      )
    api { ask(:put, "/api/students/#{student["id"]}/pieces/1", { due_on: (cautious - 1).to_s }) }
    visit current_path
    expect(page).to have_text("and it may be later")
    click_button "What would help?"
    way = within(find("[role=group][aria-label='What would help:']")) { find_button(match: :first) }
    date = way.text[/\d+ \w+\z/]
    way.click
    expect(page).to have_text("very likely by #{date}")
    expect(page).to have_no_text("and it may be later")
    expect(page).to have_no_css("[aria-label='What would help:']")
  end
end
