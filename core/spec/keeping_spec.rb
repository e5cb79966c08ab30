# frozen_string_literal: true

require_relative "spec_helper"

# Months as calendars count them: the same day of the month, or its last.
RSpec.describe Stairwell::Studio::Keeping do
  date = ->(text) { text && Date.parse(text) }
  keeping = ->(left: "2027-01-31", months: 1, longer: nil, told: nil) do
    described_class.new(
      left_on: date.call(left),
      months: months,
      longer_until: date.call(longer),
      told_on: date.call(told)
    )
  end

  {
    ["2027-01-31", 1] => "2027-02-28",
    ["2028-01-31", 1] => "2028-02-29",
    ["2028-02-29", 12] => "2029-02-28",
    ["2027-12-31", 6] => "2028-06-30",
    ["2027-03-10", 24] => "2029-03-10"
  }.each do |(left, months), ends|
    it "ends #{months} months after #{left} on #{ends}" do
      expect(keeping.call(left: left, months: months).ends_on.to_s).to eq(ends)
    end
  end

  it "has no end for one who is here, or where the studio names none" do
    [keeping.call(left: nil), keeping.call(months: nil)].each do |one|
      expect(
        [one.ends_on, one.tell_on, one.erase_on, one.next_on, one.due(Date.new(2100, 1, 1))]
      ).to eq([nil] * 5)
    end
  end

  it "tells thirty days before, and erases no sooner than thirty days after that was told, however late it was" do
    one = keeping.call(left: "2027-01-10", months: 6)
    expect([one.tell_on.to_s, one.due(Date.new(2027, 6, 9)), one.due(Date.new(2027, 6, 10))]).to eq(
      ["2027-06-10", nil, :tell]
    )
    in_time = keeping.call(left: "2027-01-10", months: 6, told: "2027-06-10")
    expect(
      [in_time.erase_on.to_s, in_time.due(Date.new(2027, 7, 9)), in_time.due(Date.new(2027, 7, 10))]
    ).to eq(["2027-07-10", nil, :erase])
    # The setting came later than the end.
    late = keeping.call(left: "2027-01-10", months: 6, told: "2029-01-01")
    expect(
      [late.erase_on.to_s, late.due(Date.new(2029, 1, 30)), late.due(Date.new(2029, 1, 31))]
    ).to eq(["2029-01-31", nil, :erase])
  end

  it "is kept longer where somebody wanted it, never shorter" do
    expect(keeping.call(left: "2027-01-10", months: 6, longer: "2028-07-10").ends_on.to_s).to eq(
      "2028-07-10"
    )
    expect(keeping.call(left: "2027-01-10", months: 6, longer: "2027-02-01").ends_on.to_s).to eq(
      "2027-07-10"
    )
  end
end
