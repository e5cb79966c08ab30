# frozen_string_literal: true

require_relative "support/unnoticed"

RSpec.describe "What one token of planning decides" do
  include_context "one token"

  describe "in a week" do
    let(:practice) do
      Stairwell::Planning::Practice.new(weekdays: [3, 4, 5, 6, 0], minutes: 20r, begin_per_day: 2)
    end

    def week(tasks, practice: self.practice, **more) =
      Stairwell::Planning.week(
        tasks: tasks,
        practice: practice,
        from: from,
        next_lesson: from + 6,
        **more
      )

    it "names as a blocker what was introduced before what was not" do
      all = [
        task("long", minutes: 90),
        task("later", introduced: false),
        task("both", needs: %w[later long])
      ]
      blockers =
        Stairwell::Planning::Blockers.new(all, Stairwell::Planning::Needs.new(all), practice, [])
      expect(blockers["both"].id).to eq("long")
    end

    it "leaves out runs before reviews, and those before what is known" do
      item = ->(id, kind, **more) do
        Stairwell::Planning::Item.new(id: id, kind: kind, minutes: 5r, why: "", **more)
      end
      skipped =
        Stairwell::Planning::Skip.of(
          [item["run", :run], item["review", :review], item["a", :step], item["b", :step]]
        )
      expect(skipped).to eq(%w[run review])
    end

    it "lets nothing begin unsaid" do
      expect(
        Stairwell::Planning::PlannedItem.new(
          id: "a",
          kind: :review,
          title: "A",
          minutes: 1r,
          why: ""
        ).begins
      ).to be(false)
    end

    it "never practises on a day that is past" do
      tuesdays = Stairwell::Planning::Practice.new(weekdays: [2], minutes: 20r, begin_per_day: 2)
      outlooks =
        [from, from + 1].map do |day|
          Stairwell::Planning.forecast(
            tasks: [task("a", good_days: 4)],
            practice: tuesdays,
            from: day,
            next_lesson: from + 7
          )
        end
      expect(outlooks.first).to eq(outlooks.last)
    end

    it "makes no date later for what did not hold, unless it is said" do
      one = {
        tasks: [task("a", good_days: 6)],
        practice: practice,
        from: from,
        next_lesson: from + 6
      }
      expect(Stairwell::Planning.forecast(**one)).to eq(
        Stairwell::Planning.forecast(**one, stretch: 1)
      )
      expect(Stairwell::Planning.forecast(**one, stretch: 2).cautious).to be >
        Stairwell::Planning.forecast(**one).cautious
    end

    it "finishes what is shown at the next lesson in the days after it, not a lesson later" do
      finish =
        Stairwell::Planning.finish(
          tasks: [task("a", good_days: 1, introduced: false, lesson: 1)],
          practice: practice,
          from: from,
          next_lesson: from + 6
        )
      expect(finish.date).to be_between(from + 6, from + 12)
    end
  end

  describe "of a task" do
    it "takes its longest first days first, however many days it comes to" do
      one = task("a", minutes: 2, good_days: 3, first: [6r, 4r])
      expect(one.over(6).days_left).to eq([6, 6, 4, 4, 2, 2])
      expect(one.over(3).days_left).to eq([6, 4, 2])
    end

    it "fits into the room as often as there is room for, whole where it is" do
      one = task("a", minutes: 10, repetitions: 5)
      expect([10, 9, 4].map { |room| one.fitting(room.to_r).repetitions }).to match(
        [5, be_between(3, 4), be_between(1, 2)]
      )
      expect(one.fitting(10r)).to equal(one)
      expect(one.fitting(one.times(1).minutes).repetitions).to eq(1)
    end

    it "is the same as a part of all of its section" do
      one =
        Stairwell::Planning::Bundles.of("both", [task("a", minutes: 10), task("b", minutes: 10)])
      expect(one.part_of(1r)).to equal(one)
      expect(one.part_of(1 / 2r).minutes).to be < one.minutes
    end

    it "stands together with others as long as the longest, begun by any, introduced by all" do
      parts = [
        task("a", good_days: 2, first: [9r], lesson: 1),
        task("b", good_days: 4, first: [9r, 8r, 7r], begun: true, lesson: 3, introduced: false)
      ]
      both = Stairwell::Planning::Bundles.of("both", parts)
      expect([both.good_days, both.first.size, both.begun, both.introduced, both.lesson]).to eq(
        [4, 3, true, false, 3]
      )
      some =
        Stairwell::Planning::Bundles.of(
          "some",
          [
            task("a", fallen: true, hard: false, priority: 1, repetitions: 2),
            task("b", fallen: false, hard: true, priority: 0, repetitions: 5)
          ]
        )
      expect([some.fallen, some.hard, some.priority, some.most, some.repetitions]).to eq(
        [true, true, 1, 5, 5]
      )
    end

    it "is a priority higher where its piece is late, and only there" do
      all = [task("1/a", good_days: 9, priority: 0), task("2/a", good_days: 1, priority: 0)]
      practice =
        Stairwell::Planning::Practice.new(weekdays: [3, 4, 5, 6, 0], minutes: 20r, begin_per_day: 2)
      call = ->(due) do
        Stairwell::Planning::Urgency.call(
          all,
          due: due,
          group: ->(id) { id[0] },
          practice: practice,
          from: from,
          next_lesson: from + 7
        ).map(&:priority)
      end
      expect(call["1" => from + 2]).to eq([1, 0])
      expect(call["1" => from + 200, "2" => from + 200]).to eq([0, 0])
      expect(call["1" => from + 200, "2" => from - 1]).to eq([0, 1])
      expect(call[{}]).to eq([0, 0])
      expect(
        Stairwell::Planning::Urgency.call(
          all.first(1),
          due: {
            "1" => from
          },
          group: ->(id) { id[0] },
          practice: practice,
          from: from,
          next_lesson: from + 7
        )
      ).to eq(all.first(1))
    end
  end

  describe "in a plan file" do
    def planned(*steps, **practice)
      data = {
        "from" => "2027-03-03",
        "next_lesson" => "2027-03-09",
        "practice" => {
          "days" => %w[wed thu fri sat sun],
          "minutes" => 20,
          "begin_per_day" => 1,
          **practice
        },
        "steps" => steps
      }
      out, err = StringIO.new, StringIO.new
      Tempfile.create(%w[plan .json]) do |file|
        file.write(JSON.generate(data))
        file.flush
        [
          Stairwell::Command.run(["plan", file.path, "--json"], out: out, err: err),
          out.string + err.string
        ]
      end
    end

    def step(id, **more) =
      { "id" => id, "counts" => 24, "tempo" => 60, "good_days" => 2, **more.transform_keys(&:to_s) }

    it "writes whole minutes as whole numbers" do
      status, text = planned(step("a"))
      expect([status, text[/"minutes":[\d.]+/]]).to eq([0, '"minutes":3'])
    end

    it "takes a step for new unless it says that it was begun" do
      first = ->(text) { JSON.parse(text)["days"].first["items"].map { |item| item["id"] } }
      expect(first[planned(step("a"), step("b")).last]).to eq(%w[a])
      expect(first[planned(step("a", begun: true), step("b", begun: true)).last]).to eq(%w[a b])
    end

    it "takes no step for hard that does not say so" do
      first =
        JSON.parse(planned(step("a"), step("b", hard: true)).last)["days"].first[
          "items"
        ].map { |item| item["id"] }
      expect(first).to eq(%w[b])
    end

    it "refuses needs that are no names" do
      expect(planned(step("a", needs: [1]))).to match([be_positive, /must be a list of ids/])
      expect(planned(step("a", needs: "b"))).to match([be_positive, /must be a list of ids/])
    end
  end
end
