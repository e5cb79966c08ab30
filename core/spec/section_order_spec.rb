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

  # B is played again in two forms, each of which begins with what B taught.
  it "is that on which most of the rest depends, where it is to be ready soonest" do
    made = having("soonest")
    alike =
      page(
        "title: Eel Weir\nbars: 16\ntempo: target 76\nsection A: 1-4\nsection B: 5-8\nsection B1: 9-12 like B except 12\nsection B2: 13-16 like B except 16"
      )
    piece =
      made.pieces.first.with(
        progress: Stairwell::Progress.piece(Stairwell::Practice.steps(alike), [])
      )
    expect(Stairwell::Studio::SectionOrder.sections(piece).first).to eq("B")
    expect(Stairwell::Studio::SectionOrder.sections(piece.with(choices: {})).first).to eq("A")
  end

  # Two pieces at once: neither waits for the other's whole order.
  it "goes on in each of several pieces" do
    one = having
    other = one.pieces.first.with(id: 9, choices: { "section_order" => %w[C A B] })
    week =
      Stairwell::Studio::Workload.new(
        one.with(pieces: [*one.pieces, other]),
        from: Date.new(2027, 3, 4)
      ).planned_week
    new = week.rows.select { |row| row.kind == :new }
    expect(new.map { |row| [row.assignment_id, row.title.to_s[0]] }).to eq([[7, "A"], [9, "C"]])
  end

  # Every combination keeps what no order may break.
  it "breaks no need and no budget, whatever the order" do
    ["piece", "hardest", "soonest", %w[C B A]].product([8, 15, 40])
      .each do |order, minutes|
        load =
          Stairwell::Studio::Workload.new(
            having(order, minutes_a_day: minutes),
            from: Date.new(2027, 3, 4)
          )
        steps = load.record.pieces.first.progress.steps.to_h { |step| [step.id, step] }
        good = Hash.new(0)
        load.planned_week.days.each do |day|
          expect(day.minutes).to be <= minutes
          day.steps.each do |item|
            # What joins sections may follow as soon as each was played.
            steps[item.step_id].needs.each do |id|
              joins = steps[item.step_id].section.nil?
              expect(good[id]).to be >= (joins ? 1 : steps[id].good_days)
            end
          end
          day.steps.each { |item| good[item.step_id] += 1 }
        end
      end
  end
end
