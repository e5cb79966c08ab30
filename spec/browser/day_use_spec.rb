# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "A full day on screen" do
  include Requests

  before { TestApp.studio }

  let!(:student) do
    Requests.instance_method(:sign_in).bind_call(self)
    student_with_piece
  end

  def sign_in = Visits.instance_method(:sign_in).bind_call(self)

  it "shows a family what is more than needed behind the rest, to be tapped like it" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    Capybara.using_driver(:phone) do
      visit student["sheet_path"]
      titles = all("main section h2", minimum: 4).map(&:text)
      expect(titles.first(2)).to eq(["A, right hand", "A, left hand"])
      expect(titles).to include("A, right hand, again")
      within("section[aria-label='A, right hand, again, The Lock Gate']") do
        expect(page).to have_text("while there is time")
        expect(page).to have_no_text("page 12, line 1")
        find("summary", text: "Where and how").click
        expect(page).to have_text("page 12, line 1")
        click_button "count 1"
        expect(page).to have_text("1 of")
      end
      expect(find("section[aria-label='A, right hand']")).to have_text("0 of 5")
    end
  end

  it "lets one more step begin, and uses days only for what is needed, as the teacher says" do
    sign_in
    visit "/students/#{student["id"]}"
    expect(page).to have_text("Only 2 new steps begin a day")
    click_button "Let 3 begin"
    expect(page).to have_no_text("Only 2 new steps begin a day")
    expect(page).to have_css("[data-item$='~more']", minimum: 1)
    click_button "Change"
    find("summary", text: "More").click
    expect(page).to have_field("New steps a day", with: "3")
    select "only for what is needed", from: "A day is used"
    click_button "Save and plan again"
    expect(page).to have_no_css("[data-item$='~more']")
    expect(page).to have_css("[data-item]", minimum: 3)
  end
end
