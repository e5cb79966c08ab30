# frozen_string_literal: true

require_relative "spec_helper"

# Nested repeats are where engraving libraries differ; the check is the tree a
# page was made from.
RSpec.describe "Nested repeats and endings" do
  it "are played as the tree they were made from" do
    pages = Array.new(600) { |seed| NestedPage.new(Random.new(seed)) }
    pages.each_with_index do |page, seed|
      next if page.played.size > 5_000

      reading = Stairwell::Roadmap.read(page.map)
      expect(reading.order).to eq(page.played),
      "seed #{seed}: #{page.map.repeats} #{page.map.endings}\n#{reading.order}\n#{page.played}"
      expect(reading.diagnostics).to eq([])
    end
    nested =
      pages.count do |page|
        page.repeats.permutation(2).any? { |a, b| a.from < b.from && b.to < a.to }
      end
    expect(nested).to be > 150
  end
end
