# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Stairwell::Roadmap do
  it "plays the worked example of two repeats, the second with endings" do
    script = "bars: 18\nrepeat: 1-8\nrepeat: 9-16\nending 1: 15-16\nending 2: 17-18"
    expect(runs(script)).to eq([[1, 8], [1, 16], [9, 14], [17, 18]])
    expect(described_class.read(page(script)).bars_played).to eq(32)
  end

  it "plays three endings, one closing sign before the last" do
    expect(runs("bars: 10\nrepeat: 1-8\nending 1: 7\nending 2: 8\nending 3: 9")).to eq(
      [[1, 7], [1, 6], [8, 8], [1, 6], [9, 10]]
    )
  end

  it "plays one ending for several passes" do
    expect(runs("bars: 6\nrepeat: 1-4\nending 1, 2: 4\nending 3: 5")).to eq(
      [[1, 4], [1, 4], [1, 3], [5, 6]]
    )
  end

  # Hand-made expectations: the inner repeat is played in full on each pass of
  # the outer.
  it "plays nested repeats" do
    expect(runs("bars: 6\nrepeat: 1-6\nrepeat: 2-3")).to eq([[1, 3], [2, 6], [1, 3], [2, 6]])
    expect(runs("bars: 4\nrepeat: 1-4\nrepeat: 1-2")).to eq([[1, 2], [1, 4], [1, 2], [1, 4]])
    expect(runs("bars: 5\nrepeat: 1-4 x3\nrepeat: 3-4")).to eq(
      [[1, 4], [3, 4], [1, 4], [3, 4], [1, 4], [3, 5]]
    )
  end

  it "plays a nested repeat with endings inside an outer repeat" do
    expect(runs("bars: 7\nrepeat: 1-7\nrepeat: 2-4\nending 1: 4\nending 2: 5")).to eq(
      [[1, 4], [2, 3], [5, 7], [1, 4], [2, 3], [5, 7]]
    )
  end

  it "goes back to the bar after the previous repeat where no opening sign is printed" do
    expect(runs("bars: 8\nrepeat: to 4\nrepeat: to 8")).to eq([[1, 4], [1, 8], [5, 8]])
    expect(runs("bars: 9\nrepeat: to 4\nending 1: 4\nending 2: 5\nrepeat: to 9")).to eq(
      [[1, 4], [1, 3], [5, 9], [6, 9]]
    )
  end

  it "says how each bar was reached and which time it is played" do
    visits = described_class.read(page("bars: 4\nrepeat: 1-3\nending 1: 3\nending 2: 4")).visits
    expect(visits.map(&:via)).to eq(%i[start next next repeat next ending])
    expect(visits.map(&:time)).to eq([1, 1, 1, 2, 2, 1])
    expect(visits.map(&:pass)).to eq([1, 1, 1, 2, 2, 2])
  end

  it "counts dotted values in compound meters and half notes in cut time" do
    expect(described_class.read(page("bars: 4\ntime: 6/8")).counts_played).to eq(8)
    expect(described_class.read(page("bars: 4\ntime: 2/2")).counts_played).to eq(8)
    expect(described_class.read(page("bars: 4\ntime: 3/8")).counts_played).to eq(12)
  end

  it "converts a printed mark to the counting unit for the time of one playing" do
    map = page("bars: 8\ntime: 6/8\ntempo: marked dotted quarter = 60")
    expect(described_class.read(map).seconds).to eq(16)
    # A quarter at 90 is two thirds of a dotted quarter: 60 beats per minute.
    expect(page("bars: 8\ntime: 6/8\ntempo: marked quarter = 90").target_tempo).to eq(60)
  end

  describe "diagnostics" do
    it "never stop the reading, and name the sign" do
      expect(codes("bars: 8\nending 1: 4")).to include(:ending_outside_repeat)
      expect(codes("bars: 8\nrepeat: 1-4\nending 1: 4\nending 3: 5")).to include(:pass_missing)
      expect(codes("bars: 8\nrepeat: 1-4\nending 1: 4\nending 1: 5")).to include(:pass_twice)
      expect(codes("bars: 12\nrepeat: 1-8\nrepeat: 5-12")).to eq([:repeats_overlap])
    end

    it "name bars that are never played, with the place on the page" do
      reading = described_class.read(page("page 3: 4 4\nrepeat: 1-4\nending 1: 4\nending 3: 5"))
      expect(reading.never_played).to eq([])
      reading = described_class.read(page("page 3: 4 4\nrepeat: 1-4 x2\nending 1: 4\nending 3: 5"))
      expect(reading.never_played).to eq([5])
      expect(reading.diagnostics.map(&:code)).to include(:never_played)
    end

    # Complement rule: common practice, no source.
    it "accept a pickup that the last bar completes, and short bars that meet at a repeat" do
      expect(codes("bars: 8\ntime: 3/4\npickup: 1\nbar 8: 2 counts")).to eq([])
      expect(
        codes(
          "bars: 8\ntime: 3/4\npickup: 1\nbar 4: 2 counts\nbar 5: 1\nbar 8: 2 counts\nrepeat: 0-4"
        )
      ).to eq([])
    end

    it "report a pickup without its complement, with the counts found and expected" do
      found = described_class.read(page("bars: 8\ntime: 3/4\npickup: 1")).diagnostics
      expect(found.map(&:code)).to eq([:complement])
      expect(found.first.message).to include("there are 4 counts where 3 are expected")
    end

    it "report any other short bar" do
      expect(
        described_class.read(page("bars: 8\ntime: 4/4\nbar 3: 2 counts")).diagnostics.map(&:bar)
      ).to eq([3])
    end
  end

  it "never hangs: repeats inside repeats stop at a limit and say so" do
    script = "bars: 40\n#{(1..6).map { |at| "repeat: #{at}-#{41 - at} x9" }.join("\n")}"
    reading = described_class.read(page(script))
    expect(reading.bars_played).to eq(Stairwell::Constants::MOST_VISITS)
    expect(reading.diagnostics.map(&:code)).to include(:too_long)
  end

  it "reads any signs whatever, each bar played or reported" do
    random = Random.new(5)
    300.times do
      bars = random.rand(1..12)
      span = -> { [random.rand(1..bars), random.rand(1..bars)].minmax.join("-") }
      lines =
        Array.new(random.rand(6)) do
          if random.rand(2) == 0
            "repeat: #{span.call}"
          else
            "ending #{random.rand(1..3)}: #{span.call}"
          end
        end
      reading = described_class.read(page("bars: #{bars}\n#{lines.join("\n")}"))
      expect((reading.order.uniq | reading.never_played).sort).to eq((1..bars).to_a)
      expect(reading.bars_played).to be < 5_000
      expect(reading.never_played.empty?).to eq(
        reading.diagnostics.none? { |one| one.code == :never_played }
      )
    end
  end
end
