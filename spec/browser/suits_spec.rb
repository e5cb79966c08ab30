# frozen_string_literal: true

require_relative "../spec_helper"

# Choosing a piece out of the library.
RSpec.describe "The library for one student" do
  include_context "a student with a piece"

  before do
    api { ask(:post, "/api/pieces", {script: "title: Far Off\nbars: 8\ntime: 6/8\nkey: E major\nsection A: 1-4\nsection B: 5-8\n"}) }
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
end
