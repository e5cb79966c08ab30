# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/generated_page"
require "demo/pieces"

# Smaller, not longer: every easier form really is less.
RSpec.describe Stairwell::Practice::Simplification do
  let(:steps) do
    maps =
      Demo::Pieces.all.map do |piece|
        page(
          "#{Stairwell::Formats::PageScript.write(piece.map)}#{piece.sections.map { |one| "section #{one}\n" }.join}"
        )
      end
    maps.flat_map do |map|
      Stairwell::Practice::ROUTINES.values.flat_map do |routine|
        Stairwell::Practice.steps(map, routine: routine)
      end
    end
  end

  def forms(step) =
    described_class.forms(step).map { |form| described_class.of(step, form.form, bar: form.bar) }

  it "counts bars as one says them" do
    long =
      described_class.forms(
        steps.first.with(spans: [Stairwell::Score::Span.new(from: 1, to: 23)])
      ).map(&:words)
    expect(long).to include(
      "only its first bar",
      "only its 11th bar",
      "only its 21st bar",
      "only its 22nd bar",
      "only its 23rd bar"
    )
  end

  it "is slower, shorter, one hand or less often, and costs one good day" do
    steps.each do |step|
      forms(step).each do |smaller|
        less = [
          smaller.tempo && step.tempo && smaller.tempo < step.tempo,
          smaller.counts < step.counts,
          smaller.hands != step.hands,
          smaller.repetitions < step.repetitions
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

      halves =
        %i[first_half second_half].map do |form|
          described_class.of(step, form).spans.flat_map(&:bars)
        end
      expect(halves.flatten.uniq.sort).to eq(bars.uniq.sort)
      singles =
        described_class
          .forms(step)
          .select { |form| form.form == :bar }
          .map { |form| described_class.of(step, :bar, bar: form.bar).spans.flat_map(&:bars) }
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

  # 85 % of what did not go, on the metronome's marks (40, 42 … 60, 63 …); at most what went.
  describe "by what was heard" do
    let(:step) do
      Stairwell::Practice.steps(page("bars: 4\ntempo: target 120\nsection A: 1-4")).first
    end

    def slower(*heard)
      results =
        heard.each_with_index.map do |(result, tempo), day|
          Stairwell::Progress::LessonResult.new(
            step_id: step.id,
            date: Date.new(2027, 3, 3) + 7 * day,
            result: result,
            at: Time.utc(2027, 3, 3 + 7 * day),
            tempo: tempo
          )
        end
      Stairwell::Progress
        .piece([step], results)
        .steps
        .find { |one| described_class.form?(one.id) }
        .tempo
    end

    it "is slower than the tempo at which it did not go, and no faster than one at which it went" do
      expect(step.tempo).to eq(72)
      expect(slower([:not_yet, nil])).to eq(60) # 61.2
      expect(slower([:not_yet, 72])).to eq(60)
      expect(slower([:not_yet, 60])).to eq(50) # 51
      expect(slower([:not_yet, 60], [:shaky, 46])).to eq(46)
      expect(slower([:shaky, 46], [:not_yet, nil])).to eq(46) # nobody said how fast since
      expect(slower([:not_yet, 144])).to eq(60) # never faster than the easier form would be anyway
    end
  end
end
