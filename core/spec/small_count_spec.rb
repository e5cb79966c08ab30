# frozen_string_literal: true

require_relative "spec_helper"

# In cut time one counts four first and feels two later: common practice, no source. That what
# is slower than four fifths of the target tempo is counted small is our own choice.
RSpec.describe "Small counts" do
  let(:cut) do
    page("title: Punt Pole\nbars: 8\ntime: 2/2\ntempo: target 80\nsection A: 1-4\nsection B: 5-8")
  end

  def notes(steps, id) = steps.find { |step| step.id == id }.notes.map(&:to_s)

  it "are four to the bar in cut time while it is slow, two from then on, each as steps" do
    steps = Stairwell::Practice.steps(cut)
    expect(steps.select(&:small_count).map(&:stage).uniq).to eq(%i[right left together join])
    expect(notes(steps, "B.together")).to eq(
      ["count 4 to the bar at first, with the metronome 2 times as fast"]
    )
    expect(notes(steps, "B.faster")).to eq(["count 2 to the bar now, no longer 4"])
    # The ladder goes on in two, and has said so below.
    expect(
      steps.select { |step| step.stage == :tempo }.flat_map(&:notes).uniq.map(&:to_s)
    ).to contain_exactly(/three times clean/)
    # Every step in two waits for one in four on the same bars.
    faster = steps.find { |step| step.id == "A.faster" }
    expect(faster.needs.map { |id| steps.find { |one| one.id == id }.small_count }).to include(true)
    Stairwell::Locales.with("en-US") do
      expect(notes(steps, "A.together")).to include(
        "count 4 to the measure at first, with the metronome 2 times as fast"
      )
    end
  end

  it "are none in other meters, unless a stage asks for six in 6/8" do
    %w[4/4 3/4 6/8].each do |time|
      steps =
        Stairwell::Practice.steps(page("bars: 4\ntime: #{time}\ntempo: target 80\nsection A: 1-4"))
      expect([steps.any?(&:small_count), steps.flat_map(&:notes).grep(/count/)]).to eq([false, []])
    end
    stages =
      Stairwell::Practice::HAND_BY_HAND.stages.map do |stage|
        (stage.key == :right) ? stage.with(small_count: true) : stage
      end
    routine = Stairwell::Practice::HAND_BY_HAND.with(stages: stages)
    swing =
      Stairwell::Practice.steps(
        page("bars: 4\ntime: 6/8\ntempo: target 80\nsection A: 1-4"),
        routine: routine
      )
    expect(swing.select(&:small_count).map(&:id)).to eq(["A.right"])
    expect(notes(swing, "A.right")).to eq(
      ["count 6 to the bar at first, with the metronome 3 times as fast"]
    )
    flat =
      Stairwell::Practice.steps(
        page("bars: 4\ntime: 3/4\ntempo: target 80\nsection A: 1-4"),
        routine: routine
      )
    expect(flat.none?(&:small_count)).to be(true)
  end

  # At 60 half notes a minute a bar of cut time takes 2 s, a click of four half of one.
  it "are what clicks, as long as the step takes either way" do
    clicks = ->(small) do
      Stairwell::Roadmap.playback(
        cut,
        tempo: 60,
        spans: [Stairwell::Score::Span.new(from: 1, to: 2)],
        small: small
      )
    end
    four, two = clicks[true], clicks[false]
    expect(four[:bars].map { |bar| bar[:clicks].map { |click| click[:at] } }).to eq(
      [[0, 0.5, 1, 1.5], [2, 2.5, 3, 3.5]]
    )
    expect(two[:bars].map { |bar| bar[:clicks].map { |click| click[:at] } }).to eq([[0, 1], [2, 3]])
    expect(four[:count_in]).to eq(
      [-2, -1.5, -1, -0.5].map.with_index { |at, place| { at: at, strong: place.zero? } }
    )
    expect(four[:bars].map { |bar| bar[:clicks].map { |click| click[:strong] } }).to all(
      eq([true, false, false, false])
    )
    expect(four[:seconds]).to eq(two[:seconds])
  end

  it "are kept with a step, and are false in one kept before there were any" do
    step = Stairwell::Practice.steps(cut).first
    data = JSON.parse(JSON.generate(step.to_data))
    expect(Stairwell::Practice::Step.from_data(data)).to eq(step)
    expect(Stairwell::Practice::Step.from_data(data.except("small_count")).small_count).to be(false)
  end
end
