# frozen_string_literal: true

require_relative "spec_helper"

# What was heard of a whole counts for its parts: common practice, no source. A teacher who hears
# the piece at its tempo doesn't ask for its right hand next week.
RSpec.describe Stairwell::Progress::Closure do
  page = <<~TEXT
    title: Reed Song
    page 1: 4 4 4
    time: 4/4
    tempo: target 76
    section A: 1-4
    section B: 5-8
    section C: 9-12
  TEXT

  let(:map) { Stairwell::Formats::PageScript.read(page).map }
  let(:steps) do
    Stairwell::Practice.steps(
      map,
      routine: Stairwell::Practice::Routines.hand_by_hand,
      choices: Stairwell::Practice::Choices.new(hand_order: :right, target_tempo: 76)
    )
  end

  def heard(step, result, day: 3, hour: 16, **more) =
    Stairwell::Progress::LessonResult.new(
      step_id: step,
      date: Date.new(2027, 3, day),
      result: result,
      at: Time.utc(2027, 3, day, hour),
      **more
    )

  def done(*events, of: steps)
    piece = Stairwell::Progress.piece(of, events)
    piece.standings.values.select(&:done?).map { |standing| standing.step.id }
  end

  # Steps as a routine would give them that asks for other things as well.
  def step(id, **other) = steps.find { |one| one.id == id }.with(**other)

  it "leaves nothing open once the whole was heard at its tempo" do
    expect(done(heard("whole.tempo-76", :secure))).to match_array(steps.map(&:id))
  end

  it "counts for hands and slower tempos of the same bars, and for no other bars" do
    expect(done(heard("A.faster", :steady))).to match_array(%w[A.right A.left A.together A.faster])
  end

  it "counts for one hand where one hand was heard, and for nothing faster" do
    expect(done(heard("A.right", :secure))).to eq(%w[A.right])
    # Together is heard slower than a hand alone, at 38 and 44 beats; but nobody asks for a hand
    # alone that goes with the other.
    expect(done(heard("A.together", :secure))).to match_array(%w[A.right A.left A.together])
    # The whole says nothing of a section at a tempo it wasn't heard at.
    expect(done(heard("whole.whole", :steady, tempo: 30))).to eq(%w[whole.whole])
  end

  it "counts for a join whose beats lie within" do
    run = done(heard("A+B.grow", :steady))
    expect(run).to include("A-B@4.join", "A.right", "B.left")
    expect(run).not_to include("B-C@8.join", "C.right", "A.faster")
    alone = { needs: [], after: [] }
    bars = Stairwell::Score::Span.new(from: 3, to: 4)
    join = step("A-B@4.join", id: "beat", spans: [bars], **alone)
    late = step("A-B@4.join", **alone, spans: [join.spans.first.with(from_beat: 4r, to_beat: 1r)])
    expect(done(heard("A-B@4.join", :steady), of: [join, late])).to eq(["A-B@4.join"])
    expect(done(heard("beat", :steady), of: [join, late])).to eq(%w[beat A-B@4.join])
  end

  it "counts for nothing that wasn't asked for" do
    %i[articulation dynamics pedal ornaments memory lyrics voicing].each do |aspect|
      asks = step("A.together", id: "asks", aspect: aspect)
      all = [*steps, asks]
      expect(done(heard("whole.tempo-76", :secure), of: all)).not_to include("asks")
      within = step("whole.tempo-76", id: "whole.#{aspect}", aspect: aspect)
      expect(done(heard(within.id, :secure), of: [*all, within])).to include("asks", "A.together")
    end
    track = step("A.together", id: "track", stage: :track)
    expect(done(heard("whole.tempo-76", :secure), of: [*steps, track])).not_to include("track")
  end

  it "counts only where it went" do
    %i[not_heard not_yet shaky].each do |result|
      expect(done(heard("whole.tempo-76", result))).to eq([])
    end
  end

  it "makes nothing secure that wasn't heard by itself, and says nothing was" do
    piece = Stairwell::Progress.piece(steps, [heard("A.faster", :secure)])
    expect(piece.standings["A.right"].to_h).to include(state: :steady, last_result: nil)
    expect(piece.results_of("A.right")).to eq([])
  end

  it "goes with the result it comes from" do
    first = heard("A.faster", :steady)
    piece = Stairwell::Progress.piece(steps, [first])
    taken_back = piece.after([heard("A.faster", :not_heard, hour: 17)])
    expect(taken_back.standings.values.select(&:done?)).to eq([])
    expect(piece.without_results_of(Date.new(2027, 3, 3)).standings.values.select(&:done?)).to eq(
      []
    )
  end

  it "gives way to what is heard of the step itself, on that day and later" do
    whole = heard("A.faster", :steady)
    %w[A.right A.left].each do |hand|
      expect(done(whole, heard(hand, :not_yet, hour: 15))).not_to include(hand)
      expect(done(whole, heard(hand, :not_yet, day: 10))).not_to include(hand)
    end
    expect(done(heard("A.right", :not_yet), whole.with(date: Date.new(2027, 3, 10)))).to include(
      "A.right"
    )
  end

  it "is the same however the events came in" do
    random = Random.new(3)
    40.times do
      events =
        Array.new(8) do |at|
          heard(
            steps.sample(random: random).id,
            %i[not_heard not_yet shaky steady secure].sample(random: random),
            day: 1 + random.rand(5),
            hour: 8 + at
          )
        end
      first, rest = events.partition.with_index { |_, at| at < 4 }
      together = Stairwell::Progress.piece(steps, events).standings.transform_values(&:state)
      expect(
        Stairwell::Progress.piece(steps, first).after(rest).standings.transform_values(&:state)
      ).to eq(together)
    end
  end
end
