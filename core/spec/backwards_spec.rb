# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/charts"
require_relative "support/records"

# A plan backwards from a date. The first is a week as a teacher wrote it by hand (common practice,
# no source): a class has a week for sixteen bars in the form A A1 B A1, target 80.
RSpec.describe Stairwell::Studio::Backwards do
  include Records

  let(:quiz) { <<~TEXT }
      title: Quiz
      bars: 16
      tempo: target 80
      section A: 1-4
      section A1: 5-8 like A except 8
      section B: 9-12
      section A2: 13-16 like A except 16
    TEXT
  let(:due) { Date.new(2027, 3, 10) }

  # @return [Record] of an adult with the page, of which A was introduced
  def having(script = quiz, due: self.due, choices: { "memory" => true }, **student)
    made = record(minutes_a_day: 20, child: false, practice_days: [4, 5, 6, 0], **student)
    page =
      Stairwell::Studio::Page.new(
        document: JSON.generate(Stairwell::Score::Document.dump(page(script)))
      )
    piece =
      made.pieces.first.with(
        page: page,
        newest_page: page,
        target_tempo: 80,
        introduce_first: true,
        choices: choices,
        due_on: due
      )
    shown =
      Stairwell::Progress::Introduction.new(what: "A", introduced: true, at: made.moment, key: "a")
    made.with_piece(Stairwell::Studio::TakeOver.renewed(made.with_piece(piece), piece).after(shown))
  end

  def backwards(record) = described_class.new(record, record.pieces.first)

  # @return [Array<Array<String>>] of each practice day
  def cells(week, title)
    row = week.rows.find { |one| one.title.to_s == title }
    days = week.cells(row).to_h { |number, _, items| [number, items.map { |one| one.stage.to_s }] }
    (1..4).map { |number| days.fetch(number, []).uniq }
  end

  it "gets a class through sixteen bars by the quiz in a week" do
    plan = backwards(having)
    expect(plan).to be_needed
    expect(plan.usual.outlook.planned).to be > due
    in_time = plan.in_time
    expect(in_time.measures).to eq(%w[slower plain all_now same_day])
    expect(in_time.outlook.planned).to be <= due
    piece = plan.with(in_time.measures).pieces.first
    expect(piece.target_tempo).to eq(66)
    expect(piece.progress.own.map(&:stage)).not_to include(:memory, :pedal)
    week = in_time.week
    expect(week.rows.map(&:kind)).to eq(%i[warm_up new new whole])
    ["A and A1", "B and A2"].each do |row|
      expect(cells(week, row).first).to include("RH", "LH")
      expect(cells(week, row)[1]).to include("HT")
    end
    expect(cells(week, "The whole piece").map(&:any?)).to eq([false, false, true, true])
    whole = piece.progress.own.reject { |step| step.section || step.parts.size < 4 }
    expect(whole.map(&:tempo).max).to eq(66)
    expect(week.days.map(&:minutes)).to all(be <= 20)
  end

  it "takes only what it needs, and nothing where the usual path gets there" do
    far = backwards(having(due: due + 120))
    expect(far).not_to be_needed
    expect(far.measures).to eq([])
    planned = backwards(having).usual.outlook.planned
    near = backwards(having(due: planned - 3))
    expect(near.measures.size).to be_between(1, 2)
    expect(near.in_time.outlook.planned).to be <= planned - 3
  end

  it "can be taken back, each by itself and all together" do
    made = having
    usual = made.pieces.first
    all = described_class::MEASURES - %w[others_rest]
    eased = made.with_piece(backwards(made).with(all).pieces.first)
    expect(described_class.taken(eased.pieces.first)).to eq(all)
    all.each do |id|
      left = backwards(eased).with(all - [id]).pieces.first
      alone = backwards(made).with(all - [id]).pieces.first
      expect([left.target_tempo, left.introduce_first, left.choices]).to eq(
        [alone.target_tempo, alone.introduce_first, alone.choices]
      )
      expect(left.progress.own).to eq(alone.progress.own)
    end
    back = backwards(eased).with([]).pieces.first
    expect([back.target_tempo, back.introduce_first, back.choices]).to eq([80, true, usual.choices])
    expect(back.progress.own).to eq(usual.progress.own)
  end

  it "eases what it says: tempo, hands, sections, good days, stages that share a day" do
    made = having(quiz.sub("section B: 9-12", "section B: 9-12 difficulty 4"))
    steps = ->(*ids) { backwards(made).with(ids).pieces.first.progress.own }
    usual = steps.call
    blocked = steps.call("left_blocked")
    expect(blocked.sum(&:good_days)).to be < usual.sum(&:good_days)
    expect(blocked.find { |step| step.id == "B.left" }.notes.map(&:to_s)).to include(
      a_string_including("as a chord")
    )
    expect(blocked.find { |step| step.id == "B.right" }).to eq(
      usual
        .find { |step| step.id == "B.right" }
        .with(**blocked.find { |step| step.id == "B.right" }.to_h.slice(:good_days, :arithmetic))
    )
    expect(steps.call("without_last").filter_map(&:section).uniq).to eq(%w[A A1 B])
    days = ->(*ids) do
      record = backwards(made).with(ids)
      Stairwell::Studio::Workload.new(record).in_rows.endings(nil, 1).fetch(7).days
    end
    expect(days["all_now", "same_day"]).to be < days["all_now"]
    expect(days["all_now", "one_day"]).to be < days["all_now"]
  end

  it "lets the other pieces rest until then, says so, and brings them back" do
    made = having
    other = made.pieces.first.with(id: 8, due_on: nil, title: "Weir")
    both = made.with(pieces: [*made.pieces, other])
    alone = backwards(both).with(%w[others_rest])
    week = Stairwell::Studio::Workload.new(alone).planned_week
    expect(week.rows.filter_map(&:assignment_id).uniq).to eq([7])
    expect(week.left_out.map { |one| [one.assignment_id, one.why.to_s] }).to include(
      [8, "resting until 10 March, to leave room for the piece due then"]
    )
    outlooks = Stairwell::Studio::Outlooks.new(alone).to_h
    expect(outlooks.fetch(8).planned).to be > due
  end

  describe "in the last two days" do
    include Charts

    def begun(due)
      quiz =
        piece(
          "title: Quiz\nbars: 12\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12",
          [heard("A.right"), heard("A.left")],
          deadline: Stairwell::Rows::Deadline.new(due_on: due)
        )
      week = week([quiz], days: 3, minutes: 30)
      parts =
        week.rows.flat_map { |row| row.days.flat_map { |day, all| all.map { |one| [day, one] } } }
      parts
        .select { |_, part| part.step.section }
        .group_by { |_, part| part.step.section }
        .transform_values { |all| all.map(&:first).min }
    end

    it "begins no section, but goes on with those that were begun" do
      expect(begun(Charts::DAY + 8)).to eq("A" => 1, "B" => 1, "C" => 1)
      expect(begun(Charts::DAY + 3)).to eq("A" => 1)
      expect(begun(Charts::DAY + 4)).to include("B" => 1)
    end
  end

  it "keeps what is chosen meanwhile, for the usual plan too" do
    made = having
    eased = made.with_piece(backwards(made).with(%w[slower plain]).pieces.first)
    change = Stairwell::Studio::ChangePiece.new(eased, 7).call(chosen: { target_tempo: 100 })
    piece = change.pieces.first
    expect([piece.target_tempo, described_class.taken(piece)]).to eq([80, %w[slower plain]])
    expect(described_class.usual(piece).target_tempo).to eq(100)
  end

  it "needs a date" do
    expect { backwards(having(due: nil)).with(%w[slower]) }.to raise_error(
      Stairwell::RefusedError,
      /has no date/
    )
    expect(backwards(having(due: nil))).not_to be_needed
    expect(backwards(having(due: nil)).in_time.measures).to eq([])
  end
end
