# frozen_string_literal: true

require_relative "spec_helper"

# What becomes of the dates a teacher was shown. Expected factors are worked out by hand from the
# rule: exp(n / (n + 10) × mean of log(real / foretold)).
RSpec.describe Stairwell::Studio::Promised do
  let(:monday) { Date.new(2027, 3, 1) }

  def promised(day: monday, likely: monday + 14, cautious: monday + 28, **said) =
    described_class.new(assignment_id: 1, day: day, likely: likely, cautious: cautious, **said)

  def record(today:, done_on: nil)
    progress = instance_double(Stairwell::Progress::Piece, done_on: done_on)
    piece = Stairwell.value(:id, :progress).new(id: 1, progress: progress)
    Stairwell.value(:today, :pieces).new(today: today, pieces: [piece])
  end

  def log(promised, **known) = promised.log(record(**known))

  it "compares the days a piece took with those foretold" do
    expect(log(promised, today: monday + 30, done_on: monday + 28)).to eq(Math.log(2))
    expect(log(promised, today: monday + 30, done_on: monday + 7)).to eq(Math.log(0.5))
    expect(log(promised, today: monday + 30, done_on: monday)).to eq(Math.log(1 / 14.0))
  end

  it "takes what is overdue and still open as old as it is, and says nothing before the date" do
    expect(log(promised, today: monday + 42)).to eq(Math.log(3))
    expect(log(promised, today: monday + 14)).to eq(0)
    expect(log(promised, today: monday + 13)).to be_nil
    expect(log(promised, today: monday + 13, done_on: monday + 7)).to be_nil
  end

  it "knows finished pieces, and forgets those that were given up" do
    passed = promised(ended: true, done_on: monday + 28)
    expect(log(passed, today: monday + 60)).to eq(Math.log(2))
    expect(log(promised(ended: true), today: monday + 60)).to be_nil
  end

  it "takes out what the way had been multiplied with already" do
    expect(log(promised(stretch: 2.0), today: monday + 30, done_on: monday + 14)).to eq(Math.log(2))
  end

  it "counts of several what held, what came due and by how much" do
    all = [
      promised,
      promised(likely: monday + 28, cautious: monday + 56),
      promised(likely: monday + 70, cautious: monday + 90)
    ]
    outcomes = described_class.outcomes(all, record(today: monday + 60, done_on: monday + 56))
    expect(outcomes.to_h).to eq(known: 3, held: 2, due: 2, logs: Math.log(8).round(4))
  end

  describe Stairwell::Planning::Promises do
    def stretch(**said) = described_class.new(**said).stretch

    it "is drawn toward 1, the more the fewer came due" do
      expect(stretch).to eq(1)
      expect(stretch(due: 1_000, logs: 0.0)).to eq(1)
      # Ten that took twice as long count half: the square root of two.
      expect(stretch(due: 10, logs: 10 * Math.log(2))).to be_within(1e-9).of(Math.sqrt(2))
      expect(stretch(due: 30, logs: 30 * Math.log(2))).to be_within(1e-9).of(2**0.75)
      expect(stretch(due: 990, logs: 990 * Math.log(0.5))).to be_within(0.01).of(0.5)
    end

    it "adds up over students, and comes back as it was kept, also from before dates were compared" do
      one = described_class.new(known: 3, held: 2, due: 4, logs: 0.5)
      both = described_class.new(known: 4, held: 3, due: 6, logs: 0.25)
      expect(one + described_class.new(known: 1, held: 1, due: 2, logs: -0.25)).to eq(both)
      expect(described_class.load(JSON.parse(JSON.generate(one.to_h)))).to eq(one)
      expect(described_class.load({ "known" => 3, "held" => 2 })).to eq(one.with(due: 0, logs: 0.0))
    end
  end
end
