# frozen_string_literal: true

require_relative "spec_helper"

# Stairs without their lowest tread: what rests on a step that was heard "not yet" is held, also
# where a step between them is done.
RSpec.describe "What rests on a step that did not go" do
  include Making

  let(:monday) { Date.new(2027, 3, 1) }
  let(:steps) do
    chain = [["right", []], ["both", ["right"]], ["faster", ["both"]], ["whole", ["faster"]]]
    # Each asks for more than what was heard before it.
    chain.each_with_index.map do |(id, needs), at|
      Stairwell::Practice
        .steps(page("bars: 4\ntempo: target 60\nsection A: 1-4"))
        .first
        .with(id: id, title: id, needs: needs, good_days: 2, minutes: 2r, tempo: 40 + 10 * at)
    end
  end

  def heard(step, result, day: 0, hour: 12)
    Stairwell::Progress::LessonResult.new(
      step_id: step,
      date: monday + day,
      result: result,
      at: Time.utc(2027, 3, 1 + day, hour),
      key: "#{step} #{day} #{hour}"
    )
  end

  def progress(*events) = Stairwell::Progress.piece(steps, events)

  def week(progress)
    practice = Stairwell::Planning::Practice.new(weekdays: (0..6).to_a, minutes: 20r)
    Stairwell::Planning.week(
      tasks: progress.tasks,
      practice: practice,
      from: monday + 10,
      next_lesson: monday + 17
    )
  end

  def days_of(plan) = plan.days.map { |day| day.items.map(&:id) }

  let(:done) { [heard("right", :steady), heard("both", :steady)] }

  it "waits until that step has its good days again, though what lies between is done" do
    expect(days_of(week(progress(*done))).first(2)).to eq([%w[faster], %w[faster]])
    fallen = progress(*done, heard("right", :not_yet, day: 7))
    expect(fallen.standings.transform_values(&:waits_for_fallen)).to eq(
      "right" => false,
      "right~smaller" => false,
      "both" => true,
      "faster" => true,
      "whole" => true
    )
    expect(fallen.standings.values.select(&:held?).map { |one| one.step.id }).to eq(%w[both])
    expect(fallen.standings["faster"].state).to eq(:waiting)
    expect(fallen.standings["both"].state).to eq(:steady) # what was credited stays
    plan = days_of(week(fallen))
    last = plan.rindex { |ids| ids.include?("right") }
    expect(plan.index { |ids| ids.include?("faster") }).to eq(last + 1)
    expect(plan.first(last + 1).flatten & %w[both faster whole]).to be_empty
  end

  it "says for what it waits" do
    fallen = progress(*done, heard("right", :not_yet, day: 7))
    practice = Stairwell::Planning::Practice.new(weekdays: [4], minutes: 20r)
    plan =
      Stairwell::Planning.week(
        tasks: fallen.tasks,
        practice: practice,
        from: monday + 10,
        next_lesson: monday + 17
      )
    expect(plan.left_out.find { |one| one.id == "faster" }.why.to_s).to match(
      /\Awaits until right has all its good days/
    )
  end

  it "comes back as no review" do
    all = [*done, heard("faster", :steady), heard("whole", :steady)]
    fallen = progress(*all, heard("right", :not_yet, day: 7))
    expect(progress(*all).reviews(monday + 20).map(&:id)).to include("whole")
    expect(fallen.reviews(monday + 20)).to be_empty
  end

  it "goes on as before when the result is taken back, or the step is steady again" do
    back =
      progress(*done, heard("right", :not_yet, day: 7), heard("right", :steady, day: 7, hour: 13))
    again = progress(*done, heard("right", :not_yet, day: 7), heard("right", :steady, day: 14))
    [back, again].each do |one|
      expect(one.standings.values.map(&:waits_for_fallen)).to all(be(false))
    end
  end

  it "is not held where the teacher took a step as done without hearing what it needs" do
    skipped = progress(heard("both", :steady))
    expect(skipped.standings["faster"]).to have_attributes(state: :open, waits_for_fallen: false)
    expect(days_of(week(skipped)).first).to include("faster")
  end
end
