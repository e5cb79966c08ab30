# frozen_string_literal: true

require_relative "spec_helper"
require "demo/pieces"

# What to take care of is common practice, no source; that a doctor goes first is
# what every such text must say.
RSpec.describe Stairwell::Cautions do
  def topics(**about) = described_class.of(minutes: 10, **about).map(&:topic)

  it "speaks of pain always, and of the rest where it applies" do
    expect(topics).to eq(%i[pain posture])
    expect(topics(pedal: true)).to eq(%i[pain posture pedal])
    expect(topics(stretch: true, listening: true)).to eq(%i[pain posture stretch headphones])
  end

  it "speaks of a break in a long day, and sooner to a child" do
    expect(topics(minutes: 18)).not_to include(:sitting)
    expect(topics(minutes: 18, child: true)).to include(:sitting)
    expect(topics(minutes: 20.5)).to include(:sitting)
  end

  it "measures a stretch against the hand, and an octave where it was not measured" do
    expect(
      [[12, 14], [15, 14], [11, nil], [12, nil]].map do |wide, span|
        described_class.wide?(wide, span)
      end
    ).to eq([false, true, false, true])
  end

  it "defers to doctors, in one line and in full" do
    expect(described_class::ALL[:pain].short).to match(/stop.*rest.*doctor/i)
    expect(described_class::ALL.values_at(:pain, :stretch).map(&:full)).to all(
      match(/doctor/).and(match(/not medical advice/))
    )
    expect(described_class::ALL.values.map { |one| one.short.size }).to all(be < 90)
  end

  it "finds the widest notes in the bars that are asked for" do
    map = Demo::Pieces.all.map(&:map).find { |one| Stairwell::Sections.widest(one, :left) }
    widest = Stairwell::Sections.widest(map, :left)
    expect(Stairwell::Sections.widest(map, :left, [widest.bar])).to eq(widest)
    others = (1..map.bars.size).to_a - [widest.bar]
    expect(Stairwell::Sections.widest(map, :left, others)&.semitones.to_i).to be <= widest.semitones
  end
end
