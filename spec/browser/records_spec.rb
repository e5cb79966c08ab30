# frozen_string_literal: true

require_relative "../spec_helper"

# What is kept, taken out and told of it, on the screens of the owner.
RSpec.describe "Records in the browser" do
  include_context "a student with a piece"

  it "shows who did what, apart by kind and student, and leads there" do
    api { ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada")) }
    sign_in
    go "Settings"
    within("section[aria-label=History]") do
      click_button "Show it"
      expect(page).to have_css("li", text: "Mira Quist gave a piece: Nell")
      lines = -> { all("li").map { |one| one.text.tr("\n", " ") } }
      expect(lines.call.first).to end_with("Mira Quist added a student")
      select "pages, routines, classes", from: "What"
      expect(page).to have_no_css("li", text: "Nell")
      expect(lines.call.map { |line| line[/Mira Quist (.*)/, 1] }).to eq(["added a student", "added a student", "typed a page"])
      select "everything", from: "What"
      select "Nell", from: "To whom"
      expect(page).to have_no_css("li", text: "typed a page")
    end
    expect_accessible
    within("section[aria-label=History]") { click_link "Nell", match: :first }
    expect(page).to have_css("h1", text: "Nell")
    within("section[aria-label='The whole record']") { expect(page).to have_link("Take out all of Nell", href: %r{/api/students/1/record\.zip\z}) }
    go "Settings"
    within("section[aria-label='Take out']") { expect(page).to have_link("Results of lessons", href: %r{/api/studio/csv/results\z}) }
  end

  it "says in the outbox what was not taken and why, what was begun, and what nobody gets" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    api do
      ask(:put, "/api/students/1/lesson", {recap: "Slowly.", version: 0})
      other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ada"))["id"]
      ask(:post, "/api/students/#{other}/pieces", {piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76})
      ask(:post, "/api/students/#{other}/lesson/finish", {send: false})
    end
    TestApp::OWNER[:outbox].insert(studio_id: studio[:studio_id], student_id: 1, recipient: "nobody@quay.example", subject: "Nell's week", body: "Slowly.", made_by: 1, trouble: "550 nobody of that name lives here")
    sign_in
    go "Outbox"
    within("section[aria-label='Begun, not finished']") { expect(page).to have_link("Nell, Wednesday 10 March", href: %r{/students/1/lesson\z}) }
    within("section[aria-label='Told, and sent to nobody']") { expect(page).to have_link("Ada, Wednesday 10 March") }
    within("article", text: "Nell's week") do
      expect(page).to have_text("not taken")
      expect(page).to have_text("The mail server said: 550 nobody of that name lives here.")
      click_button "Try again now"
      # This server sends no mail at all.
      expect(page).to have_css("[role=alert]", text: "This server sends no mail")
    end
    expect_accessible
  end
end
