# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# What a lesson needs of the core: the offered result, what to hear first, what
# wants attention, what to skip, and the recap.
RSpec.describe "A lesson" do
  let(:today) { Date.new(2027, 3, 10) }
  let(:steps) { Stairwell::Practice.steps(page("bars: 8\nsection A: 1-4\nsection B: 5-8")) }

  def heard(days_ago, result, step: "A.right")
    Stairwell::Progress::LessonResult.new(
      step_id: step,
      date: today - days_ago,
      result: result,
      at: (today - days_ago).to_time
    )
  end

  # Own choice of the rules: stumbles per 8 bars at 95 % of the tempo: 0 steady, up
  # to 1 shaky, more not yet; steady in two weeks is secure.
  describe "offers a result from what was counted" do
    def offered(stumbles, bars: 8, **more) =
      Stairwell::Progress::Offer.of(stumbles: stumbles, bars: bars, date: today, **more).result

    it("by stumbles in eight bars") do
      expect([0, 1, 2].map { |count| offered(count) }).to eq(%i[steady shaky not_yet])
    end

    it("for short sections in proportion") do
      expect(
        [[1, 4], [1, 16], [3, 24], [4, 24]].map { |count, bars| offered(count, bars: bars) }
      ).to eq(%i[not_yet shaky shaky not_yet])
    end

    it "and only at the step's tempo" do
      expect([57, 56].map { |tempo| offered(0, tempo: tempo, target_tempo: 60) }).to eq(
        %i[steady shaky]
      )
      expect(offered(4, tempo: 40, target_tempo: 60)).to eq(:not_yet)
    end

    it "secure when it was steady in another week" do
      expect(offered(0, earlier: [heard(7, :steady)])).to eq(:secure)
      expect(offered(0, earlier: [heard(1, :steady)])).to eq(:steady)
      # A year ago, in a calendar week of the same number, was another week.
      expect(offered(0, earlier: [heard(364, :steady)])).to eq(:secure)
      expect(offered(0, earlier: [heard(7, :shaky)])).to eq(:steady)
    end
  end

  it "hears first what most later steps wait for" do
    tasks = Stairwell::Progress.piece(steps, [heard(0, :steady, step: "B.right")]).tasks
    first = Stairwell::Planning::Decisive.rank(tasks, %w[B.left A.right A-B@4.join]).map(&:id)
    expect(first.last).to eq("A-B@4.join")
    counts = Stairwell::Planning::Decisive.rank(tasks, %w[A.right]).first
    # After A.right come A.left, A.together, A.faster, the join, and the whole with
    # its rungs.
    behind =
      steps.count do |step|
        step.id.start_with?("whole") || step.join || (step.section == "A" && step.id != "A.right")
      end
    expect(counts.waiting).to eq(behind)
  end

  describe "wants attention" do
    def attention =
      Stairwell::Progress::Attention
        .new(today)
        .tap { |one| yield one }
        .to_a
        .map { |one| [one.kind, one.text] }

    it "when the forecast is after the due date" do
      late = attention { |one| one.forecast("Weir", Date.new(2027, 6, 1), Date.new(2027, 5, 28)) }
      expect(late).to eq(
        [[:late, "Weir is due on 28 May and may not be ready until 4 days after that"]]
      )
      expect(
        attention { |one| one.forecast("Weir", Date.new(2027, 5, 1), Date.new(2027, 5, 28)) }
      ).to eq([])
    end

    it "when no more than half of the days were practised, or there is no plan" do
      expect(
        [[2, 5], [2, 4], [3, 5], [0, 0]].map do |done, of|
          attention { |one| one.practice(done, of) }.size
        end
      ).to eq([1, 1, 0, 0])
      expect(attention { |one| one.plan(false) }).to eq([[:no_plan, "no plan for the coming week"]])
    end

    it "when a step was heard at two lessons without gain" do
      stuck = Stairwell::Progress.piece(steps, [heard(7, :shaky), heard(0, :not_yet)])
      expect(attention { |one| one.piece("Weir", stuck) }).to eq(
        [[:stuck, "A, right hand (Weir) was shaky, then not yet at 2 lessons"]]
      )
      gained = Stairwell::Progress.piece(steps, [heard(7, :not_yet), heard(0, :steady)])
      expect(attention { |one| one.piece("Weir", gained) }).to eq([])
    end

    it "when a review is a week late, and not before" do
      of = ->(days_ago) do
        attention do |one|
          one.piece("Weir", Stairwell::Progress.piece(steps, [heard(days_ago, :steady)]))
        end
      end
      expect(of[9]).to eq([]) # due after 3 days, so six late
      expect(of[10]).to eq([[:review, "A, right hand (Weir) should have come back 7 days ago"]])
    end

    it "when both parts hold and their join fails" do
      parts = %w[A B].map { |section| heard(0, :steady, step: "#{section}.together") }
      failing = Stairwell::Progress.piece(steps, [*parts, heard(0, :not_yet, step: "A-B@4.join")])
      expect(attention { |one| one.piece("Weir", failing) }.map(&:first)).to eq([:join])
    end
  end

  it "skips after a bad day what keeps and polishes before what others wait for" do
    item = ->(id, minutes, kind: :step, begins: false) do
      Stairwell::Planning::Item.new(id: id, minutes: minutes, why: "", kind: kind, begins: begins)
    end
    day = [
      item["a", 4r],
      item["b", 4r, begins: true],
      item["old", 2r, kind: :review],
      item["cards", 3r, kind: :extra_work]
    ]
    expect(Stairwell::Planning::Skip.of(day)).to eq(%w[cards old])
    expect(Stairwell::Planning::Skip.of([item["a", 4r]])).to eq([])
    expect(
      Stairwell::Planning::Skip.of([item["a", 4r], item["b", 4r]], { "a" => 0, "b" => 9 })
    ).to eq(%w[a])
  end

  describe "climbs" do
    let(:piece) { Stairwell::Progress.piece(steps, [heard(5, :steady)]) }

    it "in flights of sections, joins and the whole, with what was planned, real and likely" do
      practice = Stairwell::Planning::Practice.new(weekdays: [1, 2, 3, 4, 5, 6], minutes: 20r)
      schedule = ->(progress, from) do
        Stairwell::Planning.schedule(
          tasks: progress.tasks,
          practice: practice,
          from: from,
          next_lesson: from + 7
        )
      end
      ahead = schedule[piece, today + 1]
      finish =
        Stairwell::Planning.finish(
          tasks: piece.tasks,
          practice: practice,
          from: today + 1,
          next_lesson: today + 7
        )
      expect(ahead.values.map(&:last).max).to eq(finish.date)
      stretch = [
        Stairwell::Progress::Stairs.stretch(today + 1, finish.date, finish.date + 10),
        Stairwell::Progress::Stairs.stretch(today + 1, finish.date, nil)
      ]
      flights =
        Stairwell::Progress::Stairs.of(
          piece,
          planned: schedule[Stairwell::Progress.piece(steps, []), today - 7],
          ahead: ahead,
          stretch: stretch
        )
      expect(flights.map(&:name)).to eq(%w[A B joins whole])
      done = flights.first.treads.first
      expect([done.state, done.real, done.likely]).to eq([:steady, [today - 5, today - 5], nil])
      expect(done.planned.first).to be >= today - 7
      last = flights.last.treads.last
      expect([last.likely.last, last.cautious.last]).to eq([finish.date + 10, finish.date])
    end
  end

  describe "the recap" do
    def row(kind, title, days = (1..5).to_a, **more) =
      Stairwell::Recap::Row.new(kind: kind, title: title, days: days, **more)

    def letter(**more)
      Stairwell::Recap.write(
        name: "Odile",
        days: 5,
        next_lesson: Date.new(2027, 3, 10),
        short_day: true,
        results: [
          Stairwell::Recap::Outcome.new(title: "A", piece: "The Slow Ferry", result: :secure),
          Stairwell::Recap::Outcome.new(title: "D", piece: "The Slow Ferry", result: :steady)
        ],
        rows: [
          row(:warm_up, "Five fingers from D to A"),
          row(
            :new,
            "E",
            stages: ["right hand", "left hand", "hands together"],
            tempo: 60,
            piece: "The Slow Ferry"
          ),
          row(:grow, "D straight into E", [3, 4, 5], piece: "The Slow Ferry"),
          row(:keep_fresh, "A and B", [1, 3], piece: "Ropewalk"),
          row(:other_work, "Line 3 of the green cards", one_of: %w[3 4])
        ],
        **more
      )
    end

    it "says what went well and what to do, each piece once, and when to meet" do
      expect(letter).to eq(<<~TEXT.strip)
        Dear Odile,

        The Slow Ferry: A and D go well now. Learn E: right hand, left hand, then hands together, up to 60. Play D straight into E from day 3 on.

        Ropewalk: Play A and B once through on days 1 and 3, to keep it fresh.

        Warm up with Five fingers from D to A. Also: Line 3 of the green cards, one of 3 or 4.

        On a day with little time, do the rows marked ◆.

        See you on Wednesday, 10 March.
      TEXT
    end

    it "says which hand went well, where the other wasn't heard" do
      heard = ->(title, hands, result = :steady) do
        Stairwell::Recap::Outcome.new(
          title: title,
          piece: "The Slow Ferry",
          hands: hands,
          result: result
        )
      end
      all = [heard["A", :right], heard["A1", :right], heard["B", :left], heard["B", :both]]
      expect(letter(results: all)).to include(
        "The Slow Ferry: B and the right hand of A and A1 go well now."
      )
      expect(letter(results: all.first(2))).to include("The right hand of A and A1 goes well now.")
      expect(letter(results: [heard["A", :left, :not_yet]])).to include(
        "The left hand of A isn't there yet."
      )
    end

    it "speaks simply to a child, of what was made smaller" do
      said =
        letter(
          child: true,
          introduced: %w[C],
          results: [
            Stairwell::Recap::Outcome.new(
              title: "B",
              piece: "The Slow Ferry",
              result: :not_yet,
              simplification: "two bars at a time"
            )
          ]
        )
      expect(said).to include(
        "Hello Odile,",
        "New today: C.",
        "B was too much for now, so we take a smaller step first: two bars at a time.",
        "Learn E: right hand, left hand, then hands together."
      )
      expect(said).not_to include("60")
    end

    it "names what is learnt in many stages by the first and the last" do
      stages = ["point and count", "clap", "say the fingers", "say the notes", "play"]
      said = letter(rows: [row(:new, "A", stages: stages, piece: "Song")])
      expect(said).to include("Learn A: from “point and count” to “play”.")
    end

    it "has a hundred and twenty words at the most, and says when there is nothing" do
      many =
        %w[Weir Lock Reach Mill Ferry Gull].flat_map do |piece|
          [
            row(
              :new,
              "A and B",
              stages: ["right hand", "left hand", "hands together"],
              piece: piece
            ),
            row(:grow, "A straight into B", [3], piece: piece),
            row(:keep_fresh, "C", [1, 2], piece: piece)
          ]
        end
      said = letter(rows: many)
      expect(said.split.size).to be <= 120
      expect(said.scan("Learn A and B").size).to eq(6)
      expect(letter(rows: [])).to include("There is nothing to practise this week.")
    end
  end
end
