# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# A piece as one staircase, beside what a teacher would draw on squared paper.
RSpec.describe "The staircase" do
  let(:today) { Date.new(2027, 3, 10) }
  let(:steps) { Stairwell::Practice.steps(page("bars: 8\nsection A: 1-4\nsection B: 5-8")) }
  let(:later) { ->(date) { date + 3 } }
  let(:latest) { ->(date) { date + 9 } }

  def heard(days_ago, step, result: :steady)
    Stairwell::Progress::LessonResult.new(
      step_id: step,
      date: today - days_ago,
      result: result,
      at: (today - days_ago).to_time
    )
  end

  # One step a day from the day `first`, in their order.
  def daily(first, of = steps) =
    of.each_with_index.to_h { |step, at| [step.id, [first + at, first + at]] }

  def staircase(*events, planned: daily(today - 4), ahead: daily(today + 1))
    piece = Stairwell::Progress.piece(steps, events)
    flights =
      Stairwell::Progress::Stairs.of(
        piece,
        planned: planned,
        ahead: ahead,
        stretch: [later, latest]
      )
    [Stairwell::Progress::Staircase.new(piece, flights, today: today), piece]
  end

  def share(*ids) =
    steps.select { |one| ids.include?(one.id) }.sum(0r, &:work) / steps.sum(0r, &:work)

  it "rises on the days steps became steady, each by its share of the work" do
    stairs, piece =
      staircase(heard(2, "A.left"), heard(5, "A.right"), heard(1, "B.right", result: :shaky))
    expect(stairs.real.map { |one| [one.id, one.date, one.from, one.to] }).to eq(
      [
        ["A.right", today - 5, 0r, share("A.right")],
        ["A.left", today - 2, share("A.right"), share("A.right", "A.left")]
      ]
    )
    expect(stairs.real.last.to).to eq(piece.share)
  end

  it "is the same in small: as high on each day as what was steady by then" do
    _, piece =
      staircase(
        heard(2, "A.left"),
        heard(5, "A.right"),
        heard(5, "B.left"),
        heard(1, "B.right", result: :shaky)
      )
    expect(piece.climbed).to eq(
      [[today - 5, share("A.right", "B.left")], [today - 2, share("A.right", "B.left", "A.left")]]
    )
    expect(piece.climbed.last.last).to eq(piece.share)
    expect(Stairwell::Progress.piece([], []).climbed).to eq([])
  end

  it "was planned from the ground to the top, a day a step" do
    stairs, = staircase
    expect(stairs.planned.map(&:date)).to eq((0...steps.size).map { |at| today - 4 + at })
    expect([stairs.planned.first.from, stairs.planned.last.to]).to eq([0r, 1r])
    expect(stairs.planned.each_cons(2).map { |one, other| other.from - one.to }.uniq).to eq([0r])
  end

  it "goes on from where it is, with what is not steady yet, likely and with caution" do
    stairs, piece = staircase(heard(5, "A.right"))
    expect([stairs.likely.first.from, stairs.likely.last.to, stairs.cautious.last.to]).to eq(
      [piece.share, 1r, 1r]
    )
    expect(stairs.likely.map(&:id)).to eq(steps.map(&:id) - ["A.right"])
    expect([stairs.likely.last.date, stairs.cautious.last.date]).to eq(
      [today + steps.size + 3, today + steps.size + 9]
    )
  end

  it "stops where what is left has no day" do
    stairs, = staircase(ahead: daily(today + 1, steps.first(2)))
    expect(stairs.likely.last.to).to eq(share(*steps.first(2).map(&:id)))
  end

  it "falls back with a step that no longer goes" do
    stairs, piece =
      staircase(heard(9, "A.right"), heard(1, "A.right", result: :not_yet), heard(3, "A.left"))
    expect([stairs.real.map(&:id), stairs.real.last.to]).to eq([%w[A.left], piece.share])
  end

  describe "beside the plan" do
    def said(...) = staircase(...).first.said.to_s

    let(:first) { steps.first(4).map(&:id) }
    let(:by_now) { (share(*first) * 100).floor }

    it("is behind by the days since its next tread was planned") do
      expect(said(heard(4, first[0]))).to start_with(
        "#{by_now} % was planned by now: 3 days behind the plan; in hand: "
      )
    end

    it("is a day behind with one tread") do
      expect(said(*first.first(3).map { |id| heard(2, id) })).to start_with(
        "#{by_now} % was planned by now: 1 day behind the plan"
      )
    end

    it("is as planned with what was to be steady by yesterday") do
      expect(said(*first.map { |id| heard(2, id) })).to start_with(
        "#{by_now} % was planned by now: as planned"
      )
    end

    it("is ahead with more") do
      expect(said(*steps.first(6).map { |one| heard(2, one.id) })).to start_with(
        "#{by_now} % was planned by now: ahead of the plan"
      )
    end

    it("is done") do
      expect(said(*steps.map { |one| heard(2, one.id) })).to eq("all of it is steady")
    end

    it("has in hand what is begun, before what is open") do
      step = steps.find { |one| one.id == "B.together" }
      marks =
        Array.new(step.repetitions) do |at|
          Stairwell::Progress::Mark.new(
            key: "k#{at}",
            step_id: step.id,
            date: today - 1,
            kind: :repetition,
            at: (today - 1).to_time + at
          )
        end
      expect(said).to end_with("; in hand: A, right hand")
      expect(said(*marks)).to end_with("; in hand: B, hands together")
    end
  end
end
