# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/small_score"

# Small files, each with the order in which a musician plays it, after what the MusicXML 4.0
# specification says of repeat, ending, segno, coda and sound (from memory), and common practice of
# print where the specification is silent. Each line: what it is, the bars, the order.
RSpec.describe "The playing order of a score" do
  rows =
    File
      .readlines(File.join(__dir__, "fixtures/playing_order.txt"), chomp: true)
      .reject { |line| line.empty? || line.start_with?("#") }
  cases = rows.map { |line| line.split(/\s*;\s*/) }

  it "has at least two hundred of them, no two alike" do
    expect(cases.size).to be >= 200
    expect(cases.map { |_, bars, _| bars }.tally.select { |_, count| count > 1 }).to eq({})
  end

  cases.each do |what, bars, order|
    it "is #{order} for #{what}: #{bars}" do
      expected =
        order.split.flat_map do |one|
          one.include?("-") ? Range.new(*one.split("-").map(&:to_i)).to_a : [one.to_i]
        end
      map = Stairwell::Formats::MusicXML.read(SmallScore.write(bars))
      expect(Stairwell::Roadmap.read(map).order).to eq(expected)
      # What was read can be written as a page, and is the same page again.
      script = Stairwell::Formats::PageScript.write(map)
      expect(Stairwell::Roadmap.read(Stairwell::Formats::PageScript.read!(script)).order).to eq(
        expected
      )
      expect(
        Stairwell::Score::Document.read(JSON.generate(Stairwell::Score::Document.dump(map)))
      ).to eq(map)
    end
  end
end
