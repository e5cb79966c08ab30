# frozen_string_literal: true

require_relative "spec_helper"

# What would make a late piece ready in time: the smallest set of changes.
RSpec.describe "What would help" do
  due = Date.new(2027, 5, 1)

  describe "among changes" do
    # Every change takes so many days off; the search does not know.
    def search(gains, late_by:, due: Date.new(2027, 5, 1), kinds: {})
      now = due + late_by
      tried = []
      changes =
        gains.keys.map do |id|
          Stairwell::Planning::Options::Change.new(id: id, kind: kinds.fetch(id, id), words: id)
        end
      found =
        Stairwell::Planning::Options
          .new(changes, now: now, due: due) do |ids|
            tried << ids
            now - gains.values_at(*ids).sum
          end
          .to_a
      [found, tried]
    end

    it "is one where one is enough, the soonest first, at most three" do
      found, tried = search({ "a" => 3, "b" => 12, "c" => 10, "d" => 11, "e" => 20 }, late_by: 10)
      expect(found.map { |one| [one.change, one.days_sooner, one.reaches] }).to eq(
        [["e", 20, true], ["b", 12, true], ["d", 11, true]]
      )
      expect(tried.map(&:size).max).to eq(1)
    end

    it "is two where it takes two, and only sets that reach it" do
      found, = search({ "a" => 3, "b" => 6, "c" => 5, "d" => -2 }, late_by: 9)
      expect(found.map { |one| [one.change, one.date, one.reaches] }).to eq(
        [["b+c", due - 2, true], ["b+a", due, true]]
      )
      expect(found.first.words.to_s).to eq("b and c")
    end

    it "is what comes nearest where three do not reach it, with one and two beside, never two of a kind" do
      found, tried = search({ "a" => 3, "b" => 6, "c" => 5 }, late_by: 90)
      expect(found.map { |one| [one.change, one.reaches] }).to eq(
        [["b+c+a", false], ["b+c", false], ["b", false]]
      )
      expect(tried.size).to eq(3 + 3 + 1)
      _, alike =
        search(
          { "a" => 3, "b" => 6, "c" => 5 },
          late_by: 90,
          kinds: {
            "a" => "minutes",
            "b" => "minutes"
          }
        )
      expect(alike).not_to include(%w[b a], %w[a b])
    end

    it "is nothing where nothing helps, and helps where it is never ready now" do
      expect(search({ "a" => 0, "b" => -4 }, late_by: 5).first).to eq([])
      changes = [Stairwell::Planning::Options::Change.new(id: "a", kind: "a", words: "a")]
      expect(
        Stairwell::Planning::Options
          .new(changes, now: nil, due: due) { due }
          .to_a
          .map { |one| [one.days_sooner, one.reaches] }
      ).to eq([[nil, true]])
    end
  end

  describe "a student" do
    include Records

    def late(by, **settings)
      made = record(**settings)
      piece = made.pieces.first
      cautious = Stairwell::Studio::Outlooks.new(made).to_h.fetch(7).cautious
      made.with(pieces: [piece.with(due_on: cautious - by, newest_page: piece.page)])
    end

    def ways(record) = Stairwell::Studio::WaysOut.new(record, record.pieces.first)

    it "has the date that is foretold once it is taken, with every other piece in the plan" do
      now = late(40, minutes_a_day: 12)
      found = ways(now).to_a
      expect(found).not_to be_empty
      found.each do |one|
        taken = ways(now).take(one.change)
        expect(Stairwell::Studio::Outlooks.new(taken).to_h.fetch(7).cautious).to eq(one.date)
      end
    end

    it "is nothing where it is in time, and refuses what does not help" do
      in_time = late(0)
      expect(ways(in_time).to_a).to eq([])
      expect { ways(late(10)).take("no_pedal") }.to raise_error(Stairwell::RefusedError)
      expect { ways(late(10)).take("day_9") }.to raise_error(Stairwell::RefusedError)
      # Its own days are no more days.
      expect { ways(late(10)).take("day_4") }.to raise_error(Stairwell::RefusedError)
    end

    it "may practise more days, or longer where that holds it up" do
      changes = ->(**settings) { ways(late(60, **settings)).send(:changes).map(&:id) }
      expect(changes.call(minutes_a_day: 5)).to include("minutes_5", "minutes_10", "minutes_15")
      expect(changes.call(practice_days: [1, 4]).grep(/day/).size).to eq(2)
      expect(changes.call(practice_days: (0..6).to_a).grep(/day/)).to eq([])
    end
  end
end
