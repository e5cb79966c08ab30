# frozen_string_literal: true

# A piece opened at the workbench, and what one does there.
RSpec.shared_context "at the workbench" do
  include_context "a student with a piece"

  def open_piece(id = 1)
    sign_in
    visit "/library/#{id}"
    expect(page).to have_css("[data-bar]")
  end

  def saved = expect(page).to have_css("[role=status]", exact_text: "Saved")

  def stored(id = 1) =
    TestApp::OWNER[:map_revisions].where(piece_id: id).reverse(:revision).get(:script)

  def choose(from, to = from)
    bar_at(from).find("rect", match: :first).click
    action = page.driver.browser.action.key_down(:shift)
    (to - from).times { action.send_keys(:arrow_right) }
    action.key_up(:shift).perform
    expect(page).to have_css("[data-bar='#{to}'][aria-selected=true]")
  end

  def control(key) =
    page.driver.browser.action.key_down(:control).send_keys(key).key_up(:control).perform

  def say(statement)
    fill_in "More about these bars", with: statement
    click_button "Add it"
  end
end
