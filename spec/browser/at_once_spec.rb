# frozen_string_literal: true

require_relative "../spec_helper"

# What one person does shows to the others, who touch nothing; and what the server has not answered
# is said.
RSpec.describe "At once" do
  include_context "a student with a piece"

  before { TestApp.now = Time.utc(2027, 3, 8, 15) }

  def item =
    ask(:get, sheet_of(student))["days"].find { |day| day["date"] == "2027-03-08" }["items"].first

  # A page that has not been loaded again since.
  def touched_by_nobody
    execute_script("window.loadedOnce = true")
    yield
    expect(evaluate_script("window.loadedOnce")).to be(true)
  end

  it "shows a tap and a message of the family, and a colleague's result, in the lesson that is open" do
    sign_in
    visit "/students/#{student["id"]}/lesson"
    find_field("Recap for Nell").send_keys("Good week. ")
    touched_by_nobody do
      step = item
      3.times { mark(sheet_of(student), step) }
      ask(
        :post,
        "#{sheet_of(student)}/messages",
        { key: SecureRandom.uuid, text: "She was away on Monday" }
      )
      expect(page).to have_css(
        "section[aria-label='From the family']",
        text: "She was away on Monday"
      )
      expect(page).to have_css("[role=listitem][data-at]", text: /T F S S 3/, normalize_ws: true)
      api do
        ask(
          :post,
          "/api/students/#{student["id"]}/results",
          {
            assignment_id: step["assignment_id"],
            step_id: step["step_id"],
            result: "secure",
            key: SecureRandom.uuid
          }
        )
      end
      expect(page).to have_css("[role=listitem][data-at]", text: "secure")
      expect(page).to have_field("Recap for Nell", with: /Good week/)
    end
  end

  it "shows taps and what follows from them on Studio and Today, and the jobs that are under way" do
    sign_in
    go "Studio"
    expect(page).to have_css("h1", text: "Studio")
    touched_by_nobody do
      mark(sheet_of(student), item)
      expect(page).to have_text("worked out")
      TestApp.work_on_jobs
      api do
        ask(:post, "/api/students", { **Requests::STUDENT, name: "Odile", key: SecureRandom.uuid })
      end
      expect(page).to have_css("tr, li, [role=row]", text: "Odile")
    end
  end

  it "shows a page that a colleague changes, and keeps what one types oneself" do
    piece = api { ask(:get, "/api/pieces").first["id"] }
    sign_in
    visit "/library/#{piece}"
    expect(page).to have_css("h1", text: "The Lock Gate")
    touched_by_nobody do
      shown = api { ask(:get, "/api/pieces/#{piece}") }
      api do
        ask(
          :put,
          "/api/pieces/#{piece}/script",
          {
            script: shown["script"].sub("The Lock Gate", "The Sluice"),
            revision: shown["revision"]
          }
        )
      end
      expect(page).to have_css("h1", text: "The Sluice")
    end
  end

  it "goes through another process too, and says that the server does not answer, that it stopped, and when it is back" do
    server = ServerProcess.start({ "STAIRWELL_NOW" => "2027-03-08 15:00" })
    Capybara.app_host = server.address
    Capybara.run_server = false
    sign_in
    visit "/students/#{student["id"]}/lesson"
    expect(page).to have_css("[role=listitem][data-at]", minimum: 3)
    touched_by_nobody do
      mark(sheet_of(student), item)
      expect(page).to have_css("[role=listitem][data-at]", text: /T F S S 1/, normalize_ws: true)
      Process.kill("STOP", server.pid)
      find("body").send_keys("4")
      expect(page).to have_text("Still waiting for the server")
      Process.kill("CONT", server.pid)
      expect(page).to have_no_text("Still waiting for the server")
      server.kill
      expect(page).to have_css("[role=alert]", text: "The server is away")
      server =
        ServerProcess.start(
          { "STAIRWELL_NOW" => "2027-03-08 15:00" },
          port: URI(server.address).port
        )
      expect(page).to have_no_text("The server is away")
    end
  ensure
    server&.kill
    Capybara.app_host = nil
    Capybara.run_server = true
  end
end
