# frozen_string_literal: true

require_relative "spec_helper"
require "date"
require "demo/pieces"
require "stairwell/command"
require "tempfile"

# Cases that tell apart what other specs let pass when one token of the code was another (see bin/mutations).
RSpec.describe "What one token decides" do
  let(:from) { Date.new(2027, 3, 3) } # a Wednesday

  def steps(map, routine = "hand_by_hand", **choices)
    routine = Stairwell::Practice::ROUTINES.fetch(routine) if routine.is_a?(String)
    Stairwell::Practice.steps(map, routine: routine, choices: Stairwell::Practice::Choices.new(**choices))
  end

  def stage(key, **more) = Stairwell::Practice::Stage.new(key: key, name: key.to_s, scope: :section, tempo_share: 6/10r, good_days: 1, done: "it goes", **more)

  def routine(*stages) = Stairwell::Practice::Routine.new(key: "own", name: "Own", for_whom: "x", why: "x", stages: stages)

  describe "in a week" do
    let(:practice) { Stairwell::Planning::Practice.new(weekdays: [3, 4, 5, 6, 0], minutes: 20r, begin_per_day: 2) }

    def week(tasks, practice: self.practice, **more) = Stairwell::Planning.week(tasks: tasks, practice: practice, from: from, next_lesson: from + 6, **more)

    it "names as a blocker what was introduced before what was not" do
      all = [task("long", minutes: 90), task("later", introduced: false), task("both", needs: %w[later long])]
      blockers = Stairwell::Planning::Blockers.new(all, Stairwell::Planning::Needs.new(all), practice, [])
      expect(blockers["both"].id).to eq("long")
    end

    it "pins what a teacher adds" do
      added = Stairwell::Planning::Override.new(kind: :added, id: "extra scales", date: from, title: "scales", minutes: 3)
      expect(week([task("a")], overrides: [added]).days.first.items.find { |item| item.kind == :added }.pinned).to be(true)
    end

    it "puts no run on a last day that its extra work has filled" do
      run = Stairwell::Planning::Run.new(id: "run", title: "So far", minutes: 6r)
      work = Stairwell::Planning::ExtraWork.new(id: "work 1", title: "Theory", minutes: 16r, times: 5)
      plan = ->(extra) { week([task("a", minutes: 2, good_days: 5)], runs: [run], extra_work: extra).days.last.items.map(&:kind) }
      expect(plan[[]]).to include(:run)
      expect(plan[[work]]).not_to include(:run)
    end

    it "leaves out runs before reviews, and those before what is known" do
      item = ->(id, kind, **more) { Stairwell::Planning::Item.new(id: id, kind: kind, minutes: 5r, why: "", **more) }
      skipped = Stairwell::Planning::Skip.of([item["run", :run], item["review", :review], item["a", :step], item["b", :step]])
      expect(skipped).to eq(%w[run review])
    end

    it "lets nothing begin unsaid" do
      expect(Stairwell::Planning::PlannedItem.new(id: "a", kind: :review, title: "A", minutes: 1r, why: "").begins).to be(false)
    end

    it "never practises on a day that is past" do
      tuesdays = Stairwell::Planning::Practice.new(weekdays: [2], minutes: 20r, begin_per_day: 2)
      outlooks = [from, from + 1].map { |day| Stairwell::Planning.forecast(tasks: [task("a", good_days: 4)], practice: tuesdays, from: day, next_lesson: from + 7) }
      expect(outlooks.first).to eq(outlooks.last)
    end

    it "makes no date later for what did not hold, unless it is said" do
      one = {tasks: [task("a", good_days: 6)], practice: practice, from: from, next_lesson: from + 6}
      expect(Stairwell::Planning.forecast(**one)).to eq(Stairwell::Planning.forecast(**one, wider: 1))
      expect(Stairwell::Planning.forecast(**one, wider: 2).cautious).to be > Stairwell::Planning.forecast(**one).cautious
    end

    it "adds what was practised longest ago before what was practised lately" do
      more = ->(id, days) { Stairwell::Planning::More.new(id: "#{id}~more", kind: :older, each: 2r, repetitions: 2, title: id, why: "", covered_by: [id], last: from - days) }
      days = week([], practice: practice.with(minutes: 4r, use: :full), more: [more["a", 2], more["b", 30]]).days
      expect(days.first.items.map(&:id)).to eq(["b~more"])
    end

    it "finishes what is shown at the next lesson in the days after it, not a lesson later" do
      finish = Stairwell::Planning.finish(tasks: [task("a", good_days: 1, introduced: false, lesson: 1)], practice: practice, from: from, next_lesson: from + 6)
      expect(finish.date).to be_between(from + 6, from + 12)
    end

    it "makes a flat day no longer than it is, with what is kept up beside it" do
      more = Array.new(3) { |at| Stairwell::Planning::More.new(id: "old#{at}~more", kind: :older, each: 2r, repetitions: 2, title: "old", why: "", covered_by: ["old#{at}"]) }
      tasks = Array.new(4) { |at| task("t#{at}", minutes: 8, repetitions: 5, good_days: 5, begun: true) }
      days = week(tasks, practice: practice.with(use: :flat), more: more).days
      expect(days.map(&:minutes)).to all(be <= 20)
    end

    it "puts a review on each day a teacher puts it" do
      review = Stairwell::Planning::Review.new(id: "old", due: from + 30, minutes: 3r, repetitions: 1)
      put = ->(day) { Stairwell::Planning::Override.new(kind: :on, id: "old", date: from + day) }
      days = week([task("a", good_days: 5)], reviews: [review], overrides: [put[0], put[1]]).days
      expect(days.map { |day| day.items.count { |item| item.id == "old" } }.first(3)).to eq([1, 1, 0])
    end

    it "takes a day's room for each step once, what the teacher put there first" do
      put = Stairwell::Planning::Override.new(kind: :on, id: "a", date: from)
      expect(week([task("a", good_days: 3), task("b", good_days: 3)], overrides: [put]).days.first.items.map(&:id)).to eq(%w[a b])
    end
  end

  describe "in what is kept and counted" do
    let(:days) { [from..(from + 6), (from + 20)..(from + 22)] }

    it "keeps days without lessons apart from days without practice" do
      away = Stairwell::Planning::Away.new(stretches: days.first(1), practising: days.last(1))
      expect(away.dump.map { |one| [one["from"], one["practice"]] }).to eq([["2027-03-03", nil], ["2027-03-23", true]])
      expect(Stairwell::Planning::Away.load(away.dump)).to eq(away)
    end

    it "has seen nothing of who has not begun" do
      expect(Stairwell::Planning::Habit::Seen.new.then { |seen| [seen.planned, seen.kept, seen.tried, seen.went] }).to eq([0, 0, 0, 0])
      expect(Stairwell::Planning::Promises.new.then { |all| [all.known, all.held] }).to eq([0, 0])
    end

    it "refuses a week that is no document, or one of another kind" do
      [[], "week", nil, {"schema" => "planned-week/9"}].each { |data| expect { Stairwell::Planning::WeekDocument.load(data) }.to raise_error(Stairwell::UnreadableError, /not a planned-week|no planned-week|is not a/) }
    end

    it "takes out of a week what a teacher added on that day, and nothing else" do
      put = ->(id, day) { Stairwell::Planning::Override.new(kind: :added, id: id, date: from + day, title: id, minutes: 3) }
      all = [put["a", 0], put["a", 1], put["b", 0]]
      expect(Stairwell::Planning::OverrideEdits.take_out(all, id: "a", date: from)).to eq(all.last(2))
    end

    it "counts lessons beyond those that are known by weeks from the last" do
      practice = Stairwell::Planning::Practice.new(weekdays: [1], minutes: 20r, begin_per_day: 2, lessons: [from + 7, from + 15])
      expect((1..4).map { |number| practice.lesson(number, from + 7) }).to eq([from + 7, from + 15, from + 22, from + 29])
      expect((1..3).map { |number| practice.with(lessons: []).lesson(number, from + 7) }).to eq([from + 7, from + 14, from + 21])
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
      expect([10, 9, 4].map { |room| one.fitting(room.to_r).repetitions }).to match([5, be_between(3, 4), be_between(1, 2)])
      expect(one.fitting(10r)).to equal(one)
      expect(one.fitting(one.times(1).minutes).repetitions).to eq(1)
    end

    it "is the same as a part of all of its section" do
      one = Stairwell::Planning::Bundles.of("both", [task("a", minutes: 10), task("b", minutes: 10)])
      expect(one.part_of(1r)).to equal(one)
      expect(one.part_of(1/2r).minutes).to be < one.minutes
    end

    it "stands together with others as long as the longest, begun by any, introduced by all" do
      parts = [task("a", good_days: 2, first: [9r], lesson: 1), task("b", good_days: 4, first: [9r, 8r, 7r], begun: true, lesson: 3, introduced: false)]
      both = Stairwell::Planning::Bundles.of("both", parts)
      expect([both.good_days, both.first.size, both.begun, both.introduced, both.lesson]).to eq([4, 3, true, false, 3])
      some = Stairwell::Planning::Bundles.of("some", [task("a", fallen: true, hard: false, priority: 1, repetitions: 2), task("b", fallen: false, hard: true, priority: 0, repetitions: 5)])
      expect([some.fallen, some.hard, some.priority, some.most, some.repetitions]).to eq([true, true, 1, 5, 5])
    end

    it "is a priority higher where its piece is late, and only there" do
      all = [task("1/a", good_days: 9, priority: 0), task("2/a", good_days: 1, priority: 0)]
      practice = Stairwell::Planning::Practice.new(weekdays: [3, 4, 5, 6, 0], minutes: 20r, begin_per_day: 2)
      call = ->(due) { Stairwell::Planning::Urgency.call(all, due: due, group: ->(id) { id[0] }, practice: practice, from: from, next_lesson: from + 7).map(&:priority) }
      expect(call["1" => from + 2]).to eq([1, 0])
      expect(call["1" => from + 200, "2" => from + 200]).to eq([0, 0])
      expect(call["1" => from + 200, "2" => from - 1]).to eq([0, 1])
      expect(call[{}]).to eq([0, 0])
      expect(Stairwell::Planning::Urgency.call(all.first(1), due: {"1" => from}, group: ->(id) { id[0] }, practice: practice, from: from, next_lesson: from + 7)).to eq(all.first(1))
    end
  end

  describe "in a plan file" do
    def planned(*steps, **practice)
      data = {"from" => "2027-03-03", "next_lesson" => "2027-03-09", "practice" => {"days" => %w[wed thu fri sat sun], "minutes" => 20, "begin_per_day" => 1, **practice}, "steps" => steps}
      out, err = StringIO.new, StringIO.new
      Tempfile.create(["plan", ".json"]) do |file|
        file.write(JSON.generate(data))
        file.flush
        [Stairwell::Command.run(["plan", file.path, "--json"], out: out, err: err), out.string + err.string]
      end
    end

    def step(id, **more) = {"id" => id, "counts" => 24, "tempo" => 60, "good_days" => 2, **more.transform_keys(&:to_s)}

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
      first = JSON.parse(planned(step("a"), step("b", hard: true)).last)["days"].first["items"].map { |item| item["id"] }
      expect(first).to eq(%w[b])
    end

    it "refuses needs that are no names" do
      expect(planned(step("a", needs: [1]))).to match([be_positive, /must be a list of ids/])
      expect(planned(step("a", needs: "b"))).to match([be_positive, /must be a list of ids/])
    end
  end

  describe "on paper and in words" do
    let(:layout) { page("page 3: 4 4\ntempo: target 80\nsection A: 1-4\nsection B: 5-8") }

    it "counts as most do, where nobody says how" do
      map = Stairwell::Score::Document.load(Stairwell::Score::Document.dump(Demo::Pieces.slow_ferry.map))
      said = ->(**more) { Stairwell::Practice::AspectNotes.new(map, **more).of(Stairwell::Practice::ROUTINES.fetch("say_clap_play").stages.first, [1], :right).map(&:to_s) }
      expect(said.call).to eq(said.call(counting: :bar))
      expect(said.call).not_to eq(said.call(counting: :syllables))
    end

    it "tells of slurs over two notes" do
      slurred = Array.new(4) { |at| Stairwell::Score::Note.new(onset: at * 1/4r, length: 1/4r, pitch: Stairwell::Score::Pitch.new(step: "CDEF"[at], alter: 0, octave: 4), tied: false, articulation: ["slurred"]) }
      map = page("bars: 2\ntempo: target 80").with(notes: {1 => {right: slurred, left: []}, 2 => {right: slurred, left: []}}, phrasing: Stairwell::Score::Phrasing.new(slurs: [[1, 1/2r], [2, 0r], [2, 1/2r], [2, 1r]]))
      said = Stairwell::Practice::AspectNotes.new(map).of(Stairwell::Practice::Stage.new(key: :x, name: "x", scope: :section, aspect: :articulation, tempo_share: 1r, good_days: 1, done: "x"), [1, 2], :right)
      expect(said.map(&:to_s)).to include(a_string_matching(/two/))
    end

    it "calls an exercise as it was typed where it says no hands" do
      expect(Stairwell::Practice::Chain.title("Scale").to_s).to eq("Scale")
      expect(Stairwell::Practice::Chain.title("Scale", hands: %i[right left]).to_s).to match(/\AScale.+right.+left/)
    end

    it "goes up from the first key that was typed" do
      keys = ["C major", "G major"].map { |name| Stairwell::Score::Key.parse(name) }
      expect(Stairwell::Practice::Chain.key(keys, 1, higher: 2).name).to eq("D major")
    end

    # I, IV and V of C as any handbook spells them, as near as they lie.
    it "plays a progression with its chords as they lie" do
      first = Stairwell::Practice::WarmUps.progression(Stairwell::Score::Key.parse("C major")).first
      expect(first.notes).to eq(["I: C E G", "IV: C F A", "I: C E G", "V: B D G", "I: C E G"])
      expect(first.fingers[:right]).to eq([1, 3, 5, 1, 2, 5, 1, 3, 5, 1, 2, 5, 1, 3, 5])
    end

    it "gives each hand its own fingers in five notes" do
      five = Stairwell::Practice::WarmUps.five_finger(Stairwell::Score::Key.parse("C major"))
      expect(five.fingers).to eq(right: [1, 2, 3, 4, 5], left: [5, 4, 3, 2, 1])
    end

    it "goes down on the metronome after two at the end that failed, whatever was before" do
      expect(Stairwell::Practice::Metronome.next_rung([60, 63, 66, 69], 66, [true, false, false])).to be < 66
      expect(Stairwell::Practice::Metronome.next_rung([60, 63, 66, 69], 66, [false, false, true])).to eq(66)
    end
  end

  describe "in a routine" do
    it "keeps what either hand waited for before both, in either order" do
      own = routine(stage(:look), stage(:right, hands: :right, after: []), stage(:left, hands: :left, after: %i[look right]), stage(:both, needs: %i[right left]))
      %i[right left].each { |order| expect(own.with_hand_first(order).stages.find { |one| one.key == order }.after).to eq([:look]) }
      everywhere = routine(stage(:look), stage(:right, hands: :right, after: []), stage(:left, hands: :left, after: [:right], everywhere: [:look]), stage(:both, needs: %i[right left]))
      expect(everywhere.with_hand_first(:left).stages.find { |one| one.key == :left }.everywhere).to eq([:look])
    end

    it "lets stages of a page, a verse, a join and joined sections wait for joins" do
      %i[page verse join growing whole].each do |scope|
        own = routine(stage(:all), stage(:join, scope: :join, needs: [:all]), stage(:next, scope: scope, needs: [:join]), stage(:end, scope: :whole, needs: %i[next]))
        expect { Stairwell::Practice::RoutineCheck.call(own) }.not_to raise_error, scope.to_s
      end
      own = routine(stage(:all), stage(:join, scope: :join, needs: [:all]), stage(:next, needs: [:join]), stage(:end, scope: :whole, needs: %i[next]))
      expect { Stairwell::Practice::RoutineCheck.call(own) }.to raise_error(Stairwell::Error, /waits for/)
    end

    it "is kept as text wherever a value is a name or a share" do
      kept = Stairwell::Practice::RoutineDocument.dump(routine(stage(:all, picture: :clap, tempo_share: 3/5r)))
      expect(kept.first.values_at("picture", "tempo_share")).to eq(%w[clap 3/5])
      expect(JSON.parse(JSON.generate(kept)).first.values_at("picture", "tempo_share", "good_days")).to eq(["clap", "3/5", 1])
    end

    it "is not faster than six fifths, nor slower than a tenth, and both are still of use" do
      check = ->(share) { Stairwell::Practice::RoutineCheck.call(routine(stage(:all, tempo_share: share), stage(:end, scope: :whole, needs: [:all]))) }
      [1/10r, 12/10r].each { |share| expect { check[share] }.not_to raise_error }
      [9/100r, 121/100r].each { |share| expect { check[share] }.to raise_error(Stairwell::Error) }
    end

    it "knows a stage leads on when another only comes earlier for it" do
      own = routine(stage(:first), stage(:second, earlier: [:first], needs: []), stage(:end, scope: :whole, needs: [:second]))
      expect { Stairwell::Practice::RoutineCheck.call(own) }.not_to raise_error
    end

    it "chains the sitting alone, and leaves stages that wait for none of it as they are" do
      own = routine(stage(:one, sitting: :all), stage(:two, after: [:one], sitting: :all), stage(:spot, scope: :spot), stage(:after, needs: [:two]), stage(:beside, after: [:two], needs: [:spot]), stage(:end, scope: :whole, needs: %i[spot after beside]))
      keys = own.sitting.reverse
      expect(keys).to eq(%i[two one])
      before, after = [own, own.in_order(keys)].map { |one| one.stages.to_h { |each| [each.key, each] } }
      alone = before.keys - keys
      untouched = alone.select { |key| ((before[key].needs + before[key].after) & keys).empty? }
      expect(untouched).not_to be_empty
      untouched.each { |key| expect([after[key].needs, after[key].after]).to eq([before[key].needs, before[key].after]) }
      (alone - untouched).each { |key| expect([after[key].needs & keys, after[key].after & keys]).to eq([(before[key].needs & keys).any? ? [keys.last] : [], (before[key].after & keys).any? ? [keys.last] : []]) }
    end
  end

  describe "of steps" do
    it "takes the easier hand first where that is wanted, by the notes there are" do
      few = ->(hand) { page("bars: 4\ntempo: target 80\nsection A: 1-4").with(notes: (1..4).to_h { |bar| [bar, {right: notes((hand == :right) ? 1 : 4), left: notes((hand == :left) ? 1 : 4)}] }) }
      first = ->(map) { steps(map, hand_order: :easier).map(&:hands).find { |hand| hand != :both } }
      expect(%i[right left].map { |hand| first[few[hand]] }).to eq(%i[right left])
    end

    def notes(count) = Array.new(count) { |at| Stairwell::Score::Note.new(onset: at * 1/4r, length: 1/4r, pitch: Stairwell::Score::Pitch.new(step: "C", alter: 0, octave: 4), tied: false) }

    it "learns the changed bars of a section apart where they lie apart" do
      map = page("bars: 24\ntempo: target 80\nsection A: 1-8\nsection A1: 9-16 like A except 10, 11, 14\nsection B: 17-24")
      expect(steps(map).find { |step| step.section == "A1" }.spans.map { |span| [span.from, span.to] }).to eq([[10, 11], [14, 14]])
    end

    it "lets what waits for a stage that climbs wait for its last rung" do
      own = routine(stage(:climb, ladder: true, tempo_share: 1r), stage(:end, scope: :whole, needs: [:climb], tempo_share: 1r))
      made = steps(page("bars: 8\ntempo: target 100\nsection A: 1-8"), own)
      rungs = made.select { |step| step.stage == :climb }
      expect(rungs.size).to be > 1
      expect(made.find { |step| step.stage == :end }.needs).to eq([rungs.last.id])
    end

    it "makes a step without a tempo shorter by what is left of it" do
      own = routine(stage(:look, tempo_share: nil, seconds: 60, repetitions: 4), stage(:end, scope: :whole, needs: [:look]))
      step = steps(page("bars: 8\ntempo: target 80\nsection A: 1-8"), own).first
      fewer = Stairwell::Practice::Simplification.of(step, :fewer)
      expect(fewer.minutes).to be_between(step.minutes * fewer.repetitions * fewer.counts / (step.repetitions * step.counts), step.minutes)
      expect(fewer.minutes).to be < step.minutes
    end
  end

  describe "of places" do
    it "says bars where nobody said how the page is laid out" do
      map = page("bars: 8\ntempo: target 80\nsection A: 1-4\nsection B: 5-8")
      expect(steps(map).first.place.to_s).to eq("bars 1–4")
    end

    it "goes once through the page with the last of its endings" do
      map = page("bars: 9\ntempo: target 80\nrepeat: 1-8\nending 1: 8\nending 2: 9\nsection A: 1-9")
      own = routine(stage(:all), stage(:once, scope: :whole, repeats: false, needs: [:all]))
      expect(steps(map, own).last.spans.map { |span| [span.from, span.to] }).to eq([[1, 7], [9, 9]])
    end

    it "is of each section that it touches" do
      map = page("page 1: 4 4\ntempo: target 80\nsection A: 1-3\nsection B: 4-8")
      own = routine(stage(:lines, scope: :line), stage(:end, scope: :whole, needs: [:lines]))
      expect(steps(map, own).first(2).to_h { |step| [step.place.to_s, step.parts] }).to eq("page 1, line 1, all 4 bars" => %w[A B], "page 1, line 2, all 4 bars" => %w[B])
    end

    it "is hard where any hard bar lies in it" do
      map = page("page 1: 4 4\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nhard: 2\nhard: 7")
      own = routine(stage(:lines, scope: :line), stage(:all), stage(:end, scope: :whole, needs: %i[lines all]))
      expect(steps(map, own).reject { |step| step.stage == :end }.map(&:hard).uniq).to eq([true])
    end

    it "is hard where one of its places is" do
      map = page("bars: 8\ntempo: target 80\nsection A: 1-8\nlyrics 1: 1-2\nlyrics 2: 3-4\nlyrics 1: 5-6\nhard: 2")
      own = routine(stage(:verses, scope: :verse), stage(:end, scope: :whole, needs: [:verses]))
      expect(steps(map, own).reject { |step| step.stage == :end }.to_h { |step| [step.id, step.hard] }).to eq("verse@1.verses" => true, "verse@2.verses" => false)
    end

    it "taps a rhythm three times a day" do
      expect(steps(page("bars: 4\ntempo: target 80\nsection A: 1-4"), "rhythm_first").find { |step| step.stage == :rhythm }.repetitions).to eq(3)
    end

    it "waits for what is earlier only where it lies wholly before" do
      own = routine(stage(:first), stage(:second, earlier: [:first]), stage(:end, scope: :whole, needs: [:second]))
      made = steps(page("bars: 12\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12"), own)
      needs = made.select { |step| step.stage == :second }.to_h { |step| [step.section, step.needs] }
      expect(needs).to eq("A" => [], "B" => %w[A.first], "C" => %w[A.first B.first])
    end

    it "keeps a layer of a piece of one section whole" do
      own = routine(stage(:all), stage(:layer, scope: :whole, by_section: true, good_days: 3, needs: [:all]))
      made = steps(page("bars: 8\ntempo: target 80\nsection A: 1-8"), own).select { |step| step.stage == :layer }
      expect(made.map { |step| [step.section, step.good_days] }).to eq([[nil, 3]])
    end

    it "grows by the chain that is said" do
      own = routine(stage(:all), stage(:grow, scope: :growing, chain: :pairs, needs: [:all]), stage(:end, scope: :whole, needs: [:grow]))
      map = page("bars: 16\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-16")
      expect(steps(map, own).select { |step| step.stage == :grow }.map(&:id)).to eq(%w[A+B.grow C+D.grow])
    end

    it "says one tempo where a rung has one" do
      own = routine(stage(:climb, ladder: true, tempo_share: 1r), stage(:end, scope: :whole, needs: [:climb], tempo_share: 1r))
      titles = steps(page("bars: 8\ntempo: target 66\nsection A: 1-8"), own).select { |step| step.stage == :climb }.map { |step| step.title.to_s }
      expect(titles.grep(/then/)).not_to be_empty
      expect(titles.grep_v(/then/)).to all(match(/at \d+\z/))
      titles.grep(/then/).each { |title| expect(title.scan(/\d+/).uniq.size).to eq(2) }
    end

    it "takes half of the days of a layer section by section, and the rest of the whole" do
      own = routine(stage(:all), stage(:layer, scope: :whole, by_section: true, good_days: 3, needs: [:all]))
      made = steps(page("bars: 8\ntempo: target 80\nsection A: 1-4\nsection B: 5-8"), own).select { |step| step.stage == :layer }
      expect(made.map { |step| [step.section, step.good_days] }).to eq([["A", 2], ["B", 2], [nil, 1]])
    end
  end

  describe "of what a teacher changes in a routine" do
    def edited(*stages) = Stairwell::Practice::RoutineEdit.call(Stairwell::Practice::HAND_BY_HAND, stages)

    it "counts the bars of the hand that plays where the other is silent" do
      hands = ->(silent) { edited({:key => "together", silent => "silent"}).stages.find { |one| one.key == :together }.hands }
      expect(%i[right left].map { |silent| hands[silent] }).to eq(%i[left right])
    end

    it "takes the picture that is said" do
      expect(edited({key: "right", picture: "clap"}).stages.find { |one| one.key == :right }.picture).to eq(:clap)
    end

    it "learns what comes in unsaid slowly, on one day" do
      added = edited({key: "hum", name: "Hum it", scope: "section", after: ["right"]}).stages.find { |one| one.key == :hum }
      expect([added.tempo_share, added.good_days]).to eq([6/10r, 1])
    end
  end

  describe "of progress" do
    it "rises on the day a step became steady, not when it was begun, and is as far as it was planned" do
      all = steps(page("bars: 8\ntempo: target 80\nsection A: 1-4"))
      mark = ->(day) { Array.new(all.first.repetitions) { |at| Stairwell::Progress::Mark.new(key: "#{day} #{at}", step_id: all.first.id, date: from + day, kind: :repetition, at: Time.utc(2027, 3, 3 + day, 12)) } }
      piece = Stairwell::Progress.piece(all, (0...all.first.good_days).flat_map { |day| mark[day] })
      flights = Stairwell::Progress::Stairs.of(piece, planned: all.to_h { |step| [step.id, [from, from]] }, ahead: {}, stretch: [->(date) { date }, ->(date) { date }])
      stairs = Stairwell::Progress::Staircase.new(piece, flights, today: from + 20)
      expect(all.first.good_days).to be > 1
      expect(stairs.real.map(&:date)).to eq([from + all.first.good_days - 1])
      expect(stairs.said.to_s).to include("100 %")
    end

    def offer(stumbles, bars, **more) = Stairwell::Progress::Offer.of(stumbles: stumbles, bars: bars, date: from, **more).result

    it "offers not yet for more than a stumble in eight bars, slower than the step's tempo too" do
      expect([[3, 16], [2, 16]].map { |stumbles, bars| offer(stumbles, bars, tempo: 50, target_tempo: 80) }).to eq(%i[not_yet shaky])
    end

    def result(result, day) = Stairwell::Progress::LessonResult.new(step_id: "A.right", date: from + day, result: result, at: Time.utc(2027, 3, 3 + day, 16), key: "r#{day}")

    def practised(day, of) = Array.new(of.repetitions) { |at| Stairwell::Progress::Mark.new(key: "m#{day} #{at}", step_id: of.id, date: from + day, kind: :repetition, at: Time.utc(2027, 3, 3 + day, 12)) }

    it "counts reviews of what is secure from when it was heard secure first, and anew where it was less" do
      all = steps(page("bars: 4\ntempo: target 80\nsection A: 1-4"))
      reviews = ->(*events) { Stairwell::Progress.piece(all, events).standings["A.right"].reviews }
      expect(reviews[result(:secure, 0), *practised(1, all.first), *practised(2, all.first)]).to eq(2)
      expect(reviews[result(:secure, 0), *practised(1, all.first), result(:secure, 2), *practised(3, all.first)]).to eq(2)
      expect(reviews[result(:secure, 0), *practised(1, all.first), result(:steady, 2), result(:secure, 3), *practised(4, all.first)]).to eq(1)
    end

    it "keeps up what is secure after ever longer times, up to the longest" do
      all = steps(page("bars: 4\ntempo: target 80\nsection A: 1-4"))
      due = lambda do |reviews|
        piece = Stairwell::Progress.piece(all.first(1), [result(:secure, 0), *(1..reviews).flat_map { |day| practised(day, all.first) }])
        (piece.reviews(from + 400).map(&:due).min - (from + reviews)).to_i
      end
      expect((0..8).map { |reviews| due[reviews] }).to eq((0..8).map { |reviews| Stairwell::Constants::SECURE_REVIEW_DAYS[reviews] || Stairwell::Constants::SECURE_REVIEW_DAYS.max })
    end

    # As long as its counts take, and the eight seconds to get ready.
    it "counts what is kept up in exact minutes" do
      all = steps(page("bars: 4\ntempo: target 80\nsection A: 1-4"))
      more = Stairwell::Progress.piece(all, [result(:steady, 0)]).more.find { |one| one.id.start_with?("A.right") }
      expect(more.each).to eq(Rational(all.first.counts, all.first.tempo) + 8/60r)
    end

    it "teaches what is introduced already at the next lesson, whatever else waits" do
      all = steps(page("bars: 8\ntempo: target 80\nsection A: 1-4\nsection B: 5-8"))
      shown = Stairwell::Progress::Introduction.new(what: "A", introduced: true, at: Time.utc(2027, 3, 1), key: "a")
      tasks = Stairwell::Progress.piece(all, [shown], introduce_first: true).tasks
      expect(tasks.select { |one| one.id.start_with?("A.") }.map(&:lesson).uniq).to eq([1])
    end
  end
end
