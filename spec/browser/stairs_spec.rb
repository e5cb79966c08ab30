# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "The stairs of a piece" do
  include_context "a student with a piece"

  before do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
  end

  def open_student = visit("/students/#{student["id"]}")

  def steady(*steps)
    steps.each do |step|
      api do
        ask(
          :post,
          "/api/students/#{student["id"]}/results",
          { assignment_id: 1, step_id: step, result: "steady", key: SecureRandom.uuid }
        )
      end
    end
  end

  it "shows the stairs as a drawing and as a table, for those who cannot see it" do
    api do
      ask(
        :post,
        "/api/students/#{student["id"]}/results",
        { assignment_id: 1, step_id: "A.right", result: "secure", key: SecureRandom.uuid }
      )
    end
    open_student
    drawing = find("svg[aria-label^='The stairs of The Lock Gate: 1 of']")
    expect(drawing).to have_css("title", text: "A, right hand: secure", visible: :all)
    expect(drawing.all("line", visible: :all).size).to be > 2
    click_button "Show as a table"
    within("table[aria-label='The stairs of The Lock Gate']") do
      expect(page).to have_css("tr", text: /A A, right hand secure \d+ Mar.* 10 Mar/)
      expect(page).to have_css("tr", text: /whole Whole piece, without a stop waiting/)
    end
    expect_accessible
    click_button "Show as stairs"
    expect(page).to have_css("svg[aria-label^='The stairs']")
  end

  it "says how far the climb is, and which step a tread is, by keys and by pointing" do
    steady("A.right", "A.left")
    open_student
    expect(page).to have_text(
      /\d+ % was planned by now: (ahead of|\d+ days? behind) the plan; in hand: /
    )
    treads = all("[role=option]")
    expect(treads.map { |one| one["aria-label"][/\A[^:]+: \w+/] }).to eq(
      ["A, right hand: steady", "A, left hand: steady"]
    )
    # The step above it lies over its upper half.
    page
      .driver
      .browser
      .action
      .move_to(treads.first.native, 0, treads.first.native.rect.height.to_i / 2 - 2)
      .perform
    expect(page).to have_css("p", text: /\AA, right hand: steady/, visible: :all)
    treads.first.send_keys(:arrow_right)
    expect(page).to have_css("p", text: /\AA, left hand: steady/, visible: :all)
    expect(page.evaluate_script("document.activeElement.getAttribute('aria-label')")).to start_with(
      "A, left hand"
    )
    expect_accessible
  end

  it "says which step a tread is when a finger has touched it" do
    steady("A.right", "A.left")
    open_student
    all("[role=option]").last.then do |tread|
      page
        .driver
        .browser
        .action(devices: [Selenium::WebDriver::Interactions.pointer(:touch, name: "finger")])
        .move_to(tread.native)
        .pointer_down
        .pointer_up
        .perform
    end
    expect(page).to have_css("p", text: /\AA, left hand: steady/, visible: :all)
    expect(all("[role=option][tabindex='0']").size).to eq(1)
  end
end
