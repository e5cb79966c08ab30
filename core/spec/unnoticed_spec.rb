# frozen_string_literal: true

require_relative "support/unnoticed"

RSpec.describe "What one token decides" do
  include_context "one token"

  describe "in what is kept and counted" do
    let(:days) { [from..(from + 6), (from + 20)..(from + 22)] }

    it "keeps days without lessons apart from days without practice" do
      away = Stairwell::Planning::Away.new(stretches: days.first(1), practising: days.last(1))
      expect(away.dump.map { |one| [one["from"], one["practice"]] }).to eq(
        [["2027-03-03", nil], ["2027-03-23", true]]
      )
      expect(Stairwell::Planning::Away.load(away.dump)).to eq(away)
    end

    it "has seen nothing of who has not begun" do
      expect(
        Stairwell::Planning::Habit::Seen.new.then do |seen|
          [seen.planned, seen.kept, seen.tried, seen.went]
        end
      ).to eq([0, 0, 0, 0])
      expect(Stairwell::Planning::Promises.new.then { |all| [all.known, all.held] }).to eq([0, 0])
    end

    it "refuses a week that is no document, or one of another kind" do
      [[], "week", nil, { "schema" => "planned-week/9" }].each do |data|
        expect { Stairwell::Planning::WeekDocument.load(data) }.to raise_error(
          Stairwell::UnreadableError,
          /not a planned-week|no planned-week|is not a/
        )
      end
    end

    it "takes out of a week what a teacher added on that day, and nothing else" do
      put = ->(id, day) do
        Stairwell::Planning::Override.new(
          kind: :added,
          id: id,
          date: from + day,
          title: id,
          minutes: 3
        )
      end
      all = [put["a", 0], put["a", 1], put["b", 0]]
      expect(Stairwell::Planning::OverrideEdits.take_out(all, id: "a", date: from)).to eq(
        all.last(2)
      )
    end

    it "counts lessons beyond those that are known by weeks from the last" do
      practice =
        Stairwell::Planning::Practice.new(
          weekdays: [1],
          minutes: 20r,
          begin_per_day: 2,
          lessons: [from + 7, from + 15]
        )
      expect((1..4).map { |number| practice.lesson(number, from + 7) }).to eq(
        [from + 7, from + 15, from + 22, from + 29]
      )
      expect((1..3).map { |number| practice.with(lessons: []).lesson(number, from + 7) }).to eq(
        [from + 7, from + 14, from + 21]
      )
    end
  end

  describe "on paper and in words" do
    let(:layout) { page("page 3: 4 4\ntempo: target 80\nsection A: 1-4\nsection B: 5-8") }

    it "counts as most do, where nobody says how" do
      map =
        Stairwell::Score::Document.load(
          Stairwell::Score::Document.dump(Demo::Pieces.slow_ferry.map)
        )
      said = ->(**more) do
        Stairwell::Practice::AspectNotes
          .new(map, **more)
          .of(Stairwell::Practice::ROUTINES.fetch("say_clap_play").stages.first, [1], :right)
          .map(&:to_s)
      end
      expect(said.call).to eq(said.call(counting: :bar))
      expect(said.call).not_to eq(said.call(counting: :syllables))
    end

    it "tells of slurs over two notes" do
      slurred =
        Array.new(4) do |at|
          Stairwell::Score::Note.new(
            onset: at * 1 / 4r,
            length: 1 / 4r,
            pitch: Stairwell::Score::Pitch.new(step: "CDEF"[at], alter: 0, octave: 4),
            tied: false,
            articulation: ["slurred"]
          )
        end
      map =
        page("bars: 2\ntempo: target 80").with(
          notes: {
            1 => {
              right: slurred,
              left: []
            },
            2 => {
              right: slurred,
              left: []
            }
          },
          phrasing:
            Stairwell::Score::Phrasing.new(slurs: [[1, 1 / 2r], [2, 0r], [2, 1 / 2r], [2, 1r]])
        )
      said =
        Stairwell::Practice::AspectNotes.new(map).of(
          Stairwell::Practice::Stage.new(
            key: :x,
            name: "x",
            scope: :section,
            aspect: :articulation,
            tempo_share: 1r,
            good_days: 1,
            done: "x"
          ),
          [1, 2],
          :right
        )
      expect(said.map(&:to_s)).to include(a_string_matching(/two/))
    end

    it "calls an exercise as it was typed where it says no hands" do
      expect(Stairwell::Practice::Chain.title("Scale").to_s).to eq("Scale")
      expect(Stairwell::Practice::Chain.title("Scale", hands: %i[right left]).to_s).to match(
        /\AScale.+right.+left/
      )
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
      expect(
        Stairwell::Practice::Metronome.next_rung([60, 63, 66, 69], 66, [true, false, false])
      ).to be < 66
      expect(
        Stairwell::Practice::Metronome.next_rung([60, 63, 66, 69], 66, [false, false, true])
      ).to eq(66)
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
      expect(steps(map, own).first(2).to_h { |step| [step.place.to_s, step.parts] }).to eq(
        "page 1, line 1, all 4 bars" => %w[A B],
        "page 1, line 2, all 4 bars" => %w[B]
      )
    end

    it "is hard where any hard bar lies in it" do
      map = page("page 1: 4 4\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nhard: 2\nhard: 7")
      own =
        routine(
          stage(:lines, scope: :line),
          stage(:all),
          stage(:end, scope: :whole, needs: %i[lines all])
        )
      expect(steps(map, own).reject { |step| step.stage == :end }.map(&:hard).uniq).to eq([true])
    end

    it "is hard where one of its places is" do
      map =
        page(
          "bars: 8\ntempo: target 80\nsection A: 1-8\nlyrics 1: 1-2\nlyrics 2: 3-4\nlyrics 1: 5-6\nhard: 2"
        )
      own = routine(stage(:verses, scope: :verse), stage(:end, scope: :whole, needs: [:verses]))
      expect(
        steps(map, own).reject { |step| step.stage == :end }.to_h { |step| [step.id, step.hard] }
      ).to eq("verse@1.verses" => true, "verse@2.verses" => false)
    end

    it "taps a rhythm three times a day" do
      expect(
        steps(page("bars: 4\ntempo: target 80\nsection A: 1-4"), "rhythm_first")
          .find { |step| step.stage == :rhythm }
          .repetitions
      ).to eq(3)
    end

    it "waits for what is earlier only where it lies wholly before" do
      own =
        routine(
          stage(:first),
          stage(:second, earlier: [:first]),
          stage(:end, scope: :whole, needs: [:second])
        )
      made =
        steps(
          page("bars: 12\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12"),
          own
        )
      needs =
        made.select { |step| step.stage == :second }.to_h { |step| [step.section, step.needs] }
      expect(needs).to eq("A" => [], "B" => %w[A.first], "C" => %w[A.first B.first])
    end

    it "keeps a layer of a piece of one section whole" do
      own =
        routine(
          stage(:all),
          stage(:layer, scope: :whole, by_section: true, good_days: 3, needs: [:all])
        )
      made =
        steps(page("bars: 8\ntempo: target 80\nsection A: 1-8"), own).select do |step|
          step.stage == :layer
        end
      expect(made.map { |step| [step.section, step.good_days] }).to eq([[nil, 3]])
    end

    it "grows by the chain that is said" do
      own =
        routine(
          stage(:all),
          stage(:grow, scope: :growing, chain: :pairs, needs: [:all]),
          stage(:end, scope: :whole, needs: [:grow])
        )
      map =
        page(
          "bars: 16\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12\nsection D: 13-16"
        )
      expect(steps(map, own).select { |step| step.stage == :grow }.map(&:id)).to eq(
        %w[A+B.grow C+D.grow]
      )
    end

    it "says one tempo where a rung has one" do
      own =
        routine(
          stage(:climb, ladder: true, tempo_share: 1r),
          stage(:end, scope: :whole, needs: [:climb], tempo_share: 1r)
        )
      titles =
        steps(page("bars: 8\ntempo: target 66\nsection A: 1-8"), own)
          .select { |step| step.stage == :climb }
          .map { |step| step.title.to_s }
      expect(titles.grep(/then/)).not_to be_empty
      expect(titles.grep_v(/then/)).to all(match(/at \d+\z/))
      titles.grep(/then/).each { |title| expect(title.scan(/\d+/).uniq.size).to eq(2) }
    end

    it "takes half of the days of a layer section by section, and the rest of the whole" do
      own =
        routine(
          stage(:all),
          stage(:layer, scope: :whole, by_section: true, good_days: 3, needs: [:all])
        )
      made =
        steps(
          page("bars: 8\ntempo: target 80\nsection A: 1-4\nsection B: 5-8"),
          own
        ).select { |step| step.stage == :layer }
      expect(made.map { |step| [step.section, step.good_days] }).to eq(
        [["A", 2], ["B", 2], [nil, 1]]
      )
    end
  end
end
