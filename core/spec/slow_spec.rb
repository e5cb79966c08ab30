# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Slow do
  parts = (0...described_class::PARTS).to_a

  it "runs nothing unless it is asked for, and everything when it is" do
    expect(parts.map { |part| described_class.turn?(part, wanted: nil) }).to all(be(false))
    expect(parts.map { |part| described_class.turn?(part, wanted: "1") }).to all(be(true))
  end

  # Over a year's end too: days go on being counted.
  it "comes to each once in as many days as there are parts" do
    [Date.new(2026, 11, 26), Date.new(2026, 12, 30), Date.new(2028, 2, 28)].each do |first|
      days = parts.map { |later| parts.select { |part| described_class.turn?(part, wanted: "rotate", today: first + later) } }
      expect(days.map(&:size)).to all(eq(1))
      expect(days.flatten).to match_array(parts)
    end
  end

  # Every slow example has one of those numbers, or it would never run.
  it "has a number for each slow example" do
    said = Dir[File.join(__dir__, "*_spec.rb")].flat_map { |file| File.read(file).scan(/\bslow: (\w+)|Slow\.turn\?\((\d+)\)/).flatten.compact }
    expect(said.map { |one| Integer(one, exception: false) }.uniq.sort).to eq(parts)
  end
end
