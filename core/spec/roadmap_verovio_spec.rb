# frozen_string_literal: true

require_relative "spec_helper"

# Outside check: verovio's timemap on generated scores. It sees only the
# MusicXML text; we see the text through our reader.
RSpec.describe "Playing order beside verovio" do
  def compare(count, seed)
    maps = Array.new(count) { |at| GeneratedPage.new(Random.new(seed + at)).map }
    texts = maps.map { |map| Stairwell::Formats::MusicXML.write(map) }
    ours =
      texts.map { |text| Stairwell::Roadmap.read(Stairwell::Formats::MusicXML.read(text)).order }
    theirs = Verovio.orders(texts)
    differing = (0...count).reject { |at| ours[at] == theirs[at] }
    expect(
      differing.map do |at|
        {
          seed: seed + at,
          ours: ours[at],
          theirs: theirs[at],
          map: maps[at].repeats + maps[at].endings
        }
      end
    ).to eq([])
    # The generated pages must really hold what is to be checked.
    expect(maps.count { |map| map.repeats.any?(&:times) }).to be > count / 8
    expect(maps.count { |map| map.endings.any? { |ending| ending.passes == [3] } }).to be >
      count / 8
  end

  it("agrees on repeats and endings, twice and three times") { compare(200, 7_000) }

  it("agrees on two thousand more", slow: true) do
    Slow.part(2_000).then { |count, before| compare(count, 100_000 + before) }
  end
end
