# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# What was heard, as a teacher would say it (common practice, no source).
RSpec.describe Stairwell::Studio::LessonRecap do
  include Records

  # @return [String] the recap after these steps were heard steady
  def told(routine, *ids)
    made = record
    map =
      page(
        "title: Reed\nbars: 12\ntempo: target 76\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12"
      )
    steps = Stairwell::Practice.steps(map, routine: Stairwell::Practice::ROUTINES.fetch(routine))
    heard =
      ids.map do |id|
        Stairwell::Progress::LessonResult.new(
          step_id: id,
          date: made.today,
          result: :steady,
          at: made.moment
        )
      end
    piece = made.pieces.first.with(title: "Reed", progress: Stairwell::Progress.piece(steps, heard))
    made =
      made.with(
        pieces: [piece],
        heard_today: ids.to_h { |id| [[7, id], Stairwell::Studio::HeardToday.new(result: :steady)] }
      )
    described_class.write(
      made,
      Stairwell::Studio::LessonSteps.new(made).to_a,
      Stairwell::Studio::Workload.new(made).planned_week
    )
  end

  it "names an aspect, a hand, and what was put together by its ends" do
    expect(told("aspect_by_aspect", "B.rhythm")).to include("B (rhythm) goes well now.")
    expect(told("hand_by_hand", "B.left")).to include("The left hand of B goes well now.")
    expect(told("hand_by_hand", "B.together")).to include("Reed: B goes well now.")
    expect(told("hand_by_hand", "A-B@4.join")).to include("A into B goes well now.")
    expect(told("hand_by_hand", "A+B.grow")).to include("A to B goes well now.")
  end
end
