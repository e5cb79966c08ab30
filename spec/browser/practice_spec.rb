# frozen_string_literal: true

require_relative "../spec_helper"

# The sheet and the lesson by themselves, where the walk does not look.
RSpec.describe "Sheet, lesson and student" do
  include_context "a student with a piece"

  it "keeps what was tapped after a reload, and can still take it back" do
    on_the_phone do
      within(step("A, right hand")) { 2.times { |at| click_button "count #{at + 1}" } }
      expect(step("A, right hand")).to have_text("2 of 3")
      visit current_path
      expect(step("A, right hand")).to have_text("2 of 3")
      click_button "Undo"
      expect(step("A, right hand")).to have_text("1 of 3")
    end
  end

  it "counts without a connection, keeps the taps over a reload, and sends each once when it is back" do
    on_the_phone do
      expect(step("A, right hand")).to have_text("0 of 3")
      page.evaluate_async_script("navigator.serviceWorker.ready.then(() => arguments[0]())")
      visit current_path # once more, so that the page is kept on the phone
      expect(step("A, right hand")).to have_text("0 of 3")
      without_connection do
        within(step("A, right hand")) { 2.times { |at| click_button "count #{at + 1}" } }
        expect(step("A, right hand")).to have_text("2 of 3")
        expect(page).to have_css("[role=status]", text: "2 taps wait on this phone")
        visit current_path
        expect(step("A, right hand")).to have_text("2 of 3")
        # One of them has arrived already; only its answer was lost on the way.
        waiting =
          JSON.parse(
            page.evaluate_script(
              "Object.entries(localStorage).find(([name]) => name.startsWith('stairwell-marks-'))[1]"
            )
          )
        expect(waiting.size).to eq(2)
        ask(:post, "#{sheet_of(student)}/marks", waiting.first)
      end
      expect(page).to have_no_text("wait on this phone")
      expect(step("A, right hand")).to have_text("2 of 3")
      expect_sent
      expect(TestApp::OWNER[:practice_marks].select_map(:kind)).to eq(%w[repetition repetition])
    end
  end

  it "beats the step's tempo, and says what to leave out on a bad day" do
    on_the_phone do
      within(step("A, right hand")) do
        open_tools
        click_button "▶ = 44"
        expect(page).to have_button("■ stop")
        click_button "■ stop"
        expect(page).to have_button("▶ = 44")
      end
      find("summary", text: "More").click
      expect(page).to have_text("your doctor's advice and local rules come first")
    end
  end

  it "walks along the page, a bar at a touch, and has no notes where there is no score" do
    on_the_phone do
      within(step("A, right hand")) do
        open_tools
        expect(page).to have_no_button("Notes")
        expect(page).to have_no_button("Listen")
        click_button "Walk it"
        expect(page).to have_css("[role=status]", text: "page 12, line 1, bar 1")
        2.times { click_button "One bar on" }
        expect(page).to have_css("[role=status]", text: "page 12, line 1, bar 3")
        expect(page).to have_css("rect[data-finger]", count: 1)
        click_button "One bar back"
        expect(page).to have_css("[role=status]", text: "page 12, line 1, bar 2")
        click_button "Walk it"
        expect(page).to have_no_css("rect[data-finger]")
      end
    end
  end

  it "shows and sounds the notes of a step where there is a score" do
    Requests.instance_method(:sign_in).bind_call(self)
    piece = load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.slow_ferry.map))
    ask(
      :put,
      "/api/pieces/#{piece["id"]}/script",
      { script: "#{piece["script"]}section A: 1-4\n", revision: 1 }
    )
    ask(
      :post,
      "/api/students/#{student["id"]}/pieces",
      { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "right", target_tempo: 60 }
    )
    expect(status).to eq(201)
    ask(
      :put,
      "/api/students/#{student["id"]}",
      Requests::STUDENT.merge(version: 1, minutes_a_day: 60, begin_per_day: 10)
    )
    on_the_phone do
      within(step("A, right hand", piece: "The Slow Ferry")) do
        open_tools
        click_button "Notes"
        expect(page).to have_css("[role=img][aria-label^='The notes of bar'] svg path")
        click_button "Listen"
        expect(page).to have_button("■ stop")
        expect(page).to have_css("[role=status]", text: "bar") # the finger goes along
        click_button "■ stop"
      end
      expect(page).to have_text("Headphones: keep them at a moderate volume.")
      expect(page).to be_axe_clean
      expect(complaints).to eq([])
    end
  end

  it "says where it does not open without a connection" do
    on_the_phone do
      expect(page).to have_no_text("does not open without a connection")
      shown =
        page.driver.browser.execute_cdp(
          "Page.addScriptToEvaluateOnNewDocument",
          source: "Object.defineProperty(window, 'isSecureContext', {value: false})"
        )
      page.refresh
      expect(page).to have_text("This page does not open without a connection")
      page.driver.browser.execute_cdp(
        "Page.removeScriptToEvaluateOnNewDocument",
        identifier: shown["identifier"]
      )
    end
  end

  it "shows the page in small with the bars of the step, which hand, how slow, how often and when it is done" do
    on_the_phone do
      within(step("A, left hand")) do
        expect(page).to have_text("page 12, line 1, all 4 bars")
        expect(page).to have_text("left hand, 3 times")
        expect(find("h2")).to have_text("A, left hand, = 44")
        expect(page).to have_css("h2 svg[aria-label=quarter]")
        expect(page).to have_text("Done when it goes without a stop, even if slow")
        expect(page).to have_css("svg[aria-label='On the page: page 12, line 1'] rect", count: 12)
      end
      expect(page).to have_text("see a doctor")
    end
  end

  it "says what comes next on a day without practice" do
    TestApp.now = Time.utc(2027, 3, 3, 12)
    Capybara.using_driver(:phone) do
      visit student["sheet_path"]
      expect(page).to have_text(
        "Next: Thursday 4 March, A, right hand; A1, right hand; A, left hand."
      )
      TestApp.now = Time.utc(2027, 3, 9, 12)
      visit student["sheet_path"]
      expect(page).to have_text("The next lesson is on Wednesday 10 March.")
      TestApp.now = Time.utc(2027, 3, 12, 12)
      visit student["sheet_path"]
      expect(page).to have_css(
        "[role=status]",
        text: "The plan of this week is not there yet. Until it comes, go on with these."
      )
      expect(page).to have_css("section", text: "tap a box each time")
    end
  end

  it "prints the week as it stands on the phone" do
    on_the_phone do
      within(step("A, right hand")) { click_button "count 1" }
      printed = window_opened_by { click_button "Print" }
      within_window(printed) { expect(page.current_url).to end_with("/week.pdf") }
      printed.close
    end
  end

  it "takes a result back by key, and marks the one that holds" do
    TestApp.now = Time.utc(2027, 3, 4, 12)
    mark(sheet_of(student), student["week"]["days"].first["items"].first)
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
    visit "/students/#{student["id"]}/lesson"
    expect(find("[aria-current=true]")).to have_text("A and A1, right hand")
    keys("2")
    expect(page).to have_css("[role=listitem]", text: /A and A1, right hand.*shaky/m)
    keys(:arrow_up)
    expect(find_button("2 shaky")["aria-pressed"]).to eq("true")
    keys("0")
    expect(page).to have_css("h2", text: /Heard today · 0 of/)
    click_button "4 secure"
    expect(page).to have_css("[role=listitem]", text: /A and A1, right hand.*secure/m)
    expect_sent
    # Each holds for both sections of the row.
    expect(
      TestApp::OWNER[:lesson_results]
        .select_map(%i[step_id result])
        .group_by(&:first)
        .transform_values { |all| all.map(&:last).sort }
    ).to eq("A.right" => %w[not_heard secure shaky], "A1.right" => %w[not_heard secure shaky])
  end

  it "shows both versions when a student was changed meanwhile, and keeps what was typed" do
    sign_in
    visit "/students/#{student["id"]}"
    click_button "Change"
    Requests.instance_method(:sign_in).bind_call(self)
    ask(
      :put,
      "/api/students/#{student["id"]}",
      Requests::STUDENT.merge(version: 1, minutes_a_day: 45)
    )
    fill_in "Minutes a day", with: "30"
    click_button "Save and plan again"
    expect(page).to have_css("[role=alert]", text: "Stored now: Nell, 45 min")
    expect(find_field("Minutes a day").value).to eq("30")
    click_button "Keep mine"
    expect(page).to have_text("30 min a day")
  end

  it "asks for at least one practice day" do
    sign_in
    visit "/students"
    click_button "Add a student"
    fill_in "Name or nickname", with: "Pip"
    %w[Mon Tue Wed Thu Fri].each { |day| click_button day }
    click_button "Add the student"
    expect(page).to have_css("[role=alert]", text: "Choose at least one day to practise.")
    expect(find_field("Name or nickname").value).to eq("Pip")
  end

  it "moves along the ribbon by keyboard, lighting the bar on the page" do
    sign_in
    visit "/library/1"
    find("[data-visit='7'] rect", match: :first).hover
    find("[data-visit='0']").send_keys(:arrow_right, :arrow_right)
    expect(page).to have_css("[data-visit='2'][aria-selected=true]")
    expect(page).to have_css("[data-visit='10'][aria-selected=true]") # the same bar the second time
    expect(page).to have_text("page 12, line 1, bar 3 = bar 3 · 3 counts")
  end

  it "says at the door what is wrong" do
    visit "/"
    fill_in "Email", with: "owner@quay.example"
    fill_in "Password", with: "guess"
    click_button "Sign in"
    expect(page).to have_css("[role=alert]", text: "Email and password do not match.")
    expect(find_field("Email").value).to eq("owner@quay.example")
  end
end
