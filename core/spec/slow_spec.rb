# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Slow do
  it "runs nothing unless it is asked for, and everything when it is" do
    expect(
      [nil, "", "1", "rotate"].map do |wanted|
        [described_class.wanted?(wanted), described_class.whole?(wanted)]
      end
    ).to eq([[false, false], [false, false], [true, true], [true, false]])
    expect(described_class.part(2_000, wanted: "1")).to eq([2_000, 0])
  end

  # Over a year's end and a leap day too: days go on being counted.
  it "comes to every case once in as many days as there are parts" do
    [Date.new(2026, 11, 26), Date.new(2026, 12, 28), Date.new(2028, 2, 25)].each do |first|
      cases =
        Array.new(described_class::PARTS) do |later|
          count, before = described_class.part(2_000, wanted: "rotate", today: first + later)
          (before...(before + count)).to_a
        end
      expect(cases.flatten.sort).to eq((0...2_000).to_a)
    end
  end
end
