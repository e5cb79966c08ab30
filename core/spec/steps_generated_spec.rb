# frozen_string_literal: true

require_relative "spec_helper"

# What holds of the steps of any piece whatever.
RSpec.describe "Steps of generated pieces" do
  def random_script(random)
    sections = random.rand(1..6)
    lines = (1..sections).map { 4 }
    labels = %w[A B C D E F].first(sections)
    said =
      labels.each_with_index.map do |label, at|
        like =
          if at.positive? && random.rand(2) == 0
            [
              "like #{labels[random.rand(at)]}",
              "except #{at * 4 + random.rand(1..4)}",
              %w[moved rhythm].sample(random: random)
            ].values_at(0, *[[], [1], [2]].sample(random: random)).join(" ")
          end
        "section #{label}: #{at * 4 + 1}-#{at * 4 + 4} #{like} difficulty #{random.rand(1..5)}"
      end
    repeat = "repeat: 1-#{random.rand(1..sections) * 4}" if random.rand(2) == 0
    ["page 1: #{lines.join(" ")}", repeat, *said].compact.join("\n")
  end

  let(:cases) do
    random = Random.new(17)
    Array.new(120) do
      choices =
        Stairwell::Practice::Choices.new(
          hand_order: %i[right left].sample(random: random),
          target_tempo: random.rand(40..160).to_r,
          pace: random.rand(1..4) / 2r
        )
      page(random_script(random)).then do |map|
        [map, Stairwell::Practice.steps(map, choices: choices), choices]
      end
    end
  end

  it "have ids of their own, and needs that exist and never form a circle" do
    cases.each do |_, steps, _|
      ids = steps.map(&:id)
      expect(ids.uniq).to eq(ids)
      tasks = Stairwell::Progress.piece(steps, []).tasks
      expect { Stairwell::Planning::Needs.new(tasks) }.not_to raise_error
    end
  end

  it "lead to the whole piece: it needs everything, directly or not" do
    cases.each do |_, steps, _|
      by_id = steps.to_h { |step| [step.id, step] }
      reach = ->(id, seen = Set.new) do
        (
          (by_id[id].needs + by_id[id].after).each { |one| reach.call(one, seen) } if seen.add?(id)
        ) and seen
      end
      seen = Set.new
      reach.call(steps.last.id, seen)
      expect(seen).to eq(by_id.keys.to_set)
    end
  end

  it "cost whole half minutes, at least one good day, at metronome marks up to the target tempo" do
    cases.each do |_, steps, choices|
      steps.each do |step|
        exact = step.repetitions * (step.counts * 60 / step.tempo + 8) / 60
        expect((step.minutes * 2).denominator).to eq(1)
        expect(step.minutes).to be_between(exact, exact + 1 / 2r)
        expect(step.good_days).to be >= 1
        expect(step.tempo).to be <= choices.target_tempo
      end
    end
  end

  it "cover every bar that is not the same as an earlier one" do
    cases.each do |map, steps, _|
      covered =
        steps
          .select { |step| step.stage == :together }
          .flat_map { |step| step.spans.flat_map(&:bars) }
      share = Stairwell::Sections.new_share(map)
      fresh = map.bars.map(&:index).reject { |bar| share.relation(bar) == :same }
      expect(fresh - covered).to eq([])
    end
  end

  it "take longer for harder sections and slower students, never shorter" do
    days = ->(difficulty, pace) do
      map = page("bars: 4\nsection A: 1-4 difficulty #{difficulty}")
      Stairwell::Practice.steps(map, choices: Stairwell::Practice::Choices.new(pace: pace)).sum(
        &:good_days
      )
    end
    expect((1..5).map { |difficulty| days.call(difficulty, 1r) }.each_cons(2)).to all(
      satisfy { |a, b| a <= b }
    )
    expect([1 / 2r, 1r, 2r].map { |pace| days.call(3, pace) }.each_cons(2)).to all(
      satisfy { |a, b| a < b }
    )
  end
end
