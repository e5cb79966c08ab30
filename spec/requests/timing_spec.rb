# frozen_string_literal: true

require_relative "../spec_helper"

# Times come from the phone: when a box was really tapped, however late it arrives.
RSpec.describe "What a student takes for a repetition" do
  before do
    TestApp.studio
    sign_in
  end

  let(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }

  # Five boxes of A, right hand (12 counts at 44 and 8 s between, 24.4 s each), so many seconds
  # apart on the phone; all arrive at the same moment.
  def practise(day, apart)
    TestApp.now = Time.utc(2027, 3, day, 18)
    begun = Time.utc(2027, 3, day, 16)
    item = { "assignment_id" => student["pieces"].first["id"], "step_id" => "A.right" }
    5.times { |at| mark(sheet_of(student), item, tapped_at: apart && (begun + at * apart).iso8601) }
  end

  def minutes_of(answer, step) =
    answer["week"]["days"]
      .reject { |day| day["date"] < answer["week"]["planned_from"] }
      .flat_map { |day| day["items"] }
      .select { |item| item["step_id"] == step }
      .map { |item| item["minutes"] }
      .uniq

  it "lengthens what is still to come, and is said" do
    student
    expect(ask(:get, path)).to include("timing" => [])
    # Twice what each of these days asks for, the first ones being longer.
    { 4 => 2, 5 => 1.5, 6 => 1.2, 7 => 1 }.each { |day, times| practise(day, 49 * times) }
    TestApp.now = Time.utc(2027, 3, 8, 9)
    planned = ask(:post, "#{path}/week", {})
    # Four days at twice the estimate: exp((4 ln 2 + 6 × 0.4 ln 2) / 10) = 1.56.
    expect(planned["timing"]).to eq(
      ["Nell needs 1.6 × the estimated time for one hand alone; the plan allows for it."]
    )
    # Three times 24.4 s, twice that on the first day: 2.44 min. It stands alone on the last day:
    # half a minute to get ready, and five times 24.4 s, 2 × 1.56 as long: 6.84 min.
    expect(minutes_of(student, "A.left")).to eq([2.5])
    expect(minutes_of(planned, "A.left")).to eq([7])
    alone =
      planned["week"]["days"].last["items"].find { |item| item["step_id"] == "A.left" }[
        "arithmetic"
      ]
    expect(alone).to include("1.6 × that, as timed")
  end

  it "is not learnt from boxes that were ticked in one go, nor from taps without a time" do
    student
    [4, 5, 6].each { |day| practise(day, 1) }
    practise(7, nil)
    TestApp.now = Time.utc(2027, 3, 8, 9)
    planned = ask(:post, "#{path}/week", {})
    expect(planned["timing"]).to eq(
      ["On 3 of 3 days all boxes of a step were ticked in one go; those times are left out."]
    )
    expect(minutes_of(planned, "A.left")).to eq([4.5])
  end
end
