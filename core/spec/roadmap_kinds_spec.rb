# frozen_string_literal: true

require_relative "spec_helper"

# Outside check: roadmaps of every kind beside verovio's timemap. Where the two
# differ, one of our rules must be at work on that page, by its name; all other
# pages must agree, and up to the jump every page must.
RSpec.describe "Roadmaps of every kind beside verovio" do
  rules = {
    # Fine and To Coda inside a repeat are heeded on its last pass.
    leaving_a_repeat: ->(map, _, _, _) do
      (map.fine + map.to_coda).any? do |bar|
        Stairwell::Roadmap::Repeats.of(map).loops.any? { |loop| bar.between?(loop.from, loop.last) }
      end
    end,
    # After a jump, repeats met before it are played once, with the last ending
    # (common practice); the library takes first endings and repeats again.
    repeats_after_a_jump: ->(map, order, at, _) do
      again = order.drop(at)
      Stairwell::Roadmap::Repeats
        .of(map)
        .loops
        .any? { |loop| again.any? { |bar| bar.between?(loop.from, loop.last) } }
    end,
    # A repeat first met in the coda is taken in full.
    repeat_in_the_coda: ->(map, _, _, _) do
      map.coda.any? && map.repeats.any? { |repeat| repeat.to >= map.coda.first }
    end,
    # Each jump is taken once; the library takes a dal segno al coda again where
    # To Coda follows the sign with no repeat between.
    each_jump_once: ->(map, order, _, theirs) do
      map.jumps.any? { |jump| theirs.count(jump.after) > order.count(jump.after) }
    end
  }

  compare =
    lambda do |count, seed|
      maps = Array.new(count) { |at| GeneratedRoadmap.new(Random.new(seed + at)).map }
      texts = maps.map { |map| Stairwell::Formats::MusicXML.write(map) }
      readings =
        texts.map { |text| Stairwell::Roadmap.read(Stairwell::Formats::MusicXML.read(text)) }
      maps
        .each_index
        .zip(Verovio.orders(texts))
        .map { |at, theirs| { map: maps[at], reading: readings[at], theirs: theirs } }
    end

  shared_examples "explained" do |count, seed|
    it "agree, or differ by a named rule, on #{count} pages" do
      found = compare.call(count, seed).select { |page| page[:theirs] }
      # on the rest, one or two of a hundred, the library itself fails
      expect(found.size).to be > count * 95 / 100
      unexplained =
        found.filter_map do |page|
          order = page[:reading].order
          expect(order).to eq(Stairwell::Roadmap.read(page[:map]).order)
          jump =
            page[:reading].visits.index { |visit| %i[da_capo dal_segno].include?(visit.via) } ||
              order.size
          next if order == page[:theirs]

          page[:rule] = rules
            .find { |_, at_work| at_work.call(page[:map], order, jump, page[:theirs]) }
            &.first
          inside =
            page[:rule] == :leaving_a_repeat || page[:theirs].first(jump) == order.first(jump)
          unless page[:rule] && inside
            [Stairwell::Formats::PageScript.write(page[:map]), order, page[:theirs]]
          end
        end
      expect(unexplained).to eq([])
      # Most pages must really be compared, with a jump and without.
      same = found.select { |page| page[:reading].order == page[:theirs] }
      expect(same.size).to be > count / 2
      expect(same.count { |page| page[:map].jumps.any? }).to be > count / 4
    end
  end

  include_examples "explained", 200, 3_000

  describe("many more", slow: true) do
    Slow.part(2_000).then { |count, before| include_examples "explained", count, 50_000 + before }
  end
end
