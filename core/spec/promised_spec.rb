# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# What becomes of the dates that were promised.
RSpec.describe "Promised dates" do
  include Records

  # Promised a week before the day they are looked at.
  def promised(**said) =
    Stairwell::Studio::Promised.new(
      day: Records::WEDNESDAY - 7,
      likely: Records::WEDNESDAY + 700,
      **said
    )

  def outcomes(record, *all) =
    Stairwell::Studio::Promised.outcomes(all, record).then { |one| [one.known, one.held] }

  def done(record, date)
    piece = record.pieces.first
    events =
      piece.progress.steps.map do |step|
        Stairwell::Progress::LessonResult.new(
          step_id: step.id,
          date: date,
          result: :steady,
          at: date.to_time
        )
      end
    record.with_piece(piece.after(*events))
  end

  it "have held once all is steady by then, and not where it was later or the day has gone by" do
    today = Records::WEDNESDAY
    early = promised(assignment_id: 7, cautious: today + 10)
    late = promised(assignment_id: 7, cautious: today - 3)
    under_way = record(today: today)
    expect(outcomes(under_way, early)).to eq([0, 0])
    expect(outcomes(under_way, promised(assignment_id: 7, cautious: today))).to eq([0, 0])
    expect(outcomes(under_way, late)).to eq([1, 0])
    expect(outcomes(done(under_way, today), early, late)).to eq([2, 1])
    expect(outcomes(done(under_way, today - 3), early, late)).to eq([2, 2])
  end

  it "of a piece that was passed are known, of one that was given up never" do
    today = Records::WEDNESDAY
    passed = promised(assignment_id: 1, cautious: today, ended: true, done_on: today)
    expect(
      outcomes(
        record,
        passed,
        passed.with(done_on: today + 1),
        passed.with(done_on: nil, cautious: today - 30)
      )
    ).to eq([2, 1])
  end

  it "rest on weeks of practice where there are any" do
    basis = ->(record) { Stairwell::Studio::Outlooks.new(record).basis.to_s }
    expect(basis[record]).to include("what is usual")
    planned = Stairwell::Studio::Change.new(record: record).planned.record
    expect(basis[planned.with(today: planned.today + 8)]).to eq("from 1 week of practice")
    studio =
      planned.settings.with(habit: Stairwell::Planning::Habit::Seen.new(planned: 10, kept: 5))
    expect(basis[record.with(settings: studio)]).to include("the studio's students")
  end
end
