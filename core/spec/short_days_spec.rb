# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# A short day asks for less, and is a good one all the same.
RSpec.describe "A short day" do
  include Records

  let(:thursday) { Date.new(2027, 3, 4) }

  describe "a good day of it" do
    let(:step) { Stairwell::Practice.steps(page("bars: 4\nsection A: 1-4")).first }

    def credited(count, *events, asked: 3)
      marks =
        Array.new(count) do |at|
          Stairwell::Progress::Mark.new(
            key: "k#{at}",
            step_id: step.id,
            date: thursday,
            kind: :repetition,
            at: Time.utc(2027, 3, 4, 12, at),
            asked: asked
          )
        end
      Stairwell::Progress.piece([step], marks + events).standings[step.id].credited
    end

    it "has as many repetitions as stood on the sheet" do
      expect([credited(2), credited(3), credited(4, asked: nil), credited(5, asked: nil)]).to eq(
        [0, 1, 0, 1]
      )
    end

    it "has half of the step's own at the least, whatever a phone says, and no more than those" do
      expect([credited(1, asked: 1), credited(2, asked: 1), credited(5, asked: 40)]).to eq(
        [0, 1, 1]
      )
    end

    it "has what the teacher asked for before all" do
      asked = Stairwell::Progress::Asked.new(step_id: step.id, date: thursday, repetitions: 4)
      expect([credited(3, asked), credited(4, asked)]).to eq([0, 1])
    end
  end

  it "is ticked from paper as it stood there, and its boxes in the lesson have as many" do
    short = record(today: Date.new(2027, 3, 3), minutes_a_day: 8, warm_ups: "none")
    planned = Stairwell::Studio.plan(short).record
    first = planned.weeks.newest.days.first.items.first
    expect(first.repetitions).to be < planned.pieces.first.standing("A.right").step.repetitions
    later = planned.with(today: Date.new(2027, 3, 10), moment: Time.utc(2027, 3, 10, 15))
    change =
      Stairwell::Studio.tick(
        later,
        ticked: Set[],
        assignment_id: 7,
        step_id: first.step_id,
        days: [first_day(planned)],
        done: true,
        key: "11111111-1111-4111-8111-111111111111"
      )
    expect(change.added[:marks].map { |row| row[:asked] }).to eq(
      [first.repetitions] * first.repetitions
    )
    standing = change.record.pieces.first.standing(first.step_id)
    expect(standing.good_dates).to eq([first_day(planned)])
    box =
      Stairwell::Studio::LessonSteps
        .new(change.record)
        .to_a
        .find { |one| one.standing.step.id == first.step_id }
        .boxes
        .first
    expect(box).to have_attributes(
      planned: true,
      of: first.repetitions,
      repetitions: first.repetitions
    )
  end

  def first_day(record) = record.weeks.newest.days.first.date
end
