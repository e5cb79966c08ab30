# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# Someone who practised on a third of the days for twelve weeks and has hardly moved.
RSpec.describe "Twelve thin weeks" do
  include Records

  let(:today) { Date.new(2027, 6, 2) }

  # @param kept [Integer] of each week's five days
  def having(kept:, weeks: 12, assigned: today - 90, **student)
    planned = (1..weeks).map { |at| (1..5).map { |day| today - (7 * at) + day } }
    made = record(today: today, minutes_a_day: 20, child: true, **student)
    all =
      planned.reverse.each_with_index.map do |days, at|
        Stairwell::Studio::Weeks::Kept.new(
          id: at + 1,
          begins: days.first,
          next_lesson: days.first + 6,
          week: made.week,
          planned_on: days
        )
      end
    made.with(
      weeks: Stairwell::Studio::Weeks.new(all),
      practised_on: planned.flat_map { |days| days.first(kept) },
      pieces: made.pieces.map { |piece| piece.with(assigned_on: assigned) }
    )
  end

  def said(record) =
    Stairwell::Studio::Concerns
      .of(record, {}, week: nil)
      .select { |concern| concern.kind == :thin }
      .map { |concern| concern.text.to_s }

  it "are told, with a smaller week" do
    found = said(having(kept: 2))
    expect(found.size).to eq(1)
    expect(found.first).to start_with("practised on 2").and(
      end_with("is at 0%. Try a smaller week: 2 rows, 10 minutes a day")
    )
    expect(said(having(kept: 1, rows_a_week: 9)).first).to end_with("4 rows, 10 minutes a day")
  end

  it "are none where more days were kept, the piece is newer, or it has grown" do
    expect(said(having(kept: 3))).to eq([])
    expect(said(having(kept: 1, assigned: today - 80))).to eq([])
    grown = having(kept: 1)
    steps = grown.pieces.first.progress.own
    results =
      steps.map do |step|
        Stairwell::Progress::LessonResult.new(
          step_id: step.id,
          date: today - 7,
          result: :steady,
          at: Time.utc(2027, 5, 26)
        )
      end
    expect(said(grown.with_piece(grown.pieces.first.after(*results)))).to eq([])
  end
end
