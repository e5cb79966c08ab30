# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# What was marked and heard may come late, twice, undone and in any order: the
# progress is always that of the same rows read from scratch.
RSpec.describe "Progress from rows" do
  let(:steps) do
    Stairwell::Practice.steps(page("bars: 8\nsection A: 1-4\nsection B: 5-8 difficulty 4"))
  end
  let(:first) { Date.new(2027, 3, 1) }

  def mark(random, key, kind = :repetition, **more)
    Stairwell::Progress::Mark.new(
      key: key,
      step_id: steps.sample(random: random).id,
      date: first + random.rand(14),
      kind: kind,
      at: Time.utc(2027, 3, 1) + random.rand(1_000_000),
      **more
    )
  end

  def heard(random, at)
    Stairwell::Progress::LessonResult.new(
      step_id: steps.sample(random: random).id,
      date: first + 7 * random.rand(3),
      result: Stairwell::Progress::RESULTS.sample(random: random),
      at: Time.utc(2027, 3, 1) + at
    )
  end

  # @return [Array] events of one random life; every third mark is taken back, now and then
  #   in the name of another step
  def life(random)
    marks =
      Array.new(random.rand(10..90)) do |at|
        mark(random, "m#{at}", (random.rand(9).zero? ? :struggle : :repetition))
      end
    undone =
      marks
        .select
        .with_index { |_, at| (at % 3).zero? }
        .map
        .with_index do |one, at|
          one.with(
            key: "u#{one.key}",
            kind: :undo,
            undoes: one.key,
            **((at % 4 == 3) ? { step_id: steps.sample(random: random).id } : {})
          )
        end
    marks + undone + Array.new(random.rand(0..9)) { |at| heard(random, at) } +
      [
        Stairwell::Progress::Introduction.new(
          what: "A",
          introduced: true,
          at: Time.utc(2027, 3, 1)
        ),
        Stairwell::Progress::Simplified.new(
          step_id: "A.together",
          form: :left,
          at: Time.utc(2027, 3, 2)
        )
      ]
  end

  def told(events) = told_of(Stairwell::Progress.piece(steps, events, introduce_first: true))

  def told_of(piece)
    {
      standings: piece.standings,
      share: piece.share,
      reviews: piece.reviews(first + 30),
      tasks: piece.tasks,
      days_taken: piece.days_taken,
      introductions: piece.introductions
    }
  end

  it "is the same in whatever order they arrive, and however often" do
    40.times do |seed|
      random = Random.new(seed)
      events = life(random)
      once = told(events)
      expect(told(events.shuffle(random: random))).to eq(once)
      expect(
        told(
          (events + events.select { |one| one.is_a?(Stairwell::Progress::Mark) }).shuffle(
            random: random
          )
        )
      ).to eq(once)
    end
  end

  it "is that of the marks that were not taken back" do
    40.times do |seed|
      events = life(Random.new(seed))
      undone =
        events
          .select { |one| one.is_a?(Stairwell::Progress::Mark) && one.kind == :undo }
          .map(&:undoes)
      without =
        events.reject do |one|
          one.is_a?(Stairwell::Progress::Mark) && (one.kind == :undo || undone.include?(one.key))
        end
      expect(told(events)).to eq(told(without))
    end
  end

  # A piece that was looked at already keeps what it knows of the steps that nothing was
  # said of.
  it "is that of the rows alone, whatever was known before some came or went" do
    60.times do |seed|
      random = Random.new(seed)
      events = life(random).shuffle(random: random)
      looked_at = ->(some) do
        Stairwell::Progress.piece(steps, some, introduce_first: true).tap(&:standings)
      end
      came = events.sample(random.rand(1..12), random: random)
      expect(told_of(looked_at.call(events - came).after(came))).to eq(told(events))
      day = first + random.rand(14)
      dated = ->(event) { event.respond_to?(:date) }
      expect(told_of(looked_at.call(events).before(day))).to eq(
        told(events.reject { |one| dated[one] && one.date >= day })
      )
      heard = events.grep(Stairwell::Progress::LessonResult)
      next if heard.empty?

      day = heard.sample(random: random).date
      expect(told_of(looked_at.call(events).without_results_of(day))).to eq(
        told(events - heard.select { |one| one.date == day })
      )
    end
  end

  # Credits, states and shares hold together whatever happened.
  it "keeps to its bounds" do
    60.times do |seed|
      progress = Stairwell::Progress.piece(steps, life(Random.new(seed)))
      expect(progress.share).to be_between(0, 1)
      progress.standings.each_value do |one|
        expect(one.credited).to be_between(0, one.good_days)
        expect(one.good_days).to be >= one.step.good_days
        expect(one.done?).to eq(one.credited == one.good_days)
        expect(one.good_dates.uniq.size).to eq(one.good_dates.size)
        expect(one.good_dates - one.days.keys).to eq([])
      end
      expect { Stairwell::Planning::Needs.new(progress.tasks) }.not_to raise_error
    end
  end

  it "keeps the marks of steps that stay when the steps are made anew" do
    events =
      Array.new(5) do |at|
        Stairwell::Progress::Mark.new(
          key: "k#{at}",
          step_id: "A.right",
          date: first,
          kind: :repetition,
          at: first.to_time
        )
      end
    before = Stairwell::Progress.piece(steps, events)
    after =
      before.with_steps(
        Stairwell::Practice.steps(
          page("bars: 12\nsection A: 1-4\nsection B: 5-10\nsection C: 11-12")
        )
      )
    expect(after.standings["A.right"].credited).to eq(before.standings["A.right"].credited)
    expect(after.standings.keys).to include("C.right")
  end
end
