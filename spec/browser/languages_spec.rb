# frozen_string_literal: true

require_relative "../spec_helper"
require_relative "../support/pseudo"
require "pdf/reader"

# Another language is a file: in one where every text stands in brackets, no screen, no
# message, no recap and no print holds a word outside of them, but for names (in Greek
# here), letters of sections and keys, and statements of the page script.
RSpec.describe "Another language", :aggregate_failures do
  include_context "a student with a piece"

  around { |example| Pseudo.taught { example.run } }
  before do
    TestApp::OWNER[:studios].update(locale: Pseudo::TAG, name: "Οδός")
    TestApp::OWNER[:students].update(name: "Νίκη")
    TestApp::OWNER[:accounts].update(name: "Μίρα")
    TestApp::OWNER[:pieces].update(title: "Θύρα", book: "Βιβλίο")
    api do
      ask(
        :put,
        "/api/pieces/1/script",
        {
          for: "studio",
          script:
            Requests::SCRIPT +
              "key: Bb major\nstart right: finger 1 on Bb4\nfermata: 12 for 2\npass 2: 1-4 left hand, mf\n",
          revision: 1
        }
      )
    end
  end

  # The product's name, what is engraved or typed as it is, and note names.
  own =
    /\bStairwell\b|owner@quay\.example|The Lock Gate|Tidewater Primer 2|like A except 8|English: [a-z, ]+/
  script =
    /\A\s*(page|time|key|tempo|section|repeat|ending|dal segno|da capo|segno|to coda|coda|fine|pickup|bars?|title|book|spot|pedal|dynamics|hands|start|lyrics|octave|ornament|ritardando|fermata|hard|pass|double bar)\b[^⟦]*\z/
  foreign = ->(texts) do
    texts
      .map { |text| Pseudo.outside(text).gsub(own, "") }
      .grep(/[A-Za-z]{3,}/)
      .grep_v(script)
      .map(&:strip)
      .uniq
  end

  define_method(:expect_only_texts) do |where|
    found = foreign.call(page.execute_script(Pseudo::SEEN))
    expect(found).to eq([]), "#{where}: #{found.first(12)}"
  end

  def spoken = have_css("body", text: "⟦")

  # Whatever opens on a page is opened.
  # What is folded within what is folded too.
  def open_all = 2.times { find_all("details:not([open]) > summary", minimum: 0).each(&:click) }

  # A class with a unit that is under way, a lesson that was moved and one that was left out, a
  # teacher who is away and whose lesson was given by another.
  def real_weeks
    api do
      key = -> { SecureRandom.uuid }
      account =
        Stairwell::Server::Auth.add_account(
          TestApp.store.db,
          email: "ilo@quay.example",
          name: "Ίλο",
          password: TestApp::PASSWORD
        )
      TestApp::OWNER[:memberships].insert(studio_id: 1, account_id: account, role: "teacher")
      ask(
        :post,
        "/api/classes",
        { key: key.call, name: "Τάξη", weekday: 4, time: "18:00", minutes: 60, members: [1] }
      )
      criteria = [{ key: "p", name: "Παλμός", levels: %w[αργά καλά] }]
      ask(
        :post,
        "/api/classes/1/units",
        {
          key: key.call,
          title: "Πύλη",
          piece_ids: [1],
          due_on: "2027-03-11",
          due_time: "18:00",
          criteria: criteria
        }
      )
      2.times { TestApp.work_on_jobs && ask(:get, "/api/classes/1") }
      ask(:put, "/api/students/1/lessons/2027-03-10", { version: 0, day: "2027-03-12" })
      ask(:put, "/api/students/1/lessons/2027-03-17", { version: 0, left_out: true })
      ask(:post, "/api/students/1/lesson/finish", { send: false })
      TestApp::OWNER[:lessons].update(finished_by: account)
      ask(
        :post,
        "/api/covers",
        {
          key: key.call,
          away_id: 1,
          cover_id: account,
          first_day: "2027-03-03",
          last_day: "2027-03-20"
        }
      )
    end
  end

  it "is a file: no page of lessons and classes holds a text of its own" do
    real_weeks
    sign_in
    {
      "/today" => "[role=listitem]",
      "/lessons" => "section h2",
      "/lessons?from=2027-03-10" => "section h2",
      "/classes" => "section",
      "/classes/1" => "section",
      "/classes/1/lesson" => "[data-cell]",
      "/while-away" => "section",
      "/students/1/stand-in" => "section",
      "/students/1" => "[role=group]"
    }.each do |path, css|
      visit path
      expect(page).to have_css(css)
      expect(page).to spoken
      open_all
      all("button[aria-expanded=false]", minimum: 0).each(&:click)
      expect_only_texts(path)
      keys("?")
      expect_only_texts("#{path} and its keys")
    end
    visit "/students"
    click_button "Load a list"
    fill_in find("textarea")["aria-label"], with: "name,day,time,ύψος\n,Someday,,2\n"
    expect(page).to have_css("[role=listitem]")
    expect_only_texts("a list with a bad line")
  end

  it "is a file: no page of a teacher holds a text of its own" do
    sign_in
    {
      "/today" => "[role=list]",
      "/studio" => "[role=row]",
      "/students" => "a[href='/students/1']",
      "/students/1" => "table",
      "/library" => "section",
      "/library/type" => "textarea",
      "/routines" => "ol",
      "/settings" => "textarea",
      "/outbox" => "main"
    }.each do |path, css|
      visit path
      expect(page).to have_css(css)
      expect(page).to spoken
      open_all
      expect_only_texts(path)
      keys("?")
      expect_only_texts("#{path} and its keys")
    end
    visit "/library/type"
    fill_in "Page script", with: "page 1: 4\nrepeat: 9\nfine: 4\nfine"
    expect(page).to have_text("⟦Line 2, column 9⟧")
    expect_only_texts("what was typed")
    visit "/students"
    click_button "Add a student"
    expect_only_texts("a new student")
    visit "/students/1"
    click_button "Change"
    click_button "Add an exercise or other work"
    expect_only_texts("a student changed")
    visit "/routines"
    click_button "Copy and change"
    expect(page).to have_button("Add the stage")
    expect_only_texts("a routine changed")
    visit "/nowhere"
    expect(page).to spoken
    expect_only_texts("an address that is none")
  end

  it "is spoken at the workbench, on every tab, and when one is asked" do
    sign_in
    visit "/library/1"
    bar_at(6).find("rect", match: :first).click
    %w[Map Preview Check Text Past].each do |tab|
      click_tab tab
      open_all
      expect_only_texts(tab)
    end
    keys("f", "d", "t")
    expect(page).to have_css("[role=status]", text: "Saved")
    click_tab "Check"
    expect_only_texts("signs that do not add up")
    click_button "One bar on", match: :first
    expect_only_texts("a walk")
    click_button "Where next?"
    expect(page).to have_css("[role=region]")
    find("[role=region] kbd", match: :first).click
    expect_only_texts("a question")
    click_button "Assign to a student"
    select "Νίκη", from: "Student"
    expect_only_texts("a piece assigned")
  end

  it "is spoken at a lesson, in the recap, the mail and the sheet, on screen and on paper" do
    api do
      ask(
        :post,
        "/api/students/1/extra-work",
        { kind: "exercise", title: "Γύμνασμα", minutes: 3, times: 5, one_of: [] }
      )
      ask(
        :post,
        "/api/students/1/results",
        { assignment_id: 1, step_id: "A.right", result: "not_yet", key: SecureRandom.uuid }
      )
    end
    sign_in
    visit "/students/1/lesson"
    expect(page).to have_css("[role=listitem]")
    find_all("[role=listitem]").last.click
    expect_only_texts("a lesson")
    keys("3", "h", "?")
    expect_sent
    expect_only_texts("a result")
    expect(foreign.call([find("textarea[data-key=r]").value])).to eq([])
    click_button "Finish lesson"
    expect_only_texts("a lesson's end")
    api do
      ask(
        :put,
        "/api/students/1",
        Requests::STUDENT.merge(
          name: "Νίκη",
          email: "home@quay.example",
          version: ask(:get, "/api/students/1")["version"]
        )
      )
      ask(:post, "/api/students/1/lesson/finish", { send: true })
      mail = ask(:get, "/api/outbox").first
      expect(foreign.call([mail["subject"], mail["body"].gsub(%r{\S+/s/[\w-]+}, "")])).to eq([])
      custom_request("GET", "/api/students/1/week.pdf")
      printed =
        PDF::Reader
          .new(StringIO.new(last_response.body))
          .pages
          .map(&:text)
          .join(" ")
          .gsub(/\s+/, " ")
      expect(foreign.call([printed])).to eq([])
      ask(
        :put,
        "/api/students/1",
        Requests::STUDENT.merge(
          name: "Νίκη",
          reads: false,
          version: ask(:get, "/api/students/1")["version"]
        )
      )
    end
    TestApp.now = Time.utc(2027, 3, 11, 12)
    [true, false].each do |reads|
      TestApp::OWNER[:students].update(reads: reads)
      visit student["sheet_path"]
      expect(page).to spoken
      expect(page).to have_css("section:not(:has(textarea)) h2")
      open_all
      click_button "Walk it", match: :first
      expect_only_texts("a sheet, #{reads ? "in words" : "with pictures"}")
    end
  end

  it "is spoken in what the server refuses" do
    api do
      refused =
        [
          [:post, "/api/pieces", { script: "page 1: 4 4\nsection A: 1-9" }],
          [:post, "/api/pieces", { script: "nothing" }],
          [:get, "/api/students/99"],
          [:get, "/api/pieces/99"],
          [:put, "/api/students/1", Requests::STUDENT.merge(version: 0)],
          [:post, "/api/students/1/pieces", { piece_id: 1 }],
          [:put, "/api/studio/settings", { locale: "xx" }],
          [:put, "/api/studio/settings", { holidays: [{ from: "2027-04-05", to: "2027-04-01" }] }],
          [:post, "/api/students/1/lesson/finish", { send: true }],
          [
            :post,
            "/api/students/1/results",
            { assignment_id: 1, step_id: "none", result: "steady", key: SecureRandom.uuid }
          ],
          [:put, "/api/routines/by_ear", { name: "x", for_whom: "", stages: [], version: 1 }],
          [
            :post,
            "/api/students/1/simplifications",
            { assignment_id: 1, step_id: "A.right", form: "left", key: SecureRandom.uuid }
          ]
        ].map { |method, path, body| [path, ask(method, path, body)] }
      said = refused.map { |path, answer| [path, answer.values_at("title", "detail")] }
      expect(
        said
          .map { |path, texts| [path, foreign.call(texts.map(&:to_s))] }
          .reject { |_, texts| texts.empty? }
      ).to eq([])
      load = load_score("<score-partwise><part-list/></score-partwise>")
      expect(foreign.call(load.values_at("title", "detail"))).to eq([])
    end
  end
end
