# frozen_string_literal: true

require_relative "../spec_helper"
require "date"
require "demo/pieces"
require "stairwell/command"
require "tempfile"

# For cases that tell apart what other specs let pass when one token of the code was another (see
# bin/mutations).
RSpec.shared_context "one token" do
  let(:from) { Date.new(2027, 3, 3) } # a Wednesday

  def steps(map, routine = "hand_by_hand", **choices)
    routine = Stairwell::Practice::ROUTINES.fetch(routine) if routine.is_a?(String)
    Stairwell::Practice.steps(
      map,
      routine: routine,
      choices: Stairwell::Practice::Choices.new(**choices)
    )
  end

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

  def routine(*stages) =
    Stairwell::Practice::Routine.new(
      key: "own",
      name: "Own",
      for_whom: "x",
      why: "x",
      stages: stages
    )
end
