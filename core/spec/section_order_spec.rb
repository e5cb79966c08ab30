# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

# Sections are begun in the order the teacher chose.
RSpec.describe "Order of sections" do
  include Records

  # B is the hardest, C the easiest: worked by hand, by difficulty B 5, A 3 (nothing is said), C 1.
  let(:map) do
    page(
      "title: Eel Weir\nbars: 12\ntempo: target 76\nsection A: 1-4\nsection B: 5-8 difficulty 5\nsection C: 9-12 difficulty 1"
    )
  end

  # @param order [String, Array, nil]
  # @return [Record] of a student with that piece, on whose days one step may begin
  def having(order = nil, introduced: [], **student)
    made = record(begin_per_day: 1, minutes_a_day: 60, **student)
    choices = Stairwell::Studio::SectionOrder.settled({ "section_order" => order }.compact, map)
    piece =
      made.pieces.first.with(
        choices: choices,
        introduce_first: introduced.any?,
        page:
          Stairwell::Studio::Page.new(
            document: JSON.generate(Stairwell::Score::Document.dump(map))
          ),
        progress:
          Stairwell::Progress.piece(
            Stairwell::Practice.steps(map),
            [],
            introduce_first: introduced.any?
          )
      )
    introduced.each_with_index do |what, at|
      piece =
        piece.after(
          Stairwell::Progress::Introduction.new(what: what, introduced: true, at: made.moment + at)
        )
    end
    made.with(pieces: [piece])
  end

  # @return [Array<String>] sections in the order in which their first step begins, with a
  #   student who does all that is planned
  def begun(record)
    spans = Stairwell::Planning.schedule(**Stairwell::Studio::Workload.new(record).plan)
    spans
      .select { |id, _| id.match?(%r{\A7/[ABC]\.right\z}) }
      .sort_by { |_, (first, _)| first }
      .map { |id, _| id[2] }
  end

  it "is that of the piece where nothing is said" do
    expect(begun(having)).to eq(%w[A B C])
    expect(begun(having("piece"))).to eq(%w[A B C])
  end

  it "is the hardest first, or the teacher's own list; what it leaves out comes after, as in the piece" do
    expect(begun(having("hardest"))).to eq(%w[B A C])
    expect(begun(having(%w[C A B]))).to eq(%w[C A B])
    expect(begun(having(%w[C]))).to eq(%w[C A B])
    expect(begun(having(%w[Z C]))).to eq(%w[C A B])
  end

  it "is that in which they were introduced; others come as in the piece" do
    expect(begun(having("introduced", introduced: %w[C B A]))).to eq(%w[C B A])
    expect(
      Stairwell::Studio::SectionOrder.sections(having("introduced", introduced: %w[C]).pieces.first)
    ).to eq(%w[C A B])
  end

  # The longest chain of good days hangs on B, so that it goes first; it is never later than
  # another order.
  it "makes the piece ready soonest where that is chosen" do
    finish = ->(order) do
      Stairwell::Planning.finish(**Stairwell::Studio::Workload.new(having(order)).plan).days
    end
    expect(begun(having("soonest")).first).to eq("B")
    %w[piece hardest].each { |order| expect(finish["soonest"]).to be <= finish[order] }
  end

  # One step begins each day and a day has room for all: what was begun goes on before the next
  # section begins, up to its hands together.
  it "goes on with what was begun before it begins what is new" do
    week =
      Stairwell::Planning.week(
        **Stairwell::Studio::Workload.new(having, from: Date.new(2027, 3, 4)).week
      )
    chosen =
      week.days.map do |day|
        day
          .items
          .select { |item| item.kind == :step }
          .map { |item| [item.id.delete_prefix("7/"), item.begins] }
      end
    expect(chosen.first).to eq([["A.right", true]])
    expect(chosen[1]).to eq([["A.right", false], ["A.left", true]])
    chosen.each { |items| expect(items.count(&:last)).to be <= 1 }
    expect(week.days.first.items.find { |item| item.kind == :step }.why.to_s).to start_with(
      "new: next in the order of the sections"
    )
  end

  # Two pieces at once: neither waits for the other's whole order.
  it "goes on in each of several pieces" do
    one = having
    other = one.pieces.first.with(id: 9, choices: { "section_order" => "soonest" })
    week =
      Stairwell::Planning.week(
        **Stairwell::Studio::Workload.new(
          one.with(pieces: [*one.pieces, other], student: one.student.with(begin_per_day: 2)),
          from: Date.new(2027, 3, 4)
        ).week
      )
    ids =
      week
        .days
        .first(2)
        .flat_map { |day| day.items.map { |item| item.id[%r{\A\d+/}] } }
        .compact
        .uniq
    expect(ids).to contain_exactly("7/", "9/")
  end

  # Every combination keeps what no order may break.
  it "breaks no need, no budget and no limit, whatever the order" do
    random = Random.new(12)
    ["piece", "hardest", "soonest", %w[C B A]].product([1, 2, 3], [8, 15, 40])
      .each do |order, begin_per_day, minutes|
        load =
          Stairwell::Studio::Workload.new(
            having(order, minutes_a_day: minutes).then do |one|
              one.with(student: one.student.with(begin_per_day: begin_per_day))
            end,
            from: Date.new(2027, 3, 4)
          )
        done = load.tasks.to_h { |task| [task.id, random.rand(2)] }
        tasks = load.tasks.map { |task| task.with(credited: task.needs.empty? ? done[task.id] : 0) }
        plan = Stairwell::Planning.week(**load.week, tasks: tasks)
        good = tasks.to_h { |task| [task.id, task.credited] }
        plan.days.each do |day|
          steps = day.items.select { |item| item.kind == :step }
          expect(day.minutes).to be <= minutes
          expect(steps.count(&:begins)).to be <= begin_per_day
          steps.each do |item|
            load
              .tasks
              .find { |task| task.id == item.id }
              .needs
              .each { |id| expect(good[id]).to be >= tasks.find { |task| task.id == id }.good_days }
          end
          steps.each { |item| good[item.id] += 1 }
        end
      end
  end
end
