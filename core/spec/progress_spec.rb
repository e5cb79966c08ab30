# frozen_string_literal: true

require_relative "spec_helper"
require "date"

RSpec.describe Stairwell::Progress do
  let(:steps) { Stairwell::Practice.steps(page("bars: 4\nsection A: 1-4")) }
  let(:two) { Stairwell::Practice.steps(page("bars: 8\nsection A: 1-4\nsection B: 5-8")) }
  let(:monday) { Date.new(2027, 3, 1) }

  def mark(day, kind = :repetition, step: "A.right", key: "k#{@key = @key.to_i + 1}", undoes: nil)
    Stairwell::Progress::Mark.new(
      key: key,
      step_id: step,
      date: monday + day,
      kind: kind,
      at: Time.utc(2027, 3, 1 + day, 12),
      undoes: undoes
    )
  end

  def heard(day, result, step: "A.right", hour: 16)
    Stairwell::Progress::LessonResult.new(
      step_id: step,
      date: monday + day,
      result: result,
      at: Time.utc(2027, 3, 1 + day, hour)
    )
  end

  def practised(*days) = days.flat_map { |day| Array.new(5) { mark(day) } }

  def standing(*events, step: "A.right") =
    described_class.piece(steps, events.flatten).standings[step]

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
      expect([smaller.state, smaller.step.good_days, smaller.step.tempo < steps.first.tempo]).to eq(
        [:open, 1, true]
      )
      expect(progress.tasks.find { |task| task.id == "A.right" }.needs).to eq(["A.right~smaller"])
      after =
        described_class.piece(
          steps,
          [heard(0, :not_yet), *practised(1).map { |one| one.with(step_id: "A.right~smaller") }]
        )
      expect(after.standings.values_at("A.right~smaller", "A.right").map(&:state)).to eq(
        %i[steady open]
      )
    end

    it "does so after two days that were hard, not after one" do
      expect(described_class.piece(steps, [mark(0, :struggle)]).standings).not_to have_key(
        "A.right~smaller"
      )
      expect(
        described_class.piece(steps, [mark(0, :struggle), mark(1, :struggle)]).standings
      ).to have_key("A.right~smaller")
    end

    it "is gone when the step is steady after all" do
      expect(
        described_class.piece(steps, [heard(0, :not_yet), heard(7, :steady)]).standings
      ).not_to have_key("A.right~smaller")
    end

    it "is undone with what called for it" do
      struggle = mark(1, :struggle, key: "hard")
      expect(
        described_class.piece(
          steps,
          [mark(0, :struggle), struggle, mark(1, :undo, undoes: "hard")]
        ).standings
      ).not_to have_key("A.right~smaller")
    end
  end

  describe "the form a step is made smaller in" do
    let(:long) { steps.find { |step| step.id == "A.together" } }

    def simplified(form, hour: 17, **more) =
      Stairwell::Progress::Simplified.new(
        step_id: "A.together",
        form: form,
        at: Time.utc(2027, 3, 1, hour),
        **more
      )

    def form(*events) =
      described_class
        .piece(steps, [heard(0, :not_yet, step: "A.together"), *events])
        .steps
        .find { |step| step.id.include?("~") }

    it "is the teacher's: slower, one hand, half the bars, one bar" do
      expect(Stairwell::Practice::Simplification.forms(long).map(&:form).tally).to eq(
        { slower: 1, right: 1, left: 1, first_half: 1, second_half: 1, bar: 4 }
      )
      expect(form.tempo).to be < long.tempo
      expect(form(simplified(:right))).to have_attributes(
        hands: :right,
        tempo: long.tempo,
        counts: long.counts
      )
      half = form(simplified(:second_half))
      expect([half.spans.map { |span| [span.from, span.to] }, half.counts, half.place]).to eq(
        [[[3, 4]], long.counts / 2, "second half of #{long.place}"]
      )
      expect(half.minutes).to be < long.minutes
      expect(form(simplified(:bar, bar: 3)).spans.flat_map(&:bars)).to eq([3])
    end

    it "is none where the teacher declines it, and the last word holds" do
      expect(form(simplified(:none))).to be_nil
      expect(form(simplified(:none, hour: 18), simplified(:left, hour: 17))).to be_nil
      expect(form(simplified(:none, hour: 17), simplified(:left, hour: 18)).hands).to eq(:left)
    end
  end

  describe "what waits for its introduction" do
    def introduced(what, on = true, hour: 16) =
      Stairwell::Progress::Introduction.new(
        what: what,
        introduced: on,
        at: Time.utc(2027, 3, 1, hour)
      )

    def gated(*events) = described_class.piece(two, events, introduce_first: true)

    it "keeps sections closed until they are shown at a lesson, and joins until both are" do
      expect(gated.tasks.map(&:introduced)).to all(be(false))
      expect(gated.standings["A.right"].state).to eq(:waiting)
      one = gated(introduced("A"))
      expect(one.standings["A.right"].state).to eq(:open)
      expect(one.tasks.select(&:introduced).map(&:id)).to all(start_with("A.")).and(be_any)
      expect(one.introductions.first(2)).to eq([["A", true], ["B", false]])
      joined = gated(introduced("A"), introduced("B")).tasks.select(&:introduced).map(&:id)
      expect(joined).to include(a_string_matching(/join/), a_string_starting_with("whole."))
    end

    it "closes again when that is taken back, and is not there without the introduce_first" do
      expect(
        gated(introduced("A"), introduced("A", false, hour: 17)).standings["A.right"].state
      ).to eq(:waiting)
      expect(described_class.piece(steps, []).tasks.map(&:introduced)).to all(be(true))
    end

    it "keeps a stage closed that opens when it is shown, introduced first or not" do
      shown = steps.map { |step| (step.id == "A.left") ? step.with(introduced_by: :stage) : step }
      expect(described_class.piece(shown, []).standings["A.left"].state).to eq(:waiting)
      expect(described_class.piece(shown, [introduced("left")]).standings["A.left"].state).to eq(
        :open
      )
      expect(described_class.piece(shown, []).introductions).to eq([["left", false]])
    end
  end

  it "takes a day as good by the repetitions the teacher asked for on it" do
    asked = Stairwell::Progress::Asked.new(step_id: "A.right", date: monday, repetitions: 3)
    three = Array.new(3) { mark(0) }
    expect(standing(three).credited).to eq(0)
    expect(standing(three, asked).credited).to eq(1)
    expect(standing(Array.new(5) { mark(1) }, asked).credited).to eq(1)
  end

  describe "what comes back" do
    def due(*events, until_day: 13)
      progress = described_class.piece(steps, events.flatten)
      progress.reviews(monday + until_day).map { |one| [one.id, (one.due - monday).to_i] }
    end

    def whole_piece = steps.map(&:id).map { |id| heard(0, :steady, step: id) }

    it "is what is steady, twice in a week, unless something under way holds it" do
      # The last step holds all others: it is played through, and they with it.
      last = steps.last.id
      expect(due(whole_piece, until_day: 6)).to eq([[last, 3], [last, 6]])
      expect(due(whole_piece.reject { |one| one.step_id == last })).to eq([])
      # Of two sections nothing joins yet, each comes back by itself.
      known =
        described_class.piece(
          two,
          %w[A B].map { |section| heard(0, :steady, step: "#{section}.right") }
        ).reviews(monday + 3)
      expect(known.map(&:id)).to eq(%w[A.right B.right])
    end

    it "is what is secure at growing distances: 2, 4, 7 days since the time before" do
      secure = steps.map { |step| heard(0, :secure, step: step.id) }
      last = steps.last.id
      once = ->(day) { mark(day, step: last) }
      of = ->(*events) { due(secure, *events, until_day: 60).find { |id, _| id == last }.last }
      expect([of[], of[once[2]], of[once[2], once[6]], of[once[2], once[6], once[13]]]).to eq(
        [2, 6, 13, 27]
      )
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
    it("not heard changes nothing") do
      expect(standing(practised(0), heard(1, :not_heard)).credited).to eq(1)
    end

    it "not yet halves the credited days, downwards" do
      expect(standing(practised(0), heard(1, :not_yet)).credited).to eq(0)
      # Hands together take two good days.
      both = ->(*events) { standing(*events, step: "A.together").credited }
      expect(both[heard(0, :steady, step: "A.together")]).to eq(2)
      expect(
        both[heard(0, :steady, step: "A.together"), heard(1, :not_yet, step: "A.together")]
      ).to eq(1)
    end

    it "shaky asks for one more day than is credited" do
      shaky = standing(practised(0), heard(2, :shaky))
      expect([shaky.credited, shaky.good_days, shaky.state]).to eq([1, 2, :begun])
      expect(standing(heard(1, :shaky)).good_days).to eq(1)
    end

    it "steady and secure credit all" do
      expect(standing(heard(0, :steady)).state).to eq(:steady)
      expect(standing(heard(0, :secure)).state).to eq(:secure)
      expect(standing(heard(0, :secure), heard(7, :not_yet)).state).to eq(:waiting)
    end

    it "the last word of a lesson holds" do
      expect(standing(heard(0, :not_yet, hour: 16), heard(0, :secure, hour: 17)).state).to eq(
        :secure
      )
      expect(standing(heard(0, :secure, hour: 16), heard(0, :not_heard, hour: 17)).state).to eq(
        :open
      )
    end
  end

  it "does not depend on the order in which rows arrive" do
    random = Random.new(8)
    40.times do
      events = Array.new(random.rand(1..40)) { mark(random.rand(0..9)) }
      events +=
        Array.new(random.rand(0..5)) do |at|
          heard(
            random.rand(0..9),
            %i[not_yet shaky steady secure not_heard].sample(random: random),
            hour: at + 8
          )
        end
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
