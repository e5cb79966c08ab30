# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/charts"

# What is heard of a piece changes how long the rest is taken to need. Expected values are worked
# out by hand: log pace ~ N(0, 0.3²), each heard step is seen with σ = 0.4.
RSpec.describe "Pace within a piece" do
  include Charts

  let(:script) do
    "title: Reed\nbars: 16\ntempo: target 76\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-16"
  end

  def tapped(step, *days, times: 5) =
    days.flat_map do |day|
      (1..times).map do |at|
        Stairwell::Progress::Mark.new(
          step_id: step,
          date: Charts::DAY + day,
          kind: :repetition,
          at: (Charts::DAY + day).to_time + at,
          key: "#{step} #{day} #{at}"
        )
      end
    end

  def pace(*events) = piece(script, events.flatten).progress.pace

  # Two good days are estimated of hands together.
  it "is drawn toward 1, less so the more was heard" do
    expect(pace).to eq(1)
    # One day instead of two: exp(log(1/2) × 6.25 / (11.1 + 6.25)).
    expect(pace(tapped("A.together", 0), heard("A.together"))).to be_within(0.001).of(0.779)
    both = %w[A B].map { |label| [tapped("#{label}.together", 0), heard("#{label}.together")] }
    expect(pace(both)).to be_within(0.001).of(0.693)
    # Four days instead of one, none of them with enough repetitions: exp(log 4 × 0.36).
    slow = [tapped("A.right", 0, 1, 2, 3, times: 1), heard("A.right", on: Charts::DAY + 4)]
    expect(pace(slow)).to be_within(0.001).of(1.647)
  end

  it "says nothing by what was only ticked, nor by what wasn't steady" do
    expect(pace(tapped("A.together", 0, 1))).to eq(1)
    expect(pace(tapped("A.together", 0), heard("A.together", :shaky))).to eq(1)
  end

  it "changes what the rest takes, never to less than a day" do
    together = ->(pace) do
      paced =
        Stairwell::Rows::Piece.new(
          id: 1,
          title: "Reed",
          progress: piece(script).progress,
          turns: %w[A B C D],
          pace: pace
        )
      week([paced], days: 6, minutes: 30)
        .rows
        .find { |row| row.kind == :new }
        .days
        .values
        .map { |parts| parts.map { |part| part.step.id } }
        .then { |all| %w[A.right A.together].map { |id| all.count { |ids| ids.include?(id) } } }
    end
    # Two days of hands together become one at 0.7, and three at 1.6; one stays one at 0.7.
    expect(together[1]).to eq([1, 2])
    expect(together[0.7]).to eq([1, 1])
    expect(together[1.6]).to eq([2, 3])
  end
end
