# frozen_string_literal: true

require_relative "../spec_helper"

# A plan backwards from the date of a piece, asked for and taken.
RSpec.describe "Backwards from a date" do
  before do
    TestApp.studio
    sign_in
  end

  let(:student) { student_with_piece }
  let(:path) { "/api/students/#{student["id"]}" }
  let(:piece) { student["pieces"].first["id"] }
  let(:own) { "#{path}/pieces/#{piece}" }

  def due(day) = ask(:put, own, { due_on: day })

  def now = ask(:get, path)["pieces"].first

  def taken = now["backwards"].map { |measure| measure["id"] }

  it "shows both plans with their dates before one is taken, and keeps nothing until then" do
    due("2027-03-12")
    before = now
    shown = ask(:get, "#{own}/backwards")
    expect(status).to eq(200)
    expect(shown["needed"]).to be(true)
    usual, there = shown.values_at("usual", "there").map { |way| way["outlook"]["planned"] }
    expect(usual).to eq(before["outlook"]["planned"])
    expect(there).to be < usual
    expect(shown["measures"].first).to eq({ "id" => "slower", "words" => "aim for 63" })
    expect(shown["there"]["rows"].map { |row| row["days"].size }.uniq).to eq([5])
    expect(now).to eq(before)
  end

  it "is taken, changed and taken back, each measure by itself" do
    before = now
    due("2027-03-12")
    measures = ask(:get, "#{own}/backwards")["measures"].map { |measure| measure["id"] }
    shown = ask(:put, "#{own}/backwards", { measures: measures })["pieces"].first
    expect(status).to eq(200)
    expect(shown["target_tempo"]).to eq(63)
    expect(taken).to eq(measures)
    ask(:put, "#{own}/backwards", { measures: measures - %w[slower] })
    expect([taken, now["target_tempo"]]).to eq([measures - %w[slower], 76])
    ask(:put, "#{own}/backwards", { measures: [] })
    due(nil)
    expect(now.values_at("backwards", "target_tempo", "steps")).to eq(
      before.values_at("backwards", "target_tempo", "steps")
    )
  end

  it "needs a date, and measures there are" do
    refused = ask(:put, "#{own}/backwards", { measures: %w[slower] })
    expect(status).to eq(422)
    expect(refused["detail"]).to include("has no date")
    due("2027-03-12")
    ask(:put, "#{own}/backwards", { measures: %w[faster] })
    expect(status).to eq(400)
    expect(now["backwards"]).to eq([])
  end
end
