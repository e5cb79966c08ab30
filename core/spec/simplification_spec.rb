# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/generated_page"
require "demo/pieces"

# Smaller, not longer: every easier form really is less.
RSpec.describe Stairwell::Practice::Simplification do
  let(:steps) do
    maps = Demo::Pieces.all.map { |piece| page("#{Stairwell::Formats::PageScript.write(piece.map)}#{piece.sections.map { |one| "section #{one}\n" }.join}") }
    maps.flat_map { |map| Stairwell::Practice::ROUTINES.values.flat_map { |routine| Stairwell::Practice.steps(map, routine: routine) } }
  end

  def forms(step) = described_class.forms(step).map { |form| described_class.of(step, form.form, bar: form.bar) }

  it "counts bars as one says them" do
    long = described_class.forms(steps.first.with(spans: [Stairwell::Score::Span.new(from: 1, to: 23)])).map(&:words)
    expect(long).to include("only its first bar", "only its 11th bar", "only its 21st bar", "only its 22nd bar", "only its 23rd bar")
  end

  it "is slower, shorter, one hand or less often, and costs one good day" do
    steps.each do |step|
      forms(step).each do |smaller|
        less = [
          smaller.tempo && step.tempo && smaller.tempo < step.tempo, smaller.counts < step.counts, smaller.hands != step.hands, smaller.repetitions < step.repetitions
        ]
        expect(less.count(true)).to be >= 1, "#{step.id} as #{smaller.id}"
        expect([smaller.good_days, (smaller.minutes * 2).denominator]).to eq([1, 1])
        expect(smaller.minutes).to be_positive
      end
    end
  end

  it "has an id of its own for each form, so that marks of one do not count for another" do
    steps.each do |step|
      ids = forms(step).map(&:id)
      expect(ids.uniq).to eq(ids)
      expect(ids).to all(start_with("#{step.id}~smaller"))
    end
  end

  it "covers the whole step with its two halves, and each bar with one of the bars" do
    steps.each do |step|
      bars = step.spans.flat_map(&:bars)
      next if bars.size < 2

      halves = %i[first_half second_half].map { |form| described_class.of(step, form).spans.flat_map(&:bars) }
      expect(halves.flatten.uniq.sort).to eq(bars.uniq.sort)
      singles = described_class.forms(step).select { |form| form.form == :bar }.map { |form| described_class.of(step, :bar, bar: form.bar).spans.flat_map(&:bars) }
      expect(singles.flatten).to eq(bars)
    end
  end

  it "offers one hand only where both play" do
    steps.each do |step|
      offered = described_class.forms(step).map(&:form) & %i[right left]
      expect(offered.any?).to eq(step.hands == :both && step.actions.values.all?(:play))
    end
  end

  it "takes the likeliest form where a step has not the one that was asked for" do
    silent = steps.find { |step| step.tempo.nil? }
    expect(described_class.of(silent, :slower).repetitions).to be <= silent.repetitions
  end
end
