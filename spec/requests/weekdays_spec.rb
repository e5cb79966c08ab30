# frozen_string_literal: true

require_relative "../spec_helper"

# Whatever day it is: a make-up lesson, a second look in midweek, a year's end.
RSpec.describe "Every day of the week" do
  before { TestApp.studio }

  # From a Wednesday lesson to the one after, over new year.
  (Date.new(2026, 12, 30)..Date.new(2027, 1, 6)).each do |date|
    it "is a day to hear, tap, plan, print and finish: #{date.strftime("%A %d %B")}" do
      TestApp.now = Time.utc(2026, 12, 30, 12)
      sign_in
      student = student_with_piece
      path = "/api/students/#{student["id"]}"
      TestApp.now = Time.utc(date.year, date.month, date.day, 17)
      sheet = ask(:get, sheet_of(student))
      item = sheet["days"].flat_map { |day| day["items"] }.first
      expect(mark(sheet_of(student), item)).to include("done" => 1, "day" => date.to_s)
      TestApp.work_on_jobs
      sign_in
      expect(ask(:get, path)["week"]["days"]).not_to be_empty
      heard =
        ask(
          :post,
          "#{path}/results",
          {
            assignment_id: 1,
            step_id: "A.right",
            result: "not_yet",
            bar: 2,
            key: SecureRandom.uuid
          }
        )
      expect(status).to eq(201), heard.inspect
      expect(heard["steps"].find { |one| one["id"] == "A.right" }["result"]).to eq("not_yet")
      expect(heard["next_week"]["days"].map { |day| day["date"] }).to all(be > date.to_s)
      again =
        ask(
          :post,
          "#{path}/results",
          { assignment_id: 1, step_id: "A.right", result: "secure", key: SecureRandom.uuid }
        )
      expect(again["changed"]).to all(be_a(String))
      ask(
        :post,
        "#{path}/ticks",
        {
          assignment_id: 1,
          step_id: "A.left",
          days: [date.to_s],
          done: true,
          key: SecureRandom.uuid
        }
      )
      expect(status).to eq(201)
      ask(:post, "#{path}/week", {})
      expect(status).to eq(200)
      ask(
        :post,
        "#{path}/week/overrides",
        {
          edit: "add",
          starts: date.to_s,
          seen: 0,
          id: "extra 1",
          date: (date + 1).to_s,
          title: "Bring a book",
          minutes: 2
        }
      )
      expect(status).to eq(200)
      custom_request("GET", "#{path}/week.pdf")
      expect(last_response.body).to start_with("%PDF")
      expect(ask(:post, "#{path}/lesson/finish", { send: false })).to include("sent" => false)
      expect(ask(:get, "/api/today")["date"]).to eq(date.to_s)
      week = ask(:get, path)["week"]
      expect(week["next_lesson"]).to be > date.to_s
      # A day stands once, whatever was planned again and again.
      dates = week["days"].map { |day| day["date"] }
      expect(dates).to eq(dates.uniq.sort)
      expect(ask(:get, sheet_of(student))["days"]).not_to be_empty
    end
  end

  it "keeps days gone by as they were, when a result is heard in midweek" do
    sign_in
    student = student_with_piece
    before = student["week"]["days"].first(2)
    TestApp.now = Time.utc(2027, 3, 6, 12)
    sign_in
    heard =
      ask(
        :post,
        "/api/students/#{student["id"]}/results",
        { assignment_id: 1, step_id: "A.right", result: "steady", key: SecureRandom.uuid }
      )
    expect(heard["changed"]).to include(/A, right hand is out of the week|A, right hand: /)
    # Days that have gone by do not change, so nothing is said of them.
    expect(heard["changed"].join).not_to match(/Thu|Fri|Sat/)
    week = ask(:get, "/api/students/#{student["id"]}")["week"]
    expect(week["days"].first(2)).to eq(before)
    expect(week.values_at("starts", "planned_from", "next_lesson")).to eq(
      %w[2027-03-04 2027-03-07 2027-03-10]
    )
  end
end
