# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

RSpec.describe "What a student takes for a repetition" do
  include Records

  # Section A, four bars of four at 44 counts a minute for a hand alone: 16 × 60 / 44 = 21.8 s of
  # playing and 8 s to get ready again, 29.8 s.
  let(:today) { Date.new(2027, 3, 3) }
  # Nothing of it is new, so that its first days take no longer.
  let(:known) do
    record.with_piece(
      record.pieces.first.then do |piece|
        piece.with(
          progress:
            Stairwell::Progress.piece(piece.progress.own.map { |step| step.with(new: 0r) }, [])
        )
      end
    )
  end
  let(:playing) { 16r * 60 / 44 }
  let(:estimate) { playing + 8 }

  # Taps of a step, so many seconds apart, on each of some days.
  def taps(*seconds, days: 1, step: "A.right", known: true)
    Array
      .new(days) do |day|
        start = Time.utc(2027, 2, 1 + day, 16)
        seconds
          .inject([start]) { |times, gap| times + [times.last + gap] }
          .map do |time|
            Stairwell::Progress::Mark.new(
              key: "#{step} #{time}",
              step_id: step,
              date: time.to_date,
              kind: :repetition,
              at: time,
              tapped_at: (time if known)
            )
          end
      end
      .flatten
  end

  def timing(*marks, before: today) =
    Stairwell::Progress::Timing.of(
      [known.pieces.first.progress.after(marks.flatten)],
      before: before
    )

  it "is the estimate where nothing is known of it" do
    expect(timing.factor(:alone)).to eq(1)
    expect(timing(taps(60, 60, 60, days: 9, known: false)).factor(:alone)).to eq(1)
    expect(timing(taps(60, days: 9)).factor(:alone)).to eq(1) # two taps say too little
  end

  # Worked by hand: on each of six days twice the estimate; six days weigh as much as the
  # estimate: exp((6 × log 2 + 6 × 0) / 12) = √2 for all, and for hands alone
  # exp((6 × log 2 + 6 × log √2) / 12) = 2 ^ 0.75 = 1.68.
  it "is drawn from the estimate to what it takes, the more the more days there are" do
    twice = Array.new(4) { 2 * estimate }
    six = timing(taps(*twice, days: 6))
    expect(six.factor(:alone)).to be_within(0.02).of(2**0.75)
    expect(six.factor(:together)).to be_within(0.02).of(Math.sqrt(2))
    expect(timing(taps(*twice, days: 1)).factor(:alone)).to be < six.factor(:alone)
    expect(timing(taps(*twice, days: 25)).factor(:alone)).to be > six.factor(:alone)
    # within bounds
    expect(timing(taps(*Array.new(4) { 9 * estimate }, days: 25)).factor(:alone)).to eq(3)
  end

  it "is not moved by a break in between" do
    steady = timing(taps(estimate, estimate, estimate, estimate, days: 6))
    expect(steady.factor(:alone)).to be_within(0.02).of(1)
    expect(timing(taps(estimate, 900, estimate, estimate, days: 6)).factor(:alone)).to be_within(
      0.02
    ).of(1)
  end

  it "is not learnt from boxes that were ticked in one go, which is said" do
    ticked =
      timing(taps(1, 1, 2, 1, days: 5), taps(estimate, estimate, estimate, days: 2, step: "A.left"))
    expect(ticked.factor(:alone)).to be_within(0.02).of(1)
    expect(ticked.at_once).to eq([5, 5])
    expect(timing(taps(estimate, estimate, days: 3)).at_once).to eq([0, 3])
  end

  it "leaves out today, so that nothing moves while it is tapped" do
    marks = taps(2 * estimate, 2 * estimate, days: 1)
    expect(timing(marks, before: marks.first.date).factor(:alone)).to eq(1)
    expect(timing(marks, before: marks.first.date + 1).factor(:alone)).to be > 1
  end

  it "is told once it is known well and differs" do
    expect(timing(taps(2 * estimate, 2 * estimate, days: 3)).told).to eq({})
    expect(timing(taps(2 * estimate, 2 * estimate, days: 4)).told.keys).to eq([:alone])
    expect(timing(taps(estimate, estimate, days: 9)).told).to eq({})
  end

  # Five times 29.8 s and half a minute to get ready; the 29.8 s 1.68 times.
  it "lengthens the minutes of the plan" do
    plain, slow = [], taps(*Array.new(4) { 2 * estimate }, days: 6)
    made = [plain, slow].map { |marks| known.with_piece(known.pieces.first.after(*marks)) }
    tasks =
      made.map do |one|
        Stairwell::Studio::Workload.new(one).tasks.find { |task| task.id == "7/A.left" }
      end
    factor = made.last.timing.factor(:alone)
    expect(tasks.map(&:minutes)).to eq(
      [1 / 2r + (5 * estimate / 60), 1 / 2r + (5 * estimate * factor / 60)]
    )
    expect(tasks.map { |task| Stairwell::Units.minutes(task.minutes).to_s }).to eq(
      ["3 min", "4½ min"]
    ) # 2.98 and 4.66
    days = made.map { |one| Stairwell::Studio.plan(one).week.days.sum(0r, &:minutes) }
    expect(days.last).to be > days.first
  end

  it "lets no step grow out of the longest day" do
    slow =
      known.with_piece(known.pieces.first.after(*taps(*Array.new(4) { 3 * estimate }, days: 20)))
    short = slow.with(student: slow.student.with(minutes_a_day: 5, warm_ups: "none"))
    tasks = Stairwell::Studio::Workload.new(short).tasks
    alone = tasks.find { |task| task.id == "7/A.left" }
    expect(alone.minutes).to eq(5)
    # One that was too long by the estimate stays so.
    long = Stairwell::Progress::Timing.new(most: 1r)
    step = short.pieces.first.progress.own.find { |one| one.id == "A.left" }
    expect(long.minutes(step)).to eq(5 * estimate / 60)
    # To get ready makes no step too long either.
    expect(Stairwell::Progress::Timing.new(most: 5 * estimate / 60).minutes(step)).to eq(
      5 * estimate / 60
    )
  end
end
