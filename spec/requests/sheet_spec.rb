# frozen_string_literal: true

require_relative "../spec_helper"
require "pdf-reader"

RSpec.describe "The sheet" do
  before do
    TestApp.studio
    sign_in
    TestApp.now = Time.utc(2027, 3, 3, 12)
  end

  let(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }
  let(:sheet) { sheet_of(student) }

  def at(day, hour = 12) = TestApp.now = Time.utc(2027, 3, day, hour)

  def thursday
    student
    at(4)
    ask(:get, sheet)
  end

  # The same step on each day of the week.
  def all_days(step = "A.right") =
    ask(:get, sheet)["days"].filter_map do |day|
      day["items"].find { |item| item["step_id"] == step }
    end

  def concerns = ask(:get, path)["attention"].map { |one| one["text"] }

  describe "when something hurts" do
    before { mark(sheet, thursday["days"].first["items"].first, kind: "hurts", key: key) }

    let(:key) { SecureRandom.uuid }

    it "says so of the step, sets it aside on the days that come, and tells the teacher first of all" do
      expect(all_days.first).to include("hurts" => true)
      at(5)
      expect(all_days.drop(1).map { |one| one["set_aside"] }).to all(be(true))
      expect(all_days("A.left").map { |one| one["set_aside"] }).to all(be(false))
      expect(concerns.first).to eq(
        "A, right hand (The Lock Gate) hurt on 4 March: set aside until the next lesson"
      )
      at(10)
      expect(ask(:get, "/api/today")["lessons"].first["concerns"].first["text"]).to include(
        "hurt on 4 March"
      )
    end

    it "makes no good day of it, however often it was played" do
      item = thursday["days"].first["items"].first
      item["repetitions"].times { mark(sheet, item) }
      at(5)
      standing = ask(:get, path)["pieces"].first["steps"].find { |step| step["id"] == "A.right" }
      expect(standing["credited"]).to eq(0)
    end

    it "is taken back like any tap" do
      item = ask(:get, sheet)["days"].first["items"].first
      expect(item["last_mark"]).to eq(key)
      mark(sheet, item, kind: "undo", undoes: key)
      at(5)
      expect([all_days.map { |one| one["set_aside"] }.uniq, concerns.grep(/hurt/)]).to eq(
        [[false], []]
      )
    end

    it "is over when something was heard" do
      at(10, 16)
      expect(concerns.first).to include("hurt on 4 March")
      hurt = -> do
        ask(:get, "#{path}/lesson")["steps"]
          .to_h { |step| [step["id"], step["hurt_on"]] }
          .slice("A.right", "A.left")
      end
      expect(hurt.call).to eq("A.right" => "2027-03-04", "A.left" => nil)
      say = ->(result) do
        ask(
          :post,
          "#{path}/results",
          { assignment_id: 1, step_id: "A.left", result: result, key: SecureRandom.uuid }
        )
      end
      %w[steady not_heard].each { |result| say[result] }
      expect(concerns.grep(/hurt/)).not_to be_empty # said by mistake, and taken back
      say["steady"]
      expect([status, concerns.grep(/hurt/)]).to eq([201, []])
      expect(hurt.call["A.right"]).to eq("2027-03-04") # it stands there until the lesson is over
    end

    it "is over the day after a lesson, though nothing was heard at it, and not after one that was left out" do
      at(10, 23)
      expect(concerns.grep(/hurt/)).not_to be_empty
      at(11)
      expect(concerns.grep(/hurt/)).to be_empty
    end
  end

  it "lets what is no step be ticked: what begins the day and extra work" do
    ask(:put, path, Requests::STUDENT.merge(warm_ups: "scale_and_chords", version: 1))
    ask(
      :post,
      "#{path}/extra-work",
      { kind: "theory", title: "Page 3", minutes: 3, times: 5, key: SecureRandom.uuid }
    )
    day = thursday["days"].first
    things = [*day["warm_ups"].first(1), *day["extra_work"]]
    expect(things.map { |one| [one["title"], one["done"]] }).to match(
      [[/scale|five fingers/i, 0], ["Page 3", 0]]
    )
    ticked = things.map { |one| mark(sheet, { "assignment_id" => nil, "step_id" => one["id"] }) }
    expect(ticked.map { |one| one.values_at("assignment_id", "done") }).to eq([[nil, 1], [nil, 1]])
    after = ask(:get, sheet)["days"].first
    expect(
      [
        after["warm_ups"].first["done"],
        after["extra_work"].first["done"],
        after["items"].sum { |item| item["done"] }
      ]
    ).to eq([1, 1, 0])
    mark(
      sheet,
      { "assignment_id" => nil, "step_id" => things.last["id"] },
      kind: "undo",
      undoes: after["extra_work"].first["last_mark"]
    )
    expect(ask(:get, sheet)["days"].first["extra_work"].first["done"]).to eq(0)
    mark(sheet, { "assignment_id" => nil, "step_id" => things.first["id"] }, day: "2027-03-03")
    expect(ask(:get, sheet)["days"].first["warm_ups"].first["done"]).to eq(1)
  end

  it "takes no tap of what never stood on it, and nothing of what is no step but that it was done" do
    thursday
    answer = mark(sheet, { "assignment_id" => nil, "step_id" => "work 99" })
    expect([status, answer["code"]]).to eq([422, "not_on_sheet"])
    mark(sheet, { "assignment_id" => nil, "step_id" => "A.right" })
    expect(status).to eq(422)
  end

  it "tells on the day of the lesson when it is, and shows the next week as soon as that lesson is finished" do
    student
    at(10, 9)
    before = ask(:get, sheet)
    expect(before.values_at("today", "next_lesson", "lesson_time", "recap")).to eq(
      ["2027-03-10", "2027-03-10", "16:30", nil]
    )
    at(10, 16)
    ask(
      :post,
      "#{path}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: SecureRandom.uuid }
    )
    told = ask(:get, "#{path}/lesson")["recap"]
    ask(:post, "#{path}/lesson/finish", { send: false })
    after = ask(:get, sheet)
    expect(after.values_at("next_lesson", "lesson_time", "recap", "told_before")).to eq(
      ["2027-03-17", "16:30", { "day" => "2027-03-10", "text" => told }, []]
    )
    expect(after["days"].first["date"]).to eq("2027-03-11")
  end

  # A month of lessons: the last recap, and three before it, on the phone and on paper, each as it
  # stands now.
  it "keeps what was told lately, the newest first, in print only where it is asked for" do
    student
    [10, 17, 24, 31, 38].each_with_index do |day, nth|
      TestApp.now = Time.utc(2027, 3, 1, 16) + (day - 1) * 86_400
      ask(:put, "#{path}/lesson", { recap: "Told #{nth}.", version: 0 })
      ask(:post, "#{path}/lesson/finish", { send: false })
    end
    ask(:post, "#{path}/lesson/reopen", {})
    ask(
      :put,
      "#{path}/lesson",
      { recap: "Told 4, better.", version: ask(:get, "#{path}/lesson")["lesson"]["version"] }
    )
    # nothing is told before it is finished
    expect(ask(:get, sheet)["recap"]["text"]).to eq("Told 3.")
    ask(:post, "#{path}/lesson/finish", { send: false })
    shown = ask(:get, sheet)
    expect([shown["recap"], *shown["told_before"]].map(&:values)).to eq(
      [
        ["2027-04-07", "Told 4, better."],
        ["2027-03-31", "Told 3."],
        ["2027-03-24", "Told 2."],
        ["2027-03-17", "Told 1."]
      ]
    )
    ["#{path}/week.pdf", "#{sheet}/week.pdf"].each do |print|
      pages = ->(query) { PDF::Reader.new(StringIO.new(get("#{print}#{query}").body)).pages }
      alone, both = pages[""], pages["?recaps=lately"]
      expect([alone.map(&:text).join.include?("Told"), both.size]).to eq([false, alone.size + 1])
      text = both.last.text.squeeze(" ")
      expect(text).to match(/Told 4, better.*Wednesday, 31 March.*Told 3.*Told 2.*Told 1/m)
      expect(text).not_to include("Told 0")
    end
  end
end
