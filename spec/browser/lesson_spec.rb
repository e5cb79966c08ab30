# frozen_string_literal: true

require_relative "../spec_helper"

# A lesson from the first result to the finished week.
RSpec.describe "A lesson in the browser" do
  include_context "a student with a piece"

  before do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    api do
      ask(
        :put,
        "/api/students/#{student["id"]}",
        Requests::STUDENT.merge(version: 1, email: "home@quay.example")
      )
    end
    sign_in
  end

  def heard(title) = find("[role=listitem][data-at]", text: /\A#{title}/)

  def open_lesson
    visit "/students/#{student["id"]}/lesson"
    expect(page).to have_css("[role=listitem][data-at]", minimum: 3)
  end

  it "is held by keys alone: from today through results, counts, a recap, to the outbox" do
    expect(page).to have_css("h1", text: "Wednesday 10 March")
    expect(page).to have_css("[aria-current=true]", text: "Nell")
    keys(:enter)
    expect(page).to have_css("h1", text: "Nell, Wednesday 10 March")
    expect(page).to have_text("Hear first: A, right hand")
    expect(page).to have_css("[aria-current=true]", text: "A and A1, right hand")
    expect_accessible
    keys("h", "h")
    expect(page).to have_css("[aria-current=true] [role=status]", text: "offered: not yet")
    keys("H", "H", "t")
    fill_in "Tempo heard", with: "44"
    keys(:escape)
    expect(page).to have_css(
      "[aria-current=true] [role=status]",
      text: "offered: steady (no stumble)"
    )
    keys("o")
    expect(page).to have_css("[role=status]", text: "A1, right hand is out of the week")
    keys(:arrow_down, "n", "thumb", :escape, "2")
    expect(heard("A1 to A, the join")).to have_text("shaky")
    keys("0")
    expect(page).to have_css("h2", text: /Heard today · 2 of/)
    keys("r")
    expect(find_field("Recap for Nell").value).to include(
      "The right hand of A and A1 goes well now."
    )
    keys("Well played.")
    expect(find_field("Recap for Nell").value.lines(chomp: true).first(3)).to match(
      [/\A(Dear|Hello) Nell,\z/, "Well played.", /\A\S/]
    )
    keys(%i[control end], "Bring the blue book.", :escape)
    expect(page).to have_text("in your words")
    expect(page).to have_button("Write again from the plan")
    keys("f") # at once: the words are kept before the lesson ends
    expect(page).to have_css("[role=dialog][aria-label='Finish lesson']")
    # Nothing is told as sent where nothing can be.
    expect(page).to have_text("This server doesn't send email. Copy the recap, or print the week.")
    expect(page).to have_no_button("Send and finish")
    keys(:enter)
    expect(page).to have_css("h1", text: "Wednesday 10 March")
    expect(page).to have_button("Heard")
    expect(TestApp::OWNER[:lessons].get(:recap)).to include("Bring the blue book.")
    expect(TestApp::OWNER[:lesson_results].where(result: "shaky").get(:note)).to eq("thumb")
    expect(complaints).to eq([])
  end

  it "copies the recap where there is no mail server" do
    open_lesson
    find("body").send_keys("f")
    execute_script(
      "navigator.clipboard.writeText = (text) => Promise.resolve(window.copied = text)"
    )
    click_button "Copy recap and finish"
    expect(page).to have_css("h1", exact_text: "Wednesday 10 March")
    expect(evaluate_script("window.copied")).to start_with("Dear Nell,").and(
      include("Learn A and A1: right hand, left hand, hands together")
    )
    expect(TestApp::OWNER[:outbox].count).to eq(0)
  end

  it "sends the recap where there is a mail server" do
    smtp = Stairwell::Server::Settings::Smtp.new(host: "127.0.0.1", port: 1, from: "a@quay.example")
    allow(TestApp::SETTINGS).to receive(:smtp).and_return(smtp)
    open_lesson
    find("body").send_keys("f")
    expect(page).to have_text("The recap goes to home@quay.example.")
    click_button "Send and finish"
    expect(page).to have_css("h1", exact_text: "Wednesday 10 March")
    go "Outbox"
    expect(page).to have_css("article", text: "home@quay.example")
    expect(
      TestApp::OWNER[:que_jobs].where(job_class: "Stairwell::Server::Jobs::SendMail").count
    ).to eq(1)
  end

  it "takes ticks of a paper chart in one stroke a row, and takes them back" do
    open_lesson
    expect(heard("A and A1, right hand")).to have_text("0 of 1 good day")
    keys("x")
    expect(heard("A and A1, right hand")).to have_text("1 of 1 good day")
    expect(heard("A and A1, right hand")).to have_css("svg[aria-label='Thursday 4 March: 3 of 3']")
    click_button "Untick"
    expect(heard("A and A1, right hand")).to have_text("0 of 1 good day")
  end

  it "makes a place that did not go a spot, and tells the student what comes smaller" do
    open_lesson
    click_button "Show every stage"
    heard("A, hands together").click
    find("summary", text: "Why, where, a note").click
    select "bar 3", from: "Where it did not go"
    select "rhythm", from: "Why it did not go"
    click_button "1 not yet"
    expect(page).to have_css("[data-item]", text: "Spot at bar 3")
    expect(find_field("Recap for Nell").value).to include(
      "isn't there yet, so take it more easily first"
    )
  end

  it "loses nothing when the connection is lost, the laptop closed, or another teacher writes" do
    open_lesson
    without_connection do
      keys("3")
      expect(page).to have_css(
        "[role=status]",
        text: "No connection. 2 results wait in this browser"
      )
      expect(heard("A and A1, right hand")).to have_text("steady")
    end
    visit "/studio" # closed before it was sent
    open_lesson
    expect(heard("A and A1, right hand")).to have_text("steady")
    expect(page).to have_no_text("No connection")
    expect_sent
    # One key for the row, a result for each of its sections.
    expect(TestApp::OWNER[:lesson_results].select_map(:step_id)).to contain_exactly(
      "A.right",
      "A1.right"
    )
    find_field("Recap for Nell").send_keys("Mine. ")
    expect(page).to have_text("in your words, kept")
    hear_nothing
    api { ask(:put, "/api/students/#{student["id"]}/lesson", { recap: "Theirs.", version: 1 }) }
    find_field("Recap for Nell").send_keys("More.")
    expect(page).to have_css("[role=alert]", text: "Someone else wrote to Nell meanwhile:\nTheirs.")
    click_button "Keep mine"
    expect(page).to have_no_css("[role=alert]")
    expect(page).to have_text("in your words, kept")
    expect(TestApp::OWNER[:lessons].get(:recap)).to include("Mine.").and(include("More."))
  end

  it "shows what a second teacher did, and never writes over words it has not shown" do
    second =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "second@quay.example",
        name: "Oren Tull",
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(
      studio_id: studio[:studio_id],
      account_id: second,
      role: "teacher"
    )
    as_second =
      lambda do |method, path, body|
        Requests.instance_method(:sign_in).bind_call(self, email: "second@quay.example")
        ask(method, "/api/students/#{student["id"]}/#{path}", body)
      end
    open_lesson
    as_second.call(
      :post,
      "results",
      { assignment_id: 1, step_id: "A.left", result: "steady", key: SecureRandom.uuid }
    )
    as_second.call(:put, "lesson", { recap: "From Oren.", version: 0 })
    keys("3") # the answer brings what the other did
    expect(page).to have_css("[role=listitem]", text: /A, left hand.*Oren Tull heard it today/m)
    expect(page).to have_field("Recap for Nell", with: "From Oren.")
    expect(page).to have_text("Oren Tull wrote last")
    hear_nothing
    as_second.call(:put, "lesson", { recap: "Oren again.", version: 1 })
    page.execute_script("document.querySelector('[data-key=r]').focus()")
    keys(%i[control end], " And mine.")
    expect(page).to have_css(
      "[role=alert]",
      text: "Oren Tull wrote to Nell meanwhile:\nOren again."
    )
    keys(:escape, "2") # a result loads the lesson again; the words still wait
    expect(page).to have_css("[role=alert]", text: "Oren again.")
    expect(TestApp::OWNER[:lessons].get(:recap)).to eq("Oren again.")
    click_button "Take theirs"
    expect(page).to have_field("Recap for Nell", with: "Oren again.")
    expect(page).to have_no_css("[role=alert]")
  end

  it "notes what is lent and what comes back" do
    open_lesson
    fill_in "Lend", with: "Blue duet book"
    click_button "Lend"
    expect(page).to have_text("Blue duet book since 10 Mar")
    click_button "Blue duet book is back"
    expect(page).to have_no_text("Blue duet book since")
  end
end
