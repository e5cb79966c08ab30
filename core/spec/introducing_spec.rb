# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

RSpec.describe "What to introduce today" do
  include Records

  let(:studio) { Stairwell::Studio }
  let(:map) do
    page(
      "title: Eel Weir\nbars: 16\ntempo: target 76\nsection A: 1-4\nsection B: 5-8 difficulty 5\nsection C: 9-12\nsection D: 13-16"
    )
  end

  def having(choices = {})
    made = record
    progress = Stairwell::Progress.piece(Stairwell::Practice.steps(map), [], introduce_first: true)
    piece =
      made.pieces.first.with(
        choices: studio::SectionOrder.settled(choices, map),
        introduce_first: true,
        progress: progress,
        page: studio::Page.new(document: JSON.generate(Stairwell::Score::Document.dump(map)))
      )
    made.with(pieces: [piece])
  end

  def introduced(record, *what)
    what.inject(record) do |all, one|
      studio.introduce(
        all,
        assignment_id: 7,
        what: one,
        introduced: true,
        key: "really #{one}"
      ).record
    end
  end

  it "is nothing, the next section, two, or another, in the order in which they are begun" do
    expect(studio::Introducing.new(having).to_a.map(&:what)).to eq(
      [[], %w[A], %w[A B], %w[B], %w[C]]
    )
    expect(studio::Introducing.new(having("section_order" => "hardest")).to_a.map(&:what)).to eq(
      [[], %w[B], %w[B A], %w[A], %w[C]]
    )
    expect(studio::Introducing.new(introduced(having, "A", "B", "C")).to_a.map(&:what)).to eq(
      [[], %w[D]]
    )
    expect(studio::Introducing.new(introduced(having, "A", "B", "C", "D")).to_a).to eq([])
    expect(studio::Introducing.new(record).to_a).to eq([]) # where sections open by themselves
  end

  it "says what really comes when it is introduced: the steps that begin, the minutes of a day, the dates" do
    before = introduced(having, "A")
    choices = studio::Introducing.new(before).to_a
    expect(choices.size).to eq(5)
    choices.each do |one|
      after = introduced(before, *one.what)
      week = studio::Workload.new(after).planned_week
      begins = week.days.flat_map(&:items).select(&:begins).map { |item| item.title.to_s }.uniq
      expect(one.begins.map(&:to_s)).to match_array(begins)
      needed =
        week.days.sum do |day|
          day.warm_ups.sum(&:minutes) +
            day.items.reject { |item| item.kind == :more }.sum(&:minutes)
        end / week.days.size
      expect(one).to have_attributes(
        minutes: Stairwell::Units.halves(needed),
        budget: 20r,
        piece: "The Lock Gate",
        assignment_id: 7
      )
      expect([one.likely, one.cautious]).to eq(
        studio::Outlooks
          .new(after)
          .to_h
          .fetch(7)
          .then { |outlook| [outlook.likely, outlook.cautious] }
      )
    end
  end

  it "shows what more of it costs and gives" do
    nothing, one, two = studio::Introducing.new(introduced(having, "A")).to_a
    expect([nothing, one, two].map(&:what)).to eq([[], %w[B], %w[B C]])
    expect([nothing, one, two].map(&:minutes)).to eq([nothing, one, two].map(&:minutes).sort)
    expect(nothing.minutes).to be < one.minutes
    expect(one.begins.map(&:to_s)).to include("B, right hand")
    expect(nothing.begins.map(&:to_s).grep(/B/)).to be_empty
    expect(two.likely).to be <= nothing.likely
  end
end
