# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "The workbench" do
  include_context "at the workbench"

  it "maps two pages with repeats, endings and a coda by keys alone" do
    api { ask(:post, "/api/pieces", { script: "title: Weir\npage 1: 16\n" }) }
    open_piece(2)
    fill_in "Bars in each line of page 1", with: "4 4 4 4"
    keys(:enter)
    expect(page).to have_text("line 4")
    choose(1, 8)
    keys("r")
    choose(7)
    keys("1")
    choose(8)
    keys("2")
    choose(5)
    keys("g")
    choose(6)
    keys("t")
    choose(12)
    keys("d", "d", "d")
    choose(13)
    keys("o")
    expect(page).to have_css("h2", text: /As played/)
    choose(1, 4)
    keys("s", "A", :enter)
    expect(page).to have_button("Show section A")
    saved
    expect(stored(2).lines(chomp: true)).to include(
      "page 1: 4 4 4 4",
      "repeat: 1-8",
      "ending 1: 7",
      "ending 2: 8",
      "segno: 5",
      "to coda: 6",
      "dal segno: 12 al coda",
      "coda: 13",
      "section A: 1-4"
    )
    # From bar 5 the repeat is not taken again, and bar 6 leaves for the coda.
    expect(all("[data-visit]").map { |cell| cell["aria-label"][/bar (\d+)/, 1].to_i }).to eq(
      [*1..7, *1..6, *8..12, 5, 6, *13..16]
    )
  end

  it "takes away by key, and undoes and redoes everything" do
    open_piece
    click_button "Show section B"
    keys(:delete)
    expect(page).to have_no_button("Show section B")
    control("z")
    expect(page).to have_button("Show section B")
    control("y")
    expect(page).to have_no_button("Show section B")
    click_button "Undo"
    saved
    expect(stored).to include("section B: 9-12")
  end

  it "notes of a section how the hand moves, which its steps then say, and forgets it again" do
    open_piece
    click_button "Show section B"
    fill_in "movement of section B", with: "let the arm drop, then roll"
    fill_in "fingering of section B", with: "thumb under on F"
    keys(:enter)
    expect(page).to have_text("movement: let the arm drop, then roll")
    expect(page).to have_text("fingering: thumb under on F")
    saved
    expect(stored).to include(
      "movement B: let the arm drop, then roll\n",
      "fingering B: thumb under on F\n"
    )
    visit "/library/1"
    click_button "Show section B"
    fill_in "movement of section B", with: ""
    keys(:enter)
    expect(page).to have_no_text("let the arm drop")
    saved
    expect(stored).to include("fingering B")
    expect(stored).not_to include("movement")
  end

  it "draws what one types, writes what one clicks, and keeps comments where they stand" do
    open_piece
    click_tab "Text"
    fill_in "Page script", with: "#{Requests::SCRIPT}# ask about the pedal\nfine: 8\npedla: 1-4\n"
    expect(page).to have_css("[data-bar='8'][aria-label*='fine']")
    expect(page).to have_text("Try pedal: 1-4")
    choose(12)
    say("fermata: 12 beat 3 for 1")
    expect(page).to have_css("svg", text: "fermata")
    saved
    expect(find_field("Page script").value).to include(
      "# ask about the pedal\n",
      "pedla: 1-4\n",
      "fermata: 12 beat 3 for 1\n"
    )
    visit "/library/1"
    expect(page).to have_css("[data-bar='8'][aria-label*='fine']")
    expect(stored).to include("# ask about the pedal\n")
  end

  it "moves and resizes a section's band and a line's end by dragging" do
    open_piece
    pull =
      lambda do |from, dx|
        page
          .driver
          .browser
          .action
          .move_to(from.native)
          .click_and_hold
          .move_by(dx, 0)
          .move_by(0, 1)
          .release
          .perform
      end
    width = bar_at(2).find("rect", match: :first).native.rect.width.round
    pull[find("[data-band='A'] [data-edge='to']"), -width]
    expect(page).to have_button("Show section A")
    saved
    expect(stored).to include("section A: 1-3\n")
    pull[find("[data-line-end='12/1']"), -width]
    find("h1").hover
    expect(page).to have_field("Bars in each line of page 12", with: "3 5 4")
    control("z")
    expect(page).to have_field("Bars in each line of page 12", with: "4 4 4")
    saved
  end

  it "shows a diagnostic's bar and mends it at one press" do
    open_piece
    choose(12)
    keys("d")
    click_tab "Check"
    expect(page).to have_text("says dal segno, but no bar has the sign")
    click_button "Show the bar"
    expect(page).to have_css("[data-bar='12'][aria-selected=true]")
    click_button "Say da capo"
    expect(page).to have_text("The signs and counts of the page add up.")
    saved
    expect(stored).to include("da capo: 12\n")
  end

  it "walks bar by bar, says jumps before they come, and plays with a click" do
    open_piece
    keys(".")
    expect(page).to have_css("[role=status]", text: "Bar 1")
    7.times { keys(".") }
    expect(page).to have_css(
      "[role=status]",
      text: "Bar 8 → then back for the 2nd time, page 12, line 1, bar 1"
    )
    keys(".")
    expect(page).to have_css("[role=status]", text: "Bar 1, 2nd time · again")
    keys(",")
    expect(page).to have_css("[role=status]", text: "Bar 8")
    click_button "End the walk"
    fill_in "Tempo, beats per minute", with: "400"
    find("h1").click
    keys(:space)
    expect(page).to have_button("Stop")
    expect(page).to have_css("[role=status]", text: "Bar 4")
    keys(:space)
    expect(page).to have_button("Play")
    expect(complaints).to eq([])
  end

  it "asks where next, says why an answer is wrong, and keeps the result for the student" do
    open_piece
    click_button "Where next?"
    expect(page).to have_text("1 of 2. You have just played bar 8 for the 1st time.")
    expect(page).to have_css("[data-visit]", count: 8) # what comes after is hidden
    bar_at(9).find("rect", match: :first).click
    expect(page).to have_css(
      "[role=status]",
      text:
        "Not there. The next bar on the page is not the next bar of the music here. A repeat sign stands after bar 8"
    )
    bar_at(1).find("rect", match: :first).click
    expect(page).to have_css("[role=status]", text: "Right.")
    click_button "Next sign"
    keys("2")
    expect(page).to have_css("[role=status]", text: "The repeat is done")
    click_button "How it went"
    expect(page).to have_text("1 of 2 right at the first try; look again at bar 8.")
    select "Nell", from: "Keep it for"
    click_button "Keep the result"
    expect(page).to have_text("Kept for Nell.")
    visit "/students/#{student["id"]}"
    expect(page).to have_text("Where next? in The Lock Gate: 1 of 2 right on 3 Mar")
  end

  it "asks by ear: the last bars before the sign are sounded, and no other" do
    map = Demo::Pieces.lantern_room.map
    api { load_score(Stairwell::Formats::MusicXML.write(map)) }
    open_piece(2)
    execute_script(<<~JS)
      window.tones = [];
      const start = OscillatorNode.prototype.start;
      OscillatorNode.prototype.start = function (...when) {
        if (this.type === "triangle") tones.push(Math.round(69 + 12 * Math.log2(this.frequency.value / 440)));
        return start.apply(this, when);
      };
    JS
    click_button "Where next?"
    heard = all("[data-visit]", minimum: 1).size
    click_button "By ear"
    expect(page).to have_text("this is what was just played")
    expect(page).to have_no_text("You have just played")
    if page.has_field?("Tempo, beats per minute", wait: 0)
      fill_in "Tempo, beats per minute", with: "300"
    end
    order = Stairwell::Roadmap.read(map).visits.first(heard).last(4).map(&:bar)
    sounded =
      order.flat_map { |bar| map.notes[bar].to_h.values.flatten }.map { |note| note.pitch.midi }
    60.times { (evaluate_script("tones.length") >= sounded.size) ? break : sleep(0.5) }
    sleep 1 # in which one more would be heard
    expect(evaluate_script("tones").sort).to eq(sounded.sort)
  end

  it "keeps a teacher's and a student's changes over the studio's page" do
    open_piece
    select "For Nell only", from: "For whom"
    expect(page).to have_css("[data-visit]", count: 20)
    click_button "Show section A1"
    click_button "Take away repeat: 1-8"
    expect(page).to have_css("[data-visit]", count: 12)
    click_tab "Text"
    expect(page).to have_field("Page script", with: /without repeat: 1-8/)
    saved
    select "For the whole studio", from: "For whom"
    expect(page).to have_css("[data-visit]", count: 20)
    expect(TestApp::OWNER[:piece_layers].select_map(%i[student_id script])).to eq(
      [[student["id"], "without repeat: 1-8\n"]]
    )
  end

  it "says how far the engraver has come, where the way to it is slow" do
    api { load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.lantern_room.map)) }
    sign_in
    page.driver.browser.execute_cdp("Network.clearBrowserCache")
    page.driver.browser.network_conditions = { offline: false, latency: 20, throughput: 1_000_000 }
    visit "/library/2"
    choose(1, 2)
    click_tab "Notes"
    expect(page).to have_css("progress[max]")
    expect(page).to have_text(/the engraver comes: [0-9.]+ of [0-9.]+ MB/)
    here = -> { find("progress")["value"].to_i }
    before = here.call
    sleep 1
    expect(here.call).to be > before
    page.driver.browser.delete_network_conditions
    expect(page).to have_css("[aria-label='The notes of bars 1–2'] svg", wait: 30)
    expect(page).to have_no_css("progress")
  ensure
    page.driver.browser.delete_network_conditions
  end

  it "shows the notes of the chosen bars of a loaded score" do
    api { load_score(Stairwell::Formats::MusicXML.write(Demo::Pieces.lantern_room.map)) }
    open_piece(2)
    choose(1, 2)
    click_tab "Notes"
    expect(page).to have_css("[aria-label='The notes of bars 1–2'] svg", wait: 30)
    expect(all("[aria-label='The notes of bars 1–2'] g.measure").size).to eq(2)
    # Staff lines and stems are strokes: without one there are dots in the air.
    strokes =
      evaluate_script(
        "[...document.querySelectorAll('g.staff > path, g.stem path')].map((one) => getComputedStyle(one).stroke)"
      )
    expect(strokes.size).to be >= 10
    expect(strokes.grep_v(/\Argb\(/)).to eq([])
    expect(complaints).to eq([])
  end
end
