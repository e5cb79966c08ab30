# frozen_string_literal: true

require_relative "spec_helper"
require "demo/notation"

# What makes a join hard: a jump, a page turn, a hand that has to move without time for it; that the
# music goes on without a rest is normal (common practice, no source).
RSpec.describe "Joins" do
  let(:two) { "bars: 8\nsection A: 1-4\nsection B: 5-8" }

  # Bar 4 of A runs into bar 5 of B.
  def map(right, left, script = two)
    around = ->(music) { "-w | -w | -w | #{music} | -w | -w | -w" }
    page(script).with(notes: Demo::Notation.hands(around[right], around[left]))
  end

  def facts(right, left, script: two, from: "A")
    made = map(right, left, script)
    join = Stairwell::Sections.form(made).joins.find { |one| one.from == from }
    Stairwell::Sections::Joins.new(made).facts(join)
  end

  it "are easy where no hand leaves its place, though nobody rests" do
    found = facts("C4q D4q E4q F4q | G4q F4q E4q D4q", "C3h G3h | E3h C3h")
    expect(found).to have_attributes(
      rest_counts: 0,
      leap: {
        right: 2,
        left: 3
      },
      moves: [],
      hard?: false
    )
  end

  it "are hard where a hand leaps at once, and not where it has a count to move" do
    expect(facts("C4q D4q E4q F4q | F5q E5q D5q C5q", "C3w | C3w")).to have_attributes(
      moves: [:right],
      time: {
        right: 0,
        left: 3
      },
      hard?: true
    )
    expect(facts("C4q D4q E4q -q | F5q E5q D5q C5q", "C3w | C3w")).to have_attributes(
      moves: [:right],
      time: {
        right: 1,
        left: 3
      },
      hard?: false
    )
    # The other hand's rest gives it no time; a rest behind the bar line does.
    expect(facts("C4q D4q E4q F4q | F5q E5q D5q C5q", "-w | C3w").hard?).to be(true)
    expect(facts("C4q D4q E4q F4q | -q E5q D5q C5q", "C3w | C3w")).to have_attributes(
      time: {
        right: 1,
        left: 3
      },
      hard?: false
    )
  end

  it "give a hand time by a long note, which may be let go, and by a fermata" do
    expect(facts("C4h. F4q | F5w", "C3w | C3w").hard?).to be(true)
    expect(facts("C4h F4h | F5w", "C3w | C3w")).to have_attributes(
      time: {
        right: 1,
        left: 3
      },
      hard?: false
    )
    held = "bars: 8\nsection A: 1-4\nsection B: 5-8\nfermata: 4 beat 4 for 1"
    expect(facts("C4h. F4q | F5w", "C3w | C3w", script: held)).to have_attributes(
      time: {
        right: 1,
        left: 4
      },
      hard?: false
    )
  end

  it "are hard at a page turn and at a jump, whatever the hands do" do
    expect(
      facts(
        "C4w | C4w",
        "C3w | C3w",
        script: "page 1: 4\npage 2: 4\nsection A: 1-4\nsection B: 5-8"
      ).hard?
    ).to be(true)
    back =
      facts(
        "C4w | C4w",
        "C3w | C3w",
        script: "bars: 8\nda capo: 8\nfine: 4\nsection A: 1-4\nsection B: 5-8",
        from: "B"
      )
    expect(back).to have_attributes(jump: true, hard?: true)
    expect(back.join).to have_attributes(from: "B", to: "A")
  end

  describe "as steps" do
    def joins(script) = Stairwell::Practice.steps(page(script)).select(&:join)

    it "are the same where the same contents are joined" do
      repeated =
        "bars: 16\nsection A: 1-4\nsection B: 5-8\nsection A1: 9-12 like A\nsection B1: 13-16 like B"
      expect(joins(repeated).map(&:parts)).to eq([%w[A B], %w[B A1]])
      varied = repeated.sub("like B", "like B except 16")
      expect(joins(varied).map(&:parts)).to eq([%w[A B], %w[B A1], %w[A1 B1]])
    end

    # The right hand leaps from F4 to F5 at once; the left stays where it is.
    it "are done by the hand that hurries first, where hands were learnt apart" do
      leap = map("C4q D4q E4q F4q | F5q E5q D5q C5q", "C3w | C3w", "#{two}\ntempo: target 80")
      steps = ->(key, choices = Stairwell::Practice::Choices.new) do
        Stairwell::Practice
          .steps(leap, routine: Stairwell::Practice::ROUTINES.fetch(key), choices: choices)
          .to_h { |step| [step.id, step] }
      end
      by_hand = steps["hand_by_hand"]
      expect(by_hand.values.select(&:join).map(&:id)).to eq(%w[A-B@4.join_right A-B@4.join])
      alone = by_hand["A-B@4.join_right"]
      expect([alone.hands, alone.good_days, alone.needs.sort, alone.actions]).to eq(
        [:right, 1, %w[A.right B.right], { right: :play, left: :silent }]
      )
      expect(alone.title).to eq("A to B, the join, right hand")
      expect(by_hand["A-B@4.join"].after).to include("A-B@4.join_right")
      # Who learns with both hands at once joins with both at once.
      expect(steps["aspect_by_aspect"].keys.grep(/join/)).to eq(["A-B@4.join"])
      rest = Stairwell::Practice.steps(map("C4q D4q E4q -q | F5q E5q D5q C5q", "C3w | C3w"))
      expect(rest.select(&:join).map(&:id)).to eq(["A-B@4.join"])
    end

    it "are not where only one of them turns the page" do
      turned =
        "page 1: 4 4 4\npage 2: 4\nsection A: 1-4\nsection B: 5-8\nsection A1: 9-12 like A\nsection B1: 13-16 like B"
      expect(joins(turned).map { |step| [step.parts, step.hard] }).to eq(
        [[%w[A B], false], [%w[B A1], false], [%w[A1 B1], true]]
      )
    end

    it "are waited for by what grows out of the same contents, and by the whole" do
      steps =
        Stairwell::Practice.steps(
          page(
            "bars: 24\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection A1: 13-16 like A\nsection B1: 17-20 like B\nsection D: 21-24"
          )
        )
      join = steps.find { |step| step.parts == %w[A B] && step.join }
      grown =
        steps.select do |step|
          step.id.end_with?(".grow") && (step.after | step.needs).include?(join.id)
        end
      expect(grown.map(&:parts)).to include(%w[A B])
      whole = steps.find { |step| step.id == "whole.whole" }
      expect(steps.select(&:join).map(&:id) - whole.needs).to eq([])
    end

    it "grow at the cost of what is new: exact repeats take a quarter of the days" do
      once =
        "bars: 32\nsection A: 1-8 difficulty 5\nsection B: 9-16 difficulty 5\nsection A1: 17-24 like A\nsection B1: 25-32 like B"
      routine =
        Stairwell::Practice::HAND_BY_HAND.then do |one|
          one.with(
            stages:
              one.stages.map do |stage|
                (stage.scope == :growing) ? stage.with(good_days: 4) : stage
              end
          )
        end
      days =
        Stairwell::Practice
          .steps(page(once), routine: routine)
          .select { |step| step.id.end_with?(".grow") }
          .to_h { |step| [step.parts, step.good_days] }
      expect(days).to eq(%w[A B] => 4, %w[A1 B1] => 1)
    end
  end
end
