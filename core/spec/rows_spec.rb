# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/charts"

# Weeks as teachers write them by hand (common practice, no source; what isn't said of one is chosen
# here: 4/4, target 76, middling difficulty). The planner comes to the same rows, and in each cell
# to the same stage or its neighbour on the path; minutes within three of those written.
RSpec.describe Stairwell::Rows do
  include Charts

  # 25 bars: A to D go, E was introduced; the road jumps from C into E.
  let(:mill) do
    "title: The Mill\nbars: 25\ntempo: target 76\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-20\nsection E: 21-25\nto coda: 12\ncoda: 21\nda capo: 20 al coda"
  end
  let(:first_four) do
    [
      *%w[A B C D].map { |label| heard("#{label}.faster") },
      *%w[A-B@4 B-C@8 C-D@12].map { |join| heard("#{join}.join") },
      *%w[A+B C+D A+B+C+D].map { |span| heard("#{span}.grow") },
      *shown("A", "B", "C", "D", "E")
    ]
  end

  it "is three rows for a child of six who can't read, ten minutes on four days" do
    song =
      piece(
        "title: A Song\nbars: 8\ntempo: target 76\nsection A: 1-4\nsection B: 5-8",
        shown("A"),
        routine: "say_clap_play",
        introduce_first: true
      )
    week = week([song], days: 4, minutes: 10, child: true, reads: false, beside: [fingers, old])
    expect(kinds(week)).to eq(%i[warm_up new repertoire])
    expect(week.rows.select(&:short_day).map { |row| row.title.to_s }).to eq(["A"])
    # Counting leaves first, the clapping next; playing is there every day, and alone at the end.
    rungs = cells(week, "A").map { |cell| cell.map { |part| part.step.stage } }
    expect(rungs.first.first(2)).to eq(%i[count clap])
    expect(rungs.map(&:last).uniq).to eq([:together])
    expect(rungs.last).to eq([:together])
    expect(rungs.map(&:size)).to eq(rungs.map(&:size).sort.reverse)
    expect(minutes(week)).to all(be_between(5 - 3, 7 + 3))
  end

  it "is five rows for a child of ten with two pieces" do
    second =
      piece(
        "title: Two Gulls\nbars: 12\ntempo: target 56\nsection A: 1-4\nsection B: 5-8\nsection B1: 9-12 like B moved",
        [heard("A.faster"), heard("B.faster"), heard("A-B@4.join"), *shown("A", "B", "B1")],
        id: 2,
        introduce_first: true
      )
    week =
      week(
        [piece(mill, first_four, introduce_first: true), second],
        days: 5,
        minutes: 20,
        child: true,
        beside: [fingers]
      )
    expect(week.rows.size).to be <= 6
    expect(stages(week, "E", piece: 1)).to eq(
      [%i[right left], [:together], [:together], [:faster], [:faster]]
    )
    expect(times(week, "E", piece: 1)).to eq([[3, 3], [5], [5], [5], [3]])
    # The jump from C into E waits until E goes hands together; from the beginning on two days.
    jump = week.rows.find { |row| row.kind == :hard_place }
    expect(jump.title.to_s).to eq("C to E")
    expect((1..5).map { |day| jump.on(day).map(&:times) }).to eq([[], [], [5], [5], [3]])
    expect(runs(week, 1)).to eq([nil, "A to the end of D", nil, "A to the end of D", nil])
    expect(runs(week, 2)).to eq(
      ["A to the end of B", nil, "A to the end of B", nil, "A to the end of B"]
    )
    expect(week.rows.select(&:short_day).map { |row| row.title.to_s }).to eq(%w[E B1])
    expect(minutes(week)).to all(be_between(11 - 3, 17 + 3))
  end

  it "begins with the leap for a child of twelve, and plays the whole at the end of the week" do
    reed =
      piece(
        "title: Reed Song\nbars: 16\ntempo: target 84\nsection A: 1-4\nsection A1: 5-8 like A\nsection B: 9-12\nsection C: 13-16\nspot: 11 leap",
        [
          heard("A.faster"),
          heard("B.right"),
          heard("B.left"),
          heard("B.together", :shaky),
          heard("A-A1@4.join"),
          heard("A1-B@8.join"),
          heard("A+A1.grow"),
          *shown("A", "A1", "B", "C")
        ],
        target: 84,
        introduce_first: true
      )
    week = week([reed], days: 5, minutes: 20, child: true, beside: [fingers, sight, old])
    expect(kinds(week)).to eq(%i[warm_up hard_place new grow whole sight_reading repertoire])
    leap = week.rows.find { |row| row.kind == :hard_place }
    expect((1..5).map { |day| leap.on(day).map(&:times) }).to eq([[5], [5], [3], [3], [3]])
    expect(stages(week, "C")).to eq(
      [%i[right left], [:together], [:together], [:faster], [:faster]]
    )
    expect(joins(week, 1).index(&:any?)).to be_between(1, 2)
    whole = week.rows.find { |row| row.kind == :whole }
    expect(whole.days.keys.min).to be_between(4, 5)
    expect(minutes(week)).to all(be_between(12 - 3, 15 + 3))
  end

  it "keeps A fresh until it goes straight into B, for an adult with a quarter of an hour" do
    adult =
      piece(
        "title: Adult\nbars: 8\ntempo: target 76\nsection A: 1-4\nsection B: 5-8",
        [heard("A.faster")]
      )
    week = week([adult], days: 4, minutes: 15, beside: [fingers, old])
    expect(stages(week, "B")).to eq([%i[right left], [:together], [:together], [:faster]])
    expect(stages(week, "A").map(&:any?)).to eq([true, true, false, false])
    expect(times(week, "A").first).to eq([2])
    expect(joins(week, 1).map(&:any?)).to eq([false, false, true, true])
    expect(week.rows.select(&:short_day).map { |row| row.title.to_s }).to eq(["B"])
    expect(minutes(week)).to all(be_between(5, 11 + 3))
  end

  it "goes on smaller after a not yet, and what rests on it waits" do
    before =
      piece(
        mill,
        [
          *first_four,
          heard("E.together", :not_yet),
          Stairwell::Progress::Simplified.new(
            step_id: "E.together",
            form: :first_half,
            bar: nil,
            at: Charts::DAY.to_time
          )
        ],
        introduce_first: true
      )
    week = week([before], days: 5, minutes: 20, child: true, beside: [fingers])
    smaller = week.rows.find { |row| row.kind == :new }.path.map(&:id)
    expect(smaller.index("E.together~smaller-first-half")).to be < smaller.index("E.together")
    expect(joins(week, 1).first(3)).to all(be_empty)
    expect(runs(week, 1).compact).to eq(["A to the end of D"] * 2)
  end

  it "has three pieces in three quarters of an hour: new sections, a hard join, a piece up to tempo" do
    first =
      piece(
        "title: Long Reach\nbars: 48\ntempo: target 96\nsection A: 1-4\nsection B: 5-8\nsection C: 9-24\nsection D: 25-48",
        shown("A", "B"),
        target: 96,
        introduce_first: true
      )
    second =
      piece(
        "title: Weir\nbars: 8\ntempo: target 96\nsection A: 1-4\nsection B: 5-8",
        [heard("A.together"), heard("B.together"), heard("A-B@4.join")],
        id: 2,
        target: 96
      )
    week = week([first, second], days: 5, minutes: 45, beside: [fingers, sight, old])
    expect(stages(week, "A and B", piece: 1).first).to eq(%i[right right left left])
    expect(joins(week, 1).index(&:any?)).to eq(2)
    up = week.rows.find { |row| row.kind == :whole && row.piece.id == 2 }
    expect(up.path.map(&:stage)).to start_with(:faster)
    expect(kinds(week)).to include(:sight_reading, :repertoire)
    expect(minutes(week)).to all(be <= 45)
  end
end
