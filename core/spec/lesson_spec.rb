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
    # Thursday, Friday, Saturday, Monday
    let(:dates) { [4, 5, 6, 8].map { |day| Date.new(2027, 3, day) } }

    def line(title, kind, on, **more) =
      Stairwell::Recap::Line.new(title: title, kind: kind, dates: on, **more)

    def letter(**more)
      Stairwell::Recap.write(
        name: "Odile",
        dates: dates,
        next_lesson: Date.new(2027, 3, 10),
        results: [Stairwell::Recap::Outcome.new(title: "A, hands together", result: :secure)],
        lines: [
          line(
            "B, left hand",
            :step,
            dates,
            place: "page 12, line 3, bars 1–4",
            repetitions: 5,
            tempo: 54,
            piece: "The Slow Ferry"
          ),
          line(
            "B, hands together",
            :step,
            dates.last(2),
            place: "page 12, line 3",
            repetitions: 5,
            tempo: 46
          ),
          line("Ropewalk, faster", :review, [dates[1]]),
          line("Line 3 of the green cards", :extra_work, dates.first(2), one_of: %w[3 4])
        ],
        **more
      )
    end

    it "says what went well, what to do and when, what to keep, and when to meet" do
      expect(letter).to eq(<<~TEXT.strip)
        Dear Odile,

        A, hands together goes well now. Well done.

        This week, begin each day's practice with whatever comes first here:
        – B, left hand (The Slow Ferry, page 12, line 3, bars 1–4): five times at 54, every day.
        – B, hands together (page 12, line 3): five times at 46, from Saturday on.

        Once through, to keep it: Ropewalk, faster on Friday.

        Also this week: Line 3 of the green cards, one of 3 or 4, on Thursday and Friday.

        See you on Wednesday, 10 March.
      TEXT
    end

    it "speaks simply to a child, of what was made smaller" do
      said =
        letter(
          child: true,
          introduced: %w[C],
          results: [
            Stairwell::Recap::Outcome.new(
              title: "B, left hand",
              result: :not_yet,
              simplification: "slower, at 46"
            )
          ]
        )
      expect(said).to include(
        "Hello Odile,",
        "This was too much for now, so we take a smaller step first: B, left hand: slower, at 46.",
        "We learnt section C today."
      )
    end

    it "begins with the warm-ups, and ends with older sections and their counts" do
      said =
        letter(
          lines: [
            line("five fingers from C to G", :warm_up, dates),
            line("the first scale", :warm_up, dates.first(1)),
            line("B, left hand", :step, dates, repetitions: 5, tempo: 54),
            line("keep up A, faster", :more, dates.last(1), repetitions: 3)
          ]
        )
      expect(said).to include(
        "comes first here:\n– Warm up with five fingers from C to G and the first scale on Thursday.\n– B, left hand: five times at 54, every day."
      )
      expect(said).to include("While there is time: keep up A, faster three times, on Monday.")
    end

    # 44 of 80 is just over a half, 60 three quarters, 76 nearly all of it.
    it "says to a child how fast in words" do
      often = ->(tempo, **more) do
        letter(
          lines: [
            line("A", :step, dates, repetitions: 2, tempo: tempo, share: Rational(tempo, 80))
          ],
          **more
        )[
          /– A: (.+), every day/,
          1
        ]
      end
      expect([44, 60, 76, 80].map { |tempo| often[tempo, child: true] }).to eq(
        [
          "twice, slowly",
          "twice, at a walking pace",
          "twice, nearly as fast as it will be",
          "twice, as fast as it goes"
        ]
      )
      expect(often[44]).to eq("twice at 44")
    end

    it "does not tell more than is read, and says when there is nothing" do
      many = letter(lines: (1..9).map { |at| line("Step #{at}", :step, dates, repetitions: 3) })
      expect([many.scan("– ").size, many.include?("The rest is on the sheet.")]).to eq([6, true])
      expect(letter(lines: [])).to include("There is nothing to practise this week.")
    end
  end
end
