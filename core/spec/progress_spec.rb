# frozen_string_literal: true

require_relative "spec_helper"
require "date"

RSpec.describe Stairwell::Progress do
  let(:steps) { Stairwell::Practice.steps(page("bars: 4\nsection A: 1-4")) }
  let(:monday) { Date.new(2027, 3, 1) }

  def mark(day, kind = :repetition, step: "A.right", key: "k#{@key = @key.to_i + 1}", undoes: nil)
    Stairwell::Progress::Mark.new(key: key, step_id: step, date: monday + day, kind: kind, at: Time.utc(2027, 3, 1 + day, 12), undoes: undoes)
  end

  def heard(day, result, step: "A.right", hour: 16)
    Stairwell::Progress::Heard.new(step_id: step, date: monday + day, result: result, at: Time.utc(2027, 3, 1 + day, hour))
  end

  def practised(*days) = days.flat_map { |day| Array.new(5) { mark(day) } }

  def standing(*events, step: "A.right") = described_class.piece(steps, events.flatten).standings[step]

  it "starts open where nothing is needed, waiting elsewhere" do
    expect([standing.state, standing(step: "A.together").state]).to eq(%i[open waiting])
  end

  it "counts a day when all repetitions were done, once, and not when it was a struggle" do
    expect(standing(Array.new(4) { mark(0) }).credited).to eq(0)
    expect(standing(Array.new(4) { mark(0) }).state).to eq(:begun)
    expect(standing(Array.new(9) { mark(0) }).credited).to eq(1)
    expect(standing(practised(0), mark(0, :struggle)).credited).to eq(0)
  end

  describe "smaller, not longer" do
    it "puts an easier form before a step heard not yet, and resumes when that is steady" do
      progress = described_class.piece(steps, [heard(0, :not_yet)])
      smaller = progress.standings["A.right~smaller"]
      expect([smaller.state, smaller.step.good_days, smaller.step.tempo < steps.first.tempo]).to eq([:open, 1, true])
      expect(progress.tasks.find { |task| task.id == "A.right" }.needs).to eq(["A.right~smaller"])
      after = described_class.piece(steps, [heard(0, :not_yet), *practised(1).map { |one| one.with(step_id: "A.right~smaller") }])
      expect(after.standings.values_at("A.right~smaller", "A.right").map(&:state)).to eq(%i[steady open])
    end

    it "does so after two days that were hard, not after one" do
      expect(described_class.piece(steps, [mark(0, :struggle)]).standings).not_to have_key("A.right~smaller")
      expect(described_class.piece(steps, [mark(0, :struggle), mark(1, :struggle)]).standings).to have_key("A.right~smaller")
    end

    it "is gone when the step is steady after all" do
      expect(described_class.piece(steps, [heard(0, :not_yet), heard(7, :steady)]).standings).not_to have_key("A.right~smaller")
    end

    it "is undone with what called for it" do
      struggle = mark(1, :struggle, key: "hard")
      expect(described_class.piece(steps, [mark(0, :struggle), struggle, mark(1, :undo, undoes: "hard")]).standings).not_to have_key("A.right~smaller")
    end
  end

  describe "what comes back" do
    def due(*events, until_day: 13)
      progress = described_class.piece(steps, events.flatten)
      progress.reviews(monday + until_day).map { |one| [one.id, (one.due - monday).to_i] }
    end

    def whole_piece = steps.map(&:id).map { |id| heard(0, :steady, step: id) }

    it "is what is steady, twice in a week, unless something under way holds it" do
      expect(due(whole_piece, until_day: 6)).to match_array(steps.flat_map { |step| [[step.id, 3], [step.id, 6]] })
      # The last step holds all others as long as it is practised.
      but_last = whole_piece.reject { |one| one.step_id == "whole.tempo" }
      expect(due(but_last)).to eq([])
    end

    it "is what is secure at growing distances: 2, 4, 7 days since the time before" do
      secure = steps.map { |step| heard(0, :secure, step: step.id) }
      once = ->(day) { mark(day, step: "whole.tempo") }
      of = ->(*events) { due(secure, *events, until_day: 60).find { |id, _| id == "whole.tempo" }.last }
      expect([of[], of[once[2]], of[once[2], once[6]], of[once[2], once[6], once[13]]]).to eq([2, 6, 13, 27])
    end

    it "is steady again when a review is a struggle" do
      expect(standing(heard(0, :secure), mark(2)).state).to eq(:secure)
      expect(standing(heard(0, :secure), mark(2), mark(2, :struggle)).state).to eq(:steady)
    end
  end

  it "counts the same mark once, and takes undone ones back, in whatever order they arrive" do
    same = mark(0, key: "same")
    expect(standing(Array.new(4) { mark(0) }, same, same).credited).to eq(1)
    undo = mark(0, :undo, undoes: "same")
    expect(standing(undo, Array.new(4) { mark(0) }, same).credited).to eq(0)
  end

  it "becomes steady when all good days are credited, heard or not, and opens what waits" do
    events = [practised(0, 1), heard(2, :steady, step: "A.left")]
    expect(standing(events).state).to eq(:steady)
    expect(standing(events, step: "A.together").state).to eq(:open)
  end

  describe "what is heard at the lesson" do
    it("not heard changes nothing") { expect(standing(practised(0), heard(1, :not_heard)).credited).to eq(1) }

    it "not yet halves the credited days, downwards" do
      expect(standing(practised(0), heard(1, :not_yet)).credited).to eq(0)
      expect(standing(heard(0, :steady), heard(1, :not_yet)).credited).to eq(1)
    end

    it "shaky asks for one more day than is credited" do
      shaky = standing(practised(0, 1), heard(2, :shaky))
      expect([shaky.credited, shaky.good_days, shaky.state]).to eq([2, 3, :begun])
      expect(standing(practised(0), heard(1, :shaky)).good_days).to eq(2)
    end

    it "steady and secure credit all" do
      expect(standing(heard(0, :steady)).state).to eq(:steady)
      expect(standing(heard(0, :secure)).state).to eq(:secure)
      expect(standing(heard(0, :secure), heard(7, :not_yet)).state).to eq(:begun).or eq(:open)
    end

    it "the last word of a lesson holds" do
      expect(standing(heard(0, :not_yet, hour: 16), heard(0, :secure, hour: 17)).state).to eq(:secure)
      expect(standing(heard(0, :secure, hour: 16), heard(0, :not_heard, hour: 17)).state).to eq(:open)
    end
  end

  it "does not depend on the order in which rows arrive" do
    random = Random.new(8)
    40.times do
      events = Array.new(random.rand(1..40)) { mark(random.rand(0..9)) }
      events += Array.new(random.rand(0..5)) { |at| heard(random.rand(0..9), %i[not_yet shaky steady secure not_heard].sample(random: random), hour: at + 8) }
      expect(standing(events.shuffle(random: random))).to eq(standing(events))
    end
  end

  it "measures progress by estimated work" do
    right = steps.find { |step| step.id == "A.right" }
    piece = described_class.piece(steps, [heard(0, :steady)])
    expect(piece.share).to eq(right.work / steps.sum(&:work))
    expect(described_class.piece(steps, []).share).to eq(0)
  end
end
