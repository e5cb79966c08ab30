# frozen_string_literal: true

require_relative "../spec_helper"

# What a teacher does to a week by hand, what is introduced, what stands beside the
# pieces.
RSpec.describe "The teacher's hand" do
  before do
    TestApp.studio
    sign_in
  end

  let!(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }

  def draw(edit, seen: nil, **said)
    shown = ask(:get, path)
    ask(
      :post,
      "#{path}/week/overrides",
      {
        edit: edit,
        starts: shown["week"]["starts"],
        seen: seen || shown["overrides"]["version"],
        **said
      }
    )
  end

  def days(shown) =
    shown["week"]["days"].to_h { |day| [day["date"], day["items"].map { |item| item["id"] }] }

  def first_item = student["week"]["days"].first["items"].first

  it "pins, moves, drops and resizes, and keeps that through every planning" do
    id = first_item["id"]
    moved = draw("move", id: id, date: "2027-03-04", to: "2027-03-06")
    expect(days(moved)["2027-03-04"]).not_to include(id)
    expect(days(moved)["2027-03-06"]).to include(id)
    sized = draw("resize", id: id, date: "2027-03-06", repetitions: 9)
    item =
      sized["week"]["days"]
        .flat_map { |day| day["items"] }
        .find { |one| one["id"] == id && one["pinned"] }
    expect(item).to include("repetitions" => 9, "why" => a_string_starting_with("you put it here"))
    again = ask(:post, "#{path}/week", {})
    expect(days(again)).to eq(days(sized))
    expect(draw("loosen", id: id)["overrides"]["list"]).to eq([])
    expect(days(ask(:get, path))).to eq(days(student))
  end

  it "says what breaks, what leads nowhere, and takes an edit back" do
    last =
      student["pieces"].first["steps"].last["id"].then do |step|
        "#{student["pieces"].first["id"]}/#{step}"
      end
    broken = draw("pin", id: last, date: "2027-03-04")
    item = broken["week"]["days"].first["items"].find { |one| one["id"] == last }
    expect(item["breaks"]).to match(/\Abefore .+ (is|are) done/)
    nowhere = draw("pin", id: first_item["id"], date: "2027-03-09")
    expect(nowhere["week"]["unmet"].first["why"]).to eq("Tuesday is not a practice day this week")
    back = draw("set", overrides: broken["overrides"]["list"])
    expect(back["overrides"]["list"]).to eq(broken["overrides"]["list"])
    expect(days(back)).to eq(days(broken))
  end

  it "adds the teacher's own things, on the sheet too" do
    added = draw("add", id: "extra 1", date: "2027-03-04", title: "Bring the duet book", minutes: 2)
    expect(added["week"]["days"].first["items"].last).to include(
      "kind" => "added",
      "title" => "Bring the duet book",
      "assignment_id" => nil
    )
    TestApp.now = Time.utc(2027, 3, 4, 12)
    expect(ask(:get, sheet_of(student))["days"].first["extra_work"]).to match(
      [
        {
          "id" => "extra 1",
          "kind" => "added",
          "title" => "Bring the duet book",
          "minutes" => 2.0,
          "one_of" => [],
          "row" => "added/extra 1",
          "done" => 0,
          "last_mark" => nil,
          "keys" => []
        }
      ]
    )
  end

  it "counts a day as good by the repetitions that were asked for on it" do
    draw("resize", id: first_item["id"], date: "2027-03-04", repetitions: 2)
    TestApp.now = Time.utc(2027, 3, 4, 12)
    2.times { mark(sheet_of(student), first_item) }
    step =
      ask(:get, path)["pieces"].first["steps"].find { |one| one["id"] == first_item["step_id"] }
    expect(step["credited"]).to eq(1)
  end

  it "shows both when another teacher was quicker, and refuses what makes no sense" do
    draw("pin", id: first_item["id"], date: "2027-03-04")
    stale = draw("leave_out", id: first_item["id"], seen: 0)
    expect([status, stale["code"], stale["kept"]["version"]]).to eq([409, "stale", 1])
    expect(draw("move", id: "x", date: "2027-03-04")["detail"]).to include("where it goes")
    expect(draw("pin", id: "x", date: "2027-02-31")["detail"]).to include("is not a date")
    expect(days(ask(:get, path))).to eq(days(student))
  end

  describe "when days go by" do
    def practise(day, *steps)
      TestApp.now = Time.utc(2027, 3, day, 12)
      items =
        ask(:get, sheet_of(student))["days"].find { |one| one["date"] == "2027-03-0#{day}" }[
          "items"
        ]
      items
        .select { |item| steps.include?(item["step_id"]) }
        .each { |item| item["repetitions"].times { mark(sheet_of(student), item) } }
    end

    # What is needed.
    def sheet =
      ask(:get, sheet_of(student))["days"].to_h do |day|
        [
          day["date"],
          day["items"].reject { |item| item["kind"] == "more" }.map { |item| item["step_id"] }
        ]
      end

    it "plans the rest again by itself after a missed day, and keeps what has gone by" do
      TestApp.now = Time.utc(2027, 3, 4, 12)
      before = sheet
      practise(4, "A.right", "A1.right", "A.left")
      TestApp.now = Time.utc(2027, 3, 5, 12)
      expect(sheet).to eq(before) # nothing was missed
      TestApp.now = Time.utc(2027, 3, 6, 12) # Friday was
      expect(sheet["2027-03-06"]).to eq(before["2027-03-05"])
      expect(sheet.keys).to eq(before.keys)
      plans = TestApp::OWNER[:week_plans].count
      sheet
      expect(TestApp::OWNER[:week_plans].count).to eq(plans)
    end

    it "leaves today as it is once something was practised" do
      practise(4, "A.right")
      again = days(ask(:post, "#{path}/week", {}))
      expect(again["2027-03-04"]).to eq(days(student)["2027-03-04"])
    end
  end

  describe "what waits to be introduced" do
    let(:gated) do
      piece = ask(:post, "/api/pieces", { script: Requests::SCRIPT.sub("The Lock Gate", "Weir") })
      ask(
        :post,
        "#{path}/pieces",
        {
          piece_id: piece["id"],
          routine: "hand_by_hand",
          hand_order: "right",
          target_tempo: 60,
          introduce_first: true
        }
      )[
        "pieces"
      ].last
    end

    def teach(what, introduced: true, assignment: gated["id"])
      ask(
        :post,
        "#{path}/introductions",
        { assignment_id: assignment, what: what, introduced: introduced, key: SecureRandom.uuid }
      )
    end

    def open_sections(shown) =
      shown["pieces"].last["steps"]
        .select { |step| step["introduced"] }
        .filter_map { |step| step["section"] }
        .uniq

    it "opens the first section with the piece, the others at lessons" do
      expect(gated["introductions"]).to eq(
        [
          { "what" => "A", "introduced" => true },
          { "what" => "A1", "introduced" => false },
          { "what" => "B", "introduced" => false }
        ]
      )
      why = ask(:get, path)["week"]["left_out"].find { |one| one["piece"] == "Weir" }["why"]
      expect(why).to eq("not introduced yet; introduce it at a lesson")
      expect(open_sections(teach("B"))).to eq(%w[A B])
      expect(open_sections(teach("B", introduced: false))).to eq(%w[A])
      expect(teach("Z")["code"]).to eq("not_found")
    end

    it "is the default for children, and the teacher's to open" do
      unsaid = Requests::STUDENT.except(:introduce_first, :begin_per_day)
      child = ask(:post, "/api/students", unsaid.merge(child: true))
      adult = ask(:post, "/api/students", unsaid.merge(minutes_a_day: 5))
      expect([child["introduce_first"], adult["introduce_first"]]).to eq([true, false])
      opened = ask(:put, "#{path}/pieces/#{gated["id"]}", { introduce_first: false })
      expect(open_sections(opened)).to eq(%w[A A1 B])
    end
  end

  it "makes a step that did not go smaller as the teacher chooses, or not at all" do
    TestApp.now = Time.utc(2027, 3, 10, 16)
    body = { assignment_id: first_item["assignment_id"], step_id: "A.together" }
    ask(:post, "#{path}/results", { **body, result: "not_yet", key: SecureRandom.uuid })
    step = -> { ask(:get, path)["pieces"].first["steps"].find { |one| one["id"] == "A.together" } }
    titles = -> do
      ask(:get, path)["pieces"].first["steps"].map { |one| one["title"] }.grep(/first\z/)
    end
    expect(step.call["simplification"]["forms"].map { |one| one["form"] }.uniq).to eq(
      %w[slower right left first_half second_half bar]
    )
    expect(titles.call).to eq(["A, hands together, slower first"])
    ease = ->(form, **more) do
      ask(:post, "#{path}/simplifications", { **body, form: form, key: SecureRandom.uuid, **more })
    end
    ease.call("bar", bar: 4)
    expect(titles.call).to eq(["A, hands together, only its fourth bar first"])
    ease.call("none")
    expect([titles.call, step.call["simplification"]["chosen"]]).to eq([[], "none"])
    expect(ease.call("bar", bar: 9)["code"]).to eq("form")
  end

  it "plans exercises every day and other work so many times a week, until it ends" do
    work = {
      kind: "sight_reading",
      title: "One line from the green cards",
      minutes: 4,
      times: 2,
      one_of: ["card 3", "card 4"]
    }
    ask(:post, "#{path}/extra-work", work)
    shown =
      ask(
        :post,
        "#{path}/extra-work",
        { kind: "exercise", title: "Thumb under", minutes: 1.5, times: 7 }
      )
    week = shown["week"]["days"]
    expect(week.map { |day| day["warm_ups"].map { |one| one["title"] } }).to all(
      eq(["Thumb under"])
    )
    others = week.flat_map { |day| day["items"].select { |item| item["kind"] == "extra_work" } }
    expect(others.map { |item| item.values_at("title", "minutes", "one_of", "why") }).to eq(
      [["One line from the green cards", 4, ["card 3", "card 4"], "2 times a week"]] * 2
    )
    id = shown["extra_work"].first["id"]
    expect(
      ask(:put, "#{path}/extra-work/#{id}", work.merge(times: 3))["week"]["days"]
        .flat_map { |day| day["items"] }
        .count { |item| item["kind"] == "extra_work" }
    ).to eq(3)
    expect(
      ask(:delete, "#{path}/extra-work/#{id}", {})["extra_work"].map { |one| one["title"] }
    ).to eq(["Thumb under"])
  end

  it "plans an exercise in keys, another one each week, and offers it again for others" do
    chain = {
      kind: "exercise",
      title: "I IV V7 I",
      minutes: 2,
      times: 7,
      keys: ["C major", "F# minor"],
      hands: %w[right left both]
    }
    shown = ask(:post, "#{path}/extra-work", chain)
    expect(shown["extra_work"].first).to include(
      "keys" => ["C major", "F# minor"],
      "hands" => %w[right left both],
      "higher" => nil
    )
    warm_ups = ->(answer) do
      answer["week"]["days"]
        .flat_map { |day| day["warm_ups"] }
        .map { |one| one.slice("title", "notes") }
        .uniq
    end
    expect(warm_ups[shown]).to eq(
      [
        {
          "title" => "I IV V7 I in C major: right, left, both",
          "notes" => ["I: C E G", "IV: F A C", "V7: G B D F", "I: C E G"]
        }
      ]
    )
    TestApp.now = Time.utc(2027, 3, 11, 12)
    expect(warm_ups[ask(:post, "#{path}/week", {})]).to match(
      [include("title" => "I IV V7 I in F♯ minor: right, left, both")]
    )
    higher = chain.merge(title: "Scale", keys: ["C major"], higher: 2)
    2.times { ask(:post, "#{path}/extra-work", higher) }
    expect(
      ask(:get, "/api/extra-work")["given"].map { |one| one.values_at("title", "keys", "higher") }
    ).to eq([["Scale", ["C major"], 2], ["I IV V7 I", ["C major", "F# minor"], nil]])
    expect(ask(:post, "#{path}/extra-work", chain.merge(keys: ["H major"]))).to include(
      "code" => "key",
      "field" => "keys",
      "detail" => /“H major” is no key/
    )
    expect(ask(:post, "#{path}/extra-work", chain.merge(higher: 1))).to include(
      "code" => "higher",
      "field" => "higher"
    )
  end

  it "takes the minutes of each weekday, and the target tempo as the teacher says it" do
    day =
      ask(:put, path, Requests::STUDENT.merge(version: 1, minutes_by_day: { "6" => 5 }))["week"][
        "days"
      ].find { |one| one["date"] == "2027-03-06" }
    expect([day["budget"], day["minutes"] <= 5]).to eq([5, true])
    marked =
      ask(
        :post,
        "/api/pieces",
        { script: Requests::SCRIPT.sub("tempo: target 76", "tempo: marked quarter = 100") }
      )
    trial = ->(**more) do
      ask(
        :post,
        "#{path}/preview",
        {
          piece_id: marked["id"],
          routine: "hand_by_hand",
          hand_order: "right",
          target_tempo: 80,
          **more
        }
      )[
        "target_tempo"
      ]
    end
    expect([trial.call, trial.call(target_by: "share"), trial.call(target_by: "mark")]).to eq(
      [80, 80, 100]
    )
    expect(trial.call(target_by: "share", target_tempo: 60)).to eq(60)
    unmarked = {
      piece_id: 1,
      routine: "hand_by_hand",
      hand_order: "right",
      target_tempo: 80,
      target_by: "mark"
    }
    expect(ask(:post, "#{path}/preview", unmarked)["detail"]).to include(
      "has no printed metronome mark"
    )
  end

  describe "for the whole studio" do
    def run_jobs
      locker = Stairwell::Server::Jobs.start
      Timeout.timeout(20) { sleep 0.05 until ask(:get, "/api/studio/settings")["run"]["finished"] }
    ensure
      locker.stop
    end

    it "plans everyone in the background, and says how far it is" do
      plans = TestApp::OWNER[:week_plans].count
      begun = ask(:post, "/api/studio/plans", {})
      expect([status, begun["run"]]).to eq(
        [202, { "total" => 1, "done" => 0, "failed" => 0, "finished" => false }]
      )
      run_jobs
      expect(ask(:get, "/api/studio/settings")["run"]).to eq(
        { "total" => 1, "done" => 1, "failed" => 0, "finished" => true }
      )
      expect(TestApp::OWNER[:week_plans].count).to eq(plans + 1)
      expect(days(ask(:get, path))).to eq(days(student))
    end

    it "leaves holidays out, and goes on to the next lesson that is held" do
      ask(:put, "/api/studio/settings", { holidays: [{ from: "2027-03-06", to: "2027-03-12" }] })
      run_jobs
      week = ask(:get, path)["week"]
      expect(week["next_lesson"]).to eq("2027-03-17")
      expect(week["days"].map { |day| day["date"] }).to eq(
        %w[2027-03-04 2027-03-05 2027-03-13 2027-03-14 2027-03-15]
      )
      expect(
        ask(:put, "/api/studio/settings", { holidays: [{ from: "2027-03-12", to: "2027-03-06" }] })[
          "detail"
        ]
      ).to include("Swap the two dates")
    end
  end
end
