# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "A student's week" do
  before do
    TestApp.studio
    sign_in
  end

  let(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }

  def give_second(script = Requests::SCRIPT.sub("The Lock Gate", "Weir"))
    piece = ask(:post, "/api/pieces", { script: script })
    ask(
      :post,
      "#{path}/pieces",
      { piece_id: piece["id"], routine: "hand_by_hand", hand_order: "left", target_tempo: 60 }
    )
  end

  it "holds all pieces within one budget, and two new rows at the most" do
    week = give_second["week"]
    expect(
      week["days"].flat_map { |day| day["items"].map { |item| item["piece"] } }.uniq
    ).to contain_exactly("The Lock Gate", "Weir")
    week["days"].each do |day|
      expect(day["minutes"]).to be_within(day["items"].size / 4r).of(
        day["items"].sum { |item| item["minutes"] }
      ) # each rounded by itself
      expect(day["minutes"]).to be <= 20
    end
    expect(week["rows"].count { |row| row["kind"] == "new" }).to eq(2)
  end

  it "says of each step where it is, how its minutes come about, and why it stands there" do
    week = give_second["week"]
    items = week["days"].flat_map { |day| day["items"] }
    items
      .select { |item| item["kind"] == "step" }
      .each do |item|
        minutes, repetitions, counts, tempo =
          item["arithmetic"]
            .sub("½", ".5")
            .match(/\A([\d.]+) min: (\d+) × (\d+) counts at (\d+), 8 s between/)
            .captures
            .map(&:to_r)
        expect([repetitions, tempo]).to eq([item["repetitions"], item["tempo"]])
        playing = repetitions * (counts * 60 / tempo + 8) / 60
        expect((playing * 2).ceil / 2r).to eq(minutes)
        longer =
          item["arithmetic"][/still new, so ([\d.½]+) × as long today/, 1].to_s.sub("½", ".5")
        expect(item["minutes"]).to be_within(0.5).of(
          0.25 + (playing * (longer.empty? ? 1 : longer.to_r))
        )
        expect(item["place"]).to start_with("page 12").or eq("the whole piece")
        expect(item["why"]).to end_with(".")
      end
    expect(week["rows"].map { |row| row["why"] }).to all(end_with("."))
  end

  it "lists what no day is long enough for, with what needs it" do
    long =
      give_second(
        "title: Long\npage 1: #{Array.new(12, 8).join(" ")}\nsection A: 1-96\nsection B: 1-1"
      )
    never = long["week"]["left_out"].reject { |one| one["fits"] }
    expect(never.map { |one| one["step_id"] }).to eq(["A.left"])
    expect(never.first["why"]).to match(/takes [\d.]+ min at a time, but a day has 20 min/)
  end

  it "starts today when it is no lesson day, and ends before the next lesson whatever day that is" do
    student
    TestApp.now = Time.utc(2027, 3, 5, 12) # a Friday
    week = ask(:put, path, Requests::STUDENT.merge(version: 1, lesson_weekday: 1))["week"]
    # Thursday has gone by and stays as it was.
    expect(week.values_at("starts", "planned_from", "next_lesson")).to eq(
      %w[2027-03-04 2027-03-05 2027-03-08]
    )
    expect(week["days"].map { |day| day["date"] }).to eq(
      %w[2027-03-04 2027-03-05 2027-03-06 2027-03-07]
    )
  end

  it "counts days by the studio's clock, not the server's" do
    TestApp::OWNER[:studios].update(time_zone: "Pacific/Auckland")
    TestApp.now = Time.utc(2027, 3, 3, 12) # already Thursday there
    expect(ask(:get, "/api/session")["studio"]["today"]).to eq("2027-03-04")
    expect(student["week"]["starts"]).to eq("2027-03-04")
  end

  it "keeps every plan that was ever made" do
    student
    plans = TestApp::OWNER[:week_plans].count
    ask(:put, path, Requests::STUDENT.merge(version: 1, minutes_a_day: 40))
    expect(TestApp::OWNER[:week_plans].count).to eq(plans + 1)
  end
end
