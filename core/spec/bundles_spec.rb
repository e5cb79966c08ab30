# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# The youngest do a ladder of ten rungs in one sitting, every day; others take the aspects of a
# short section one after another and then all at once (common practice, no source).
RSpec.describe "Steps of one sitting" do
  include Records

  let(:planning) { Stairwell::Planning }
  let(:practice) { planning::Practice.new(weekdays: (0..6).to_a, minutes: 20r, begin_per_day: 1) }
  let(:thursday) { Date.new(2027, 3, 4) }

  def rung(id, after: nil, **said) =
    planning::Task.new(
      id: id,
      title: id,
      minutes: 3 / 2r,
      ready: 1 / 2r,
      repetitions: 2,
      good_days: 2,
      sitting: "A.ladder",
      section: "A",
      after: [*after],
      **said
    )

  let(:ladder) do
    [rung("A.count"), rung("A.clap", after: "A.count"), rung("A.play", after: "A.clap")]
  end

  def week(tasks, practice: self.practice, **said) =
    planning.week(
      tasks: tasks,
      practice: practice,
      from: thursday,
      next_lesson: thursday + 5,
      **said
    )

  def days(week) = week.days.map { |day| day.items.map(&:id) }

  it "stand whole on each of their days, one after another, and get ready once" do
    plan = week(ladder)
    expect(days(plan)).to eq([%w[A.count A.clap A.play], %w[A.count A.clap A.play], [], [], []])
    expect(plan.days.first.items.map(&:minutes)).to eq([3 / 2r, 1, 1])
    # As long as one of them has good days to go, all are played.
    longer = [*ladder.first(2), rung("A.play", after: "A.clap").with(good_days: 3)]
    expect(days(week(longer))).to eq([*Array.new(3) { %w[A.count A.clap A.play] }, [], []])
  end

  it "count as one beginning" do
    plan = week([*ladder, planning::Task.new(id: "B", minutes: 2r, good_days: 1)])
    expect(plan.days.map { |day| day.items.select(&:begins).map(&:id) }).to eq(
      [%w[A.count], %w[B], [], [], []]
    )
    expect(
      days(
        week(
          [*ladder, planning::Task.new(id: "B", minutes: 2r, good_days: 1)],
          practice: practice.with(begin_per_day: 2)
        )
      ).first
    ).to eq(%w[A.count A.clap A.play B])
  end

  it "lose repetitions where the day is short, and no rung" do
    plan = week(ladder, practice: practice.with(minutes: 2r)) # 3½ min twice each, 2 min once each
    expect(
      plan.days.first(2).map { |day| day.items.map { |item| [item.id, item.repetitions] } }
    ).to all(eq([["A.count", 1], ["A.clap", 1], ["A.play", 1]]))
    expect(plan.days.first.minutes).to eq(2)
    expect(plan.days.first.items.first.part).to be_nil
    expect(plan.days.first.items.map { |item| item.why.to_s }).to all(
      end_with("; all of the sitting, each less often, since the day is short")
    )
    # Beside another step they take what it leaves.
    beside =
      week(
        [planning::Task.new(id: "B", minutes: 4r, good_days: 9, begun: true, priority: 1), *ladder],
        practice: practice.with(minutes: 6r)
      )
    expect(beside.days.first.items.map { |item| [item.id, item.repetitions] }).to eq(
      [["B", 5], ["A.count", 1], ["A.clap", 1], ["A.play", 1]]
    )
  end

  it "then take half of the section, or a quarter, by turns" do
    # once each: ½ + 3 × ½; of half of it ½ + 3 × ¼
    plan = week(ladder, practice: practice.with(minutes: 3 / 2r))
    expect(
      plan
        .days
        .first(2)
        .map { |day| [day.items.map(&:id), day.items.map(&:part).uniq, day.minutes] }
    ).to eq(
      [[%w[A.count A.clap A.play], [[0, 2]], 5 / 4r], [%w[A.count A.clap A.play], [[1, 2]], 5 / 4r]]
    )
    expect(
      week(ladder, practice: practice.with(minutes: 1r)).days.first.items.map(&:part).uniq
    ).to eq([[0, 4]])
    expect(week(ladder, practice: practice.with(minutes: 1 / 2r)).left_out.map(&:id)).to eq(
      %w[A.count A.clap A.play]
    )
  end

  it "wait as one for what one of them needs, and are waited for as one" do
    tasks = [
      planning::Task.new(id: "spot", minutes: 1r, good_days: 1),
      *ladder.first(2),
      rung("A.play", after: "A.clap").with(needs: ["spot"]),
      planning::Task.new(id: "join", minutes: 1r, good_days: 1, needs: ["A.count"])
    ]
    expect(days(week(tasks))).to eq(
      [%w[spot], %w[A.count A.clap A.play], %w[A.count A.clap A.play], %w[join], []]
    )
  end

  it "are done, and looked ahead to, as one" do
    expect(
      planning.finish(tasks: ladder, practice: practice, from: thursday, next_lesson: thursday + 5)
    ).to have_attributes(date: thursday + 1, days: 2, lower_bound: 2)
    spans =
      planning.schedule(
        tasks: ladder,
        practice: practice,
        from: thursday,
        next_lesson: thursday + 5
      )
    expect(spans).to eq(%w[A.count A.clap A.play].to_h { |id| [id, [thursday, thursday + 1]] })
  end

  it "come back one by one once all are done" do
    done = ladder.map { |task| task.with(credited: 2) }
    review = planning::Review.new(id: "A.count", due: thursday, minutes: 1r, title: "count")
    expect(days(week(done, reviews: [review]))).to eq([%w[A.count], [], [], [], []])
  end

  it "wait for the easier form of one that did not go, which waits for none of them" do
    steps =
      Stairwell::Practice.steps(
        page("bars: 4\ntempo: target 80\nsection A: 1-4"),
        routine: Stairwell::Practice::ROUTINES["say_clap_play"]
      )
    expect(steps.select(&:sitting).map(&:id)).to include("A.count", "A.clap", "A.together")
    heard =
      Stairwell::Progress::LessonResult.new(
        step_id: "A.clap_notes",
        date: thursday - 1,
        result: :not_yet,
        at: Time.utc(2027, 3, 3, 16)
      )
    tasks = Stairwell::Progress.piece(steps, [heard]).tasks
    plan = week(tasks, practice: practice.with(minutes: 40r))
    expect(days(plan).first).to eq(["A.clap_notes~smaller"])
    expect(days(plan)[1]).to include("A.count", "A.clap_notes", "A.together")
  end

  it "count as good days as often as the short day asked for" do
    step =
      Stairwell::Practice.steps(
        page("bars: 4\ntempo: target 80\nsection A: 1-4"),
        routine: Stairwell::Practice::ROUTINES["aspect_by_aspect"]
      ).find(&:sitting)
    once =
      Stairwell::Progress::Mark.new(
        key: "k",
        step_id: step.id,
        date: thursday,
        kind: :repetition,
        at: Time.utc(2027, 3, 4, 12),
        asked: 1
      )
    expect(Stairwell::Progress.piece([step], [once]).standings[step.id].credited).to eq(1)
    expect(
      Stairwell::Progress.piece([step], [once.with(asked: nil)]).standings[step.id].credited
    ).to eq(0)
  end
end
