# frozen_string_literal: true

require_relative "../spec_helper"

# A family's phone on the music stand.
RSpec.describe "The sheet on the phone" do
  include_context "a student with a piece"
  let(:path) { "/api/students/#{student["id"]}" }

  def open_step = find("section:has(h2):not(:has(textarea))")["aria-label"]

  def choose_day(name) = find("button[aria-pressed]", text: name).click

  def play(count = 3) = count.times { |at| click_button "count #{at + 1}" }

  it "has one step open, goes on at a press, and folds what is done" do
    on_the_phone do
      expect(open_step).to eq("A, right hand, The Lock Gate")
      within(find("section[aria-label='A, right hand, The Lock Gate']")) { play }
      expect(open_step).to eq("A, right hand, The Lock Gate") # nothing moves under the finger
      click_button "Next"
      expect(page).to have_css("section[aria-label='A1, right hand, The Lock Gate'] h2:focus")
      expect(find("section[aria-label='A, right hand, The Lock Gate']")).to have_text("✓")
      expect(
        page.evaluate_script(
          "document.querySelector(\"section[aria-label='A1, right hand, The Lock Gate']\").getBoundingClientRect().top"
        )
      ).to be_between(-5, 500)
      visit current_path
      expect(open_step).to eq("A1, right hand, The Lock Gate")
      expect_accessible
      expect_sent
    end
  end

  it "keeps its tools as they were left" do
    on_the_phone do
      expect(page).to have_no_button("Walk it")
      open_tools
      expect(page).to have_button("Walk it")
      click_button "A, left hand", match: :first
      expect(page).to have_button("Walk it")
      visit current_path
      expect(page).to have_button("Walk it")
    end
  end

  it "stops a step that hurts, says what to do, tells the teacher, and takes it back" do
    on_the_phone do
      within(step("A, right hand")) { click_button "It hurts" }
      expect(page).to have_css("[role=status]", text: /Stop here for today.*see a doctor/m)
      expect(page).to have_no_button("count 1")
      expect_sent
      expect(ask(:get, path)["attention"].first["text"]).to include(
        "A, right hand (The Lock Gate) hurt on 4 March"
      )
      click_button "Undo"
      expect(page).to have_button("count 1")
      within(step("A, right hand")) { click_button "It hurts" }
      expect_sent
    end
    on_the_phone(day: 5) do
      expect(open_step).not_to include("A, right hand")
      expect(find("section[aria-label='A, right hand, The Lock Gate']")).to have_text(
        "rests until the next lesson"
      )
      expect_accessible
    end
  end

  it "opens a day that was forgotten, says that it is ticked later, and shows days that come without boxes to tap" do
    on_the_phone(day: 6) do
      choose_day "Thursday 4 March"
      expect(page).to have_css("[role=status]", text: "Thursday 4 March, ticked later.")
      within(step("A, right hand")) { play }
      expect_sent
      expect(TestApp::OWNER[:practice_marks].select_map(:day).uniq).to eq([Date.new(2027, 3, 4)])
      expect(find("button", text: "Thursday 4 March").text).to match(
        /Thursday 4 March, \d+½? min of/
      )
      click_button "To today"
      expect(page).to have_no_text("ticked later")
      choose_day "Sunday 7 March"
      expect(page).to have_text("Sunday 7 March is not here yet.")
      expect(page).to have_no_button("It hurts")
    end
    expect(
      ask(:get, path)["pieces"].first["steps"].find { |one| one["id"] == "A.right" }["credited"]
    ).to eq(1)
  end

  it "has boxes for what begins the day and for extra work, and the words that were told" do
    ask(:put, path, Requests::STUDENT.merge(warm_ups: "scale_and_chords", version: 1))
    ask(
      :post,
      "#{path}/extra-work",
      { kind: "theory", title: "Page 3", minutes: 3, times: 5, key: SecureRandom.uuid }
    )
    ask(:put, "#{path}/lesson", { recap: "Dear Nell,\n\nas before.", version: 0 })
    ask(:post, "#{path}/lesson/finish", { send: false })
    TestApp.now = Time.utc(2027, 3, 10, 16)
    ask(
      :post,
      "#{path}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: SecureRandom.uuid }
    )
    ask(:put, "#{path}/lesson", { recap: "Dear Nell,\n\nwell done.", version: 0 })
    ask(:post, "#{path}/lesson/finish", { send: false })
    on_the_phone(day: 11) do
      within("section[aria-label='To begin with']") do
        check(all("label").first.text.lines.first.strip)
      end
      within("section[aria-label='Also to do']") { check "Page 3" }
      find("summary", text: "After the lesson on Wednesday 10 March").click
      expect(page).to have_text("well done.")
      find("summary", text: "After the lesson on Wednesday 3 March").click
      expect(page).to have_text("as before.")
      printed = window_opened_by { click_button "Print these with the week" }
      within_window(printed) { expect(page.current_url).to end_with("/week.pdf?recaps=lately") }
      printed.close
      expect_sent
      visit current_path
      expect(page).to have_checked_field("Page 3", disabled: true)
      click_button "Undo"
      expect(page).to have_unchecked_field("Page 3")
      expect_accessible
    end
  end

  it "leads through the day by itself, ticks what was played, and pauses at any key" do
    on_the_phone do
      click_button "Lead me through"
      within("section[aria-label='Led through']") do
        expect(page).to have_css("h2", text: "A, right hand")
        expect(page).to have_text("Get ready")
        # A page without notes is counted aloud: each count in its figure.
        expect(page).to have_text("Play", wait: 12)
        seen =
          Array
            .new(60) do
              sleep(0.1) && find("button[aria-label=Pause] p:nth-of-type(2)", visible: :all).text
            end
            .reject(&:empty?)
            .uniq
        expect(seen).to include("1", "2", "3")
        page.send_keys("a")
        expect(page).to have_text("Paused")
        page.send_keys(" ")
        expect(page).to have_text("Play")
      end
      # Four bars of three at 44, counted in: about twenty seconds.
      expect(page).to have_text("2 of 3", wait: 40)
      click_button "Skip"
      expect(page).to have_css("h2", text: "A1, right hand")
      page.send_keys(:escape)
      expect(find("section[aria-label='A, right hand, The Lock Gate']")).to have_text(
        %r{1/3|1 of 3}
      )
      expect_sent
      expect(TestApp::OWNER[:practice_marks].select_map(%i[step_id kind])).to eq(
        [%w[A.right repetition]]
      )
      click_button "Lead me through"
      click_button "It hurts"
      expect(page).to have_no_css("section[aria-label='Led through']")
      expect(find("section[aria-label='A, right hand, The Lock Gate']")).to have_css(
        "[role=status]",
        text: /Stop here for today.*see a doctor/m
      )
      expect_sent
      expect(complaints).to eq([])
    end
  end

  it "is a card at a time for a child who cannot read, to the end of the day" do
    TestApp::OWNER[:students].update(reads: false)
    ask(:post, "#{path}/week", {})
    on_the_phone(day: 4) do
      names = all("ol[aria-label='The day'] button").map { |one| one["aria-label"] }
      expect(names.first).to eq("1: right hand")
      expect(page).to have_css("section svg[aria-label='right hand']")
      expect(page).to have_text("page 12, line 1")
      expect(page).to have_no_text("Done when")
      names.size.times do
        all("button[aria-label^=count]", minimum: 0).size.times do |at|
          find_button("count #{at + 1}").click
        end
        click_button "next ›"
      end
      expect(page).to have_css("h2", text: "That is all for today.")
      expect_accessible
      expect_sent
      visit current_path
      expect(page).to have_css("h2", text: "That is all for today.")
      click_button "‹ before"
      expect(page).to have_button("It hurts")
    end
  end

  it "is cut nowhere with letters twice as large" do
    on_the_phone(text: 200) do
      expect(page.evaluate_script("document.documentElement.scrollWidth")).to be <= 390
      cut =
        page.evaluate_script(
          "[...document.querySelectorAll('main *')].filter((one) => one.scrollWidth > one.clientWidth + 1 && one.clientWidth > 0 && getComputedStyle(one).overflow === 'hidden').length"
        )
      expect(cut).to eq(0)
      TestApp::OWNER[:students].update(reads: false)
      visit current_path
      page.execute_script("document.documentElement.style.fontSize = '200%'")
      expect(page).to have_button("next ›")
      expect(page.evaluate_script("document.documentElement.scrollWidth")).to be <= 390
    end
  end
end
