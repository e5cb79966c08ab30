# frozen_string_literal: true

require_relative "spec_helper"

# Beside two habits of teachers (common practice, no source), under the same students with the
# same minutes, introductions and luck.
RSpec.describe "A plan beside what teachers do without one" do
  # @return [Array<Float>] days it took by the plan, beside those by the habit
  def ratios(habit, count, first)
    [false, true].flat_map do |introduce|
        Lives::KINDS.flat_map { |kind| Array.new(count) { |at| [kind, first + at, introduce] } }
      end
      .map do |kind, seed, introduce|
        planned, other =
          [Teachers::Planned, habit].map do |teacher|
            teacher.new(kind, seed, introduce: introduce).days
          end
        planned.fdiv(other)
      end
  end

  def median(all) =
    all.sort.then { |sorted| (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2 }

  def expect_sooner(count, first, no_later:, sooner:)
    expect(median(ratios(Teachers::EverythingInOrder, count, first))).to be <= no_later
    expect(median(ratios(Teachers::OneNewLayer, count, first))).to be <= sooner
  end

  # Few lives: what they may be off by chance is allowed for.
  it "is done no later than with everything every day in order, and a third sooner than with one new layer a day" do
    expect_sooner(1, 71_000, no_later: 1.1, sooner: 0.75)
  end

  it "is so in the long run", :slow do
    count, before = Slow.part(10)
    next expect_sooner(count, 71_000 + before, no_later: 1.1, sooner: 0.75) unless Slow.whole?

    expect_sooner(count, 71_000, no_later: 1.05, sooner: 2 / 3.0)
  end
end
