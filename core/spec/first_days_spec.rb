# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

RSpec.describe "The first days of a step" do
  include Records

  let(:steps) do
    Stairwell::Practice
      .steps(page("bars: 8\ntempo: target 80\nsection A: 1-4\nsection B: 5-8 like A moved"))
      .to_h { |step| [step.id, step] }
  end

  # A hand alone is all new; hands together half as new as their notes, which are known by then;
  # what only gets faster is nothing new; a join is, though its bars are not.
  it "are as new as what is played, and who played it before" do
    expect(steps.values_at("A.right", "A.left", "A.together", "A.faster").map(&:new)).to eq(
      [1, 1, 1 / 2r, 0]
    )
    expect(steps["B.right"].new).to eq(35 / 100r) # the same moved (docs/rules.md, What is new)
    expect(steps.values.find(&:join).new).to eq(1)
    expect(steps.values.select { |step| step.section.nil? && !step.join }.map(&:new)).to all(eq(0))
  end

  it "are nothing new to play where nothing is played" do
    said =
      Stairwell::Practice.steps(
        page("bars: 4\ntempo: target 80\nsection A: 1-4"),
        routine: Stairwell::Practice::ROUTINES["say_clap_play"]
      )
    expect(said.select { |step| step.aspect == :rhythm }.map(&:new)).to all(eq(0))
    expect(said.find { |step| step.aspect != :rhythm }.new).to eq(1)
  end

  # Four bars of four at 46: 16 × 60 / 46 s and 8 s to get ready again, five times; and half a
  # minute to find the place. On the first day twice as long, then 1.5 and 1.2 times.
  it "take twice as long a repetition, then half as long again, then a fifth" do
    step = steps["A.right"]
    task = Stairwell::Progress.piece([step], []).tasks.first
    playing = 5 * ((16r * 60 / step.tempo) + 8) / 60
    expect((0..4).map { |done| task.minutes_after(done) }).to eq(
      [
        1 / 2r + (2 * playing),
        1 / 2r + (playing * 3 / 2),
        1 / 2r + (playing * 6 / 5),
        1 / 2r + playing,
        1 / 2r + playing
      ]
    )
    moved = Stairwell::Progress.piece([steps["B.right"].with(needs: [])], []).tasks.first
    expect(moved.minutes_after(0) - moved.minutes).to eq(35 / 100r * (moved.minutes - 1 / 2r))
  end

  it "stand in the week so, each with its exact minutes, which are rounded once" do
    task =
      Stairwell::Planning::Task.new(
        id: "A",
        minutes: 7 / 3r,
        first: [13 / 3r, 10 / 3r],
        ready: 1 / 3r,
        good_days: 4
      )
    practice = Stairwell::Planning::Practice.new(weekdays: (0..6).to_a, minutes: 20r)
    week =
      Stairwell::Planning.week(
        tasks: [task, task.with(id: "B", credited: 1)],
        practice: practice,
        from: Date.new(2027, 3, 4),
        next_lesson: Date.new(2027, 3, 8)
      )
    expect(week.days.map { |day| day.items.map(&:minutes) }).to eq(
      [[13 / 3r, 10 / 3r], [10 / 3r, 7 / 3r], [7 / 3r, 7 / 3r], [7 / 3r]]
    )
    # 7.67, of 4½ and 3½
    expect(Stairwell::Units.minutes(week.days.first.minutes).to_s).to eq("7½ min")
  end

  it "count for what fits into a day, and for when it is done" do
    tasks =
      %w[A B].map do |id|
        Stairwell::Planning::Task.new(id: id, minutes: 4r, first: [8r, 6r], good_days: 3)
      end
    practice = Stairwell::Planning::Practice.new(weekdays: (0..6).to_a, minutes: 10r)
    of = ->(tasks) do
      Stairwell::Planning.finish(
        tasks: tasks,
        practice: practice,
        from: Date.new(2027, 3, 4),
        next_lesson: Date.new(2027, 3, 8)
      )
    end
    # A 8; B 8, since more is left of it; A 6; B 6 and A 4; B 4. In all 36 minutes, ten a day.
    expect([of[tasks].days, of[tasks].lower_bound]).to eq([5, 4])
    expect(of[tasks.map { |task| task.with(first: []) }].days).to eq(3)
    too_long = Stairwell::Planning::Task.new(id: "A", minutes: 4r, first: [12r], good_days: 3)
    week =
      Stairwell::Planning.week(
        tasks: [too_long],
        practice: practice,
        from: Date.new(2027, 3, 4),
        next_lesson: Date.new(2027, 3, 8)
      )
    expect(week.left_out.first.why.to_s).to start_with("takes 12 min")
  end

  it "let no step grow out of the longest day that fits it by itself" do
    step = steps["A.right"]
    timing = Stairwell::Progress::Timing.new(most: 4r)
    expect(timing.minutes(step, 0)).to eq(4)
    expect(timing.minutes(step)).to be < 4
  end

  it "are not taken for a slow student: taps are held against what the day asks for" do
    piece = Stairwell::Progress.piece([steps["A.right"]], [])
    once = (16 * 60 / steps["A.right"].tempo.to_f) + 8
    marks =
      [2, 1.5, 1.2, 1].each_with_index.flat_map do |times, day|
        start = Time.utc(2027, 3, 1 + day, 16)
        Array.new(5) do |at|
          Stairwell::Progress::Mark.new(
            key: "#{day} #{at}",
            step_id: "A.right",
            date: start.to_date,
            kind: :repetition,
            at: start + (at * once * times),
            tapped_at: start + (at * once * times)
          )
        end
      end
    expect(piece.after(marks).timed.map { |day| day.ratio.round(2) }).to eq([1, 1, 1, 1])
  end
end
