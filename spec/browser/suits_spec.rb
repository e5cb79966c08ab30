# frozen_string_literal: true

require_relative "../spec_helper"

# Choosing a piece out of the library.
RSpec.describe "The library for one student" do
  include_context "a student with a piece"

  before do
    api do
      ask(
        :post,
        "/api/pieces",
        {
          script:
            "title: Far Off\nbars: 8\ntime: 6/8\nkey: E major\nsection A: 1-4\nsection B: 5-8\n"
        }
      )
    end
    sign_in
  end

  it "says of each piece what would be new and how long it would take, and goes to it" do
    visit "/library"
    expect(page).to have_css("h2")
    select "Nell", from: "Would it suit …"
    within("[role=list][aria-label='What would suit']") do
      expect(page).to have_css("[role=listitem]", count: 1)
      expect(page).to have_text("New in it: 6/8 time, E major.")
      expect(page).to have_text(/About \d+ weeks by itself/)
    end
    expect_accessible
    click_link "Far Off"
    expect(page).to have_css("h1", text: "Far Off")
    visit "/library"
    expect(page).to have_link("The Lock Gate")
  end

  it "sets spots beforehand where others stumbled, unless it is declined" do
    nxt =
      api do
        %w[Ada Bo].each do |name|
          id = ask(:post, "/api/students", Requests::STUDENT.merge(name: name))["id"]
          own =
            ask(
              :post,
              "/api/students/#{id}/pieces",
              { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
            )[
              "pieces"
            ].first
          ask(
            :post,
            "/api/students/#{id}/results",
            {
              assignment_id: own["id"],
              step_id: "A.right",
              result: "not_yet",
              bar: 3,
              key: SecureRandom.uuid
            }
          )
        end
        %w[Cleo Dido].map do |name|
          ask(:post, "/api/students", Requests::STUDENT.merge(name: name))["id"]
        end
      end
    { "Cleo" => true, "Dido" => false }.each do |name, wanted|
      visit "/library/1"
      click_button "Assign to a student"
      select name, from: "Student"
      expect(page).to have_checked_field("Set beforehand: a spot at bar 3, where others stumbled")
      uncheck "Set beforehand: a spot at bar 3, where others stumbled" unless wanted
      click_button "Assign The Lock Gate"
      expect(page).to have_css("h1", text: name)
      expect(page).to have_text("The Lock Gate")
      steps =
        api { ask(:get, "/api/students/#{nxt[%w[Cleo Dido].index(name)]}") }["pieces"].first[
          "steps"
        ]
      expect(
        steps.any? { |step| step["title"].start_with?("Spot at bar 3, others stumbled here") }
      ).to be(wanted)
    end
  end
end
