# frozen_string_literal: true

require_relative "../spec_helper"

# What is said of a student of whom nothing is known yet.
RSpec.describe "A student who came today" do
  before do
    TestApp.studio
    sign_in
  end

  # Lessons are on Wednesdays; today is Wednesday, 3 March 2027.
  it "had no lessons before, and has them from today on" do
    ask(:post, "/api/students", Requests::STUDENT)
    days = ->(from) do
      ask(:get, "/api/timetable?from=#{from}")["days"]
        .select { |day| day["lessons"].any? }
        .map { |day| day["date"] }
    end
    expect(days.call("2027-02-22")).to eq([])
    expect(days.call("2027-03-01")).to eq(["2027-03-03"])
    expect(days.call("2027-03-08")).to eq(["2027-03-10"])
    TestApp.now = Time.utc(2027, 3, 4, 12)
    ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo"))
    names =
      ask(:get, "/api/timetable?from=2027-03-01")["days"].flat_map do |day|
        day["lessons"].map { |one| one["name"] }
      end
    expect(names).to eq(["Nell"])
  end

  it "keeps no share of days before one has passed" do
    student_with_piece
    expect(ask(:get, "/api/students/1")["adherence"]).to be_nil
    TestApp.now = Time.utc(2027, 3, 5, 12)
    expect(ask(:get, "/api/students/1")["adherence"]).to eq(0)
  end
end
