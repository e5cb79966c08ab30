# frozen_string_literal: true

require_relative "spec_helper"

# What a stage of a routine says of itself, as a teacher reads the path.
RSpec.describe Stairwell::Practice::StageWords do
  def stage(key, **more) =
    Stairwell::Practice::Stage.new(
      key: key,
      name: key.to_s,
      scope: :section,
      tempo_share: 6 / 10r,
      good_days: 1,
      done: "it goes",
      **more
    )

  def said(*stages)
    routine =
      Stairwell::Practice::Routine.new(
        key: "own",
        name: "Own",
        for_whom: "x",
        why: "x",
        stages: stages
      )
    stages.map { |one| described_class.new(routine).of(one).to_s }
  end

  it "names what it shares a sitting with, and nothing of a sitting where it has its own days" do
    first, second, alone =
      said(stage(:clap, sitting: :one), stage(:say, sitting: :one), stage(:play))
    expect(first).to include("in one sitting with “say”")
    expect(second).to include("in one sitting with “clap”")
    expect(alone).not_to include("sitting")
  end

  it "says of a stage that opens only when it is introduced, and of no other" do
    shown, open = said(stage(:shown, introduced_by: :stage), stage(:open))
    expect(shown).to end_with("; once it was introduced")
    expect(open).not_to include("introduced")
  end

  it "says what the voice does while the hands rest, and nothing of hands that all are silent" do
    silent = { right: :silent, left: :silent }
    spoken, look, played =
      said(
        stage(:spoken, actions: { **silent, voice: :say }),
        stage(:look, actions: silent),
        stage(:played, hands: :right, actions: { right: :play, left: :silent })
      )
    expect(spoken).to start_with("each section, say")
    expect(look).to start_with("each section;")
    expect(played).to start_with("each section, right hand;")
  end
end
