# frozen_string_literal: true

require_relative "spec_helper"
require "date"
require "demo/pieces"

RSpec.describe "Routines" do
  let(:page_of_everything) { page(<<~TEXT) }
      page 12: 4 4 4 4
      tempo: target 100
      section A: 1-4
      section B: 5-8
      section C: 9-12 difficulty 4
      section D: 13-16
      dynamics: 1 mf, 5 p
      articulation A: short and light
      articulation D: long lines
      pedal: 9-12
      ornament: 6
      lyrics 1: 1-4
      track: 3
      spot: 7 left hand, jump
      hard: 13
    TEXT

  def steps(map, routine = "hand_by_hand", **choices)
    Stairwell::Practice.steps(
      map,
      routine: Stairwell::Practice::ROUTINES.fetch(routine),
      choices: Stairwell::Practice::Choices.new(**choices)
    )
  end

  def ids(...) = steps(...).map(&:id)

  Stairwell::Practice::ROUTINES.each_value do |routine|
    describe "“#{routine.name}”" do
      it "works, says for whom and why, and leads from every section to the whole piece" do
        expect { Stairwell::Practice::RoutineCheck.call(routine) }.not_to raise_error
        expect([routine.for_whom, routine.why]).to all(match(/\A[A-Z].{20,}\.\z/m))
        [
          page_of_everything,
          *Demo::Pieces.all.map do |piece|
            page(
              "#{Stairwell::Formats::PageScript.write(piece.map)}#{piece.sections.map { |one| "section #{one}\n" }.join}"
            )
          end
        ].each do |map|
          made = Stairwell::Practice.steps(map, routine: routine)
          by_id = made.to_h { |step| [step.id, step] }
          seen = Set.new
          reach = ->(id) { seen.add?(id) && (by_id.fetch(id).needs + by_id[id].after).each(&reach) }
          made.select { |step| step.id.start_with?("whole.") }.each { |step| reach[step.id] }
          # a spot of a piece without together work stands by itself
          expect(by_id.keys - seen.to_a).to eq(by_id.keys.grep(/pedal|spot@/) - seen.to_a)
          expect {
            Stairwell::Planning::Needs.new(Stairwell::Progress.piece(made, []).tasks)
          }.not_to raise_error
          expect(
            made.map do |step|
              Stairwell::Practice::Step.from_data(JSON.parse(JSON.generate(step.to_data)))
            end
          ).to eq(made)
        end
      end

      it "is finished in the end" do
        tasks =
          Stairwell::Progress.piece(
            Stairwell::Practice.steps(page_of_everything, routine: routine),
            []
          ).tasks
        practice =
          Stairwell::Planning::Practice.new(weekdays: [1, 2, 4, 6], minutes: 25r, begin_per_day: 3)
        finish =
          Stairwell::Planning.finish(
            tasks: tasks,
            practice: practice,
            from: Date.new(2027, 3, 3),
            next_lesson: Date.new(2027, 3, 9)
          )
        expect(finish.days).to be >= finish.lower_bound
      end
    end
  end

  it "put a layer only where the page has it" do
    made = ids(page_of_everything)
    expect(made).to include("A.dynamics", "B.ornaments", "C.pedal", "spot@7-left.spot")
    expect(made).not_to include("C.dynamics", "A.ornaments", "A.pedal")
    expect(ids(page_of_everything, "say_clap_play")).to include("A.sing", "A.track", "B.track")
    expect(ids(page_of_everything, "say_clap_play")).not_to include("B.sing")
    expect(ids(page("bars: 4\nhands: alternating 1-4\nsection A: 1-4"))).not_to include(
      "A.right",
      "A.left"
    )
  end

  it "give hard bars, spots and joins eight repetitions where others get five, in proportion" do
    repetitions = steps(page_of_everything).to_h { |step| [step.id, step.repetitions] }
    expect(
      repetitions.values_at(
        "A.right",
        "D.right",
        "A.touch",
        "D.faster",
        "spot@7-left.spot",
        "A-B@4.join"
      )
    ).to eq([5, 8, 3, 8, 8, 8])
  end

  it "grow sections together as the teacher's school joins them" do
    grown = ->(join) { ids(page_of_everything, join: join).grep(/grow/) }
    expect(grown[:pairs]).to eq(%w[A+B.grow C+D.grow])
    expect(grown[:from_start]).to eq(%w[A+B.grow A+B+C.grow])
    expect(grown[:from_end]).to eq(%w[C+D.grow B+C+D.grow])
    by_id = steps(page_of_everything, join: :from_start).to_h { |step| [step.id, step] }
    expect(by_id["A+B+C.grow"].after).to contain_exactly("A-B@4.join", "B-C@8.join")
  end

  it "take the pedal where the teacher wants it, or leave it out" do
    map = page("bars: 8\nsection A: 1-4\nsection B: 5-8\npedal: 1-4\ndynamics: 1 f")
    needs = ->(pedal) do
      steps(map, pedal: pedal).to_h { |step| [step.id, step.needs + step.after] }
    end
    expect(needs[:last]["A.pedal"]).to include("A.dynamics")
    expect(needs[:before_dynamics]["A.dynamics"]).to eq(["A.pedal"])
    expect(needs[:none].keys.grep(/pedal/)).to eq([])
  end

  it "leave articulation and dynamics to the student, and memory out unless it is wanted" do
    layers = ->(**choices) { ids(page_of_everything, **choices).grep(/touch|dynamics/) }
    expect(layers[]).to eq(%w[A.touch A.dynamics B.dynamics D.touch])
    expect(layers[articulation_by: :student]).to eq(%w[A.dynamics B.dynamics])
    expect(layers[dynamics_by: :student]).to eq(%w[A.touch D.touch])
    expect(layers[articulation_by: :student, dynamics_by: :student]).to eq([])
    expect(ids(page_of_everything).grep(/memory/)).to eq([])
    expect(ids(page_of_everything, memory: true)).to include("A.memory", "whole.whole_memory")
  end

  it "begin with the easier or the harder hand, by what each has to strike" do
    jetty = Demo::Pieces.long_jetty
    map = jetty.map.with(sections: page("bars: 20\nsection A: 1-20").sections)
    struck =
      %i[right left].to_h { |hand| [hand, map.notes.values.sum { |hands| hands[hand].size }] }
    easier = struck.min_by(&:last).first
    first = ->(order) do
      steps(map, hand_order: order)
        .find { |step| %i[right left].include?(step.stage) && step.after.empty? }
        .stage
    end
    expect([first[:easier], first[:harder]]).to eq([easier, (%i[right left] - [easier]).first])
  end

  it "keep the youngest's ladder in one sitting, in its order" do
    tasks =
      Stairwell::Progress.piece(
        steps(page("bars: 4\ntempo: target 90\nsection A: 1-4"), "say_clap_play"),
        []
      ).tasks
    practice =
      Stairwell::Planning::Practice.new(weekdays: (0..6).to_a, minutes: 20r, begin_per_day: 10)
    day =
      Stairwell::Planning
        .week(
          tasks: tasks,
          practice: practice,
          from: Date.new(2027, 3, 3),
          next_lesson: Date.new(2027, 3, 4)
        )
        .days
        .first
    expect(day.items.map(&:id)).to eq(
      %w[A.count A.clap A.clap_fingers A.play_fingers A.clap_notes A.play_notes A.together]
    )
  end

  it "let the teacher order the aspects of a sitting" do
    expect(Stairwell::Practice::ROUTINES["aspect_by_aspect"].sitting).to eq(
      %i[rhythm fingering notes together]
    )
    by_id =
      steps(
        page("bars: 4\nsection A: 1-4"),
        "aspect_by_aspect",
        order: %i[notes rhythm fingering together]
      ).to_h { |step| [step.id, step] }
    expect(%w[A.notes A.rhythm A.fingering A.together].map { |id| by_id[id].after }).to eq(
      [[], ["A.notes"], ["A.rhythm"], ["A.fingering"]]
    )
  end

  it "give a section with the same notes only the layer that differs" do
    tune = Demo::Notation.hands("C4q D4q E4q F4q | C4q D4q E4q F4q", "C3w | C3w")
    touched =
      tune.merge(
        2 =>
          tune[2].merge(right: tune[2][:right].map { |note| note.with(articulation: %w[staccato]) })
      )
    map = page("bars: 2\nsection A: 1\nsection B: 2 like A").with(notes: touched)
    expect(ids(map).grep(/\AB\./)).to eq(["B.touch"])
    expect(ids(map.with(notes: tune)).grep(/\AB\./)).to eq([])
  end

  it "look a piece over without a pulse, in seconds" do
    overview = steps(page_of_everything, "whole_piece").find { |step| step.stage == :overview }
    expect(overview).to have_attributes(
      tempo: nil,
      minutes: 2.5r,
      arithmetic: "2½ min: 1 × 120 s, 8 s between; 1 good day"
    )
  end

  it "say what the hands do, in words" do
    how = ->(routine, id) do
      Stairwell::Practice.how(steps(page_of_everything, routine).find { |step| step.id == id })
    end
    expect(
      [
        how["hand_by_hand", "A.right"],
        how["hand_by_hand", "A.together"],
        how["rhythm_first", "A.rhythm"]
      ]
    ).to eq(["right hand", "hands together", "tap"])
    expect(how["shapes_first", "A.blocked"]).to eq("right hand plays, left hand blocks the chords")
    expect(
      [
        how["say_clap_play", "A.count"],
        how["say_clap_play", "A.say_words"],
        how["say_clap_play", "A.clap_notes"]
      ]
    ).to eq(["point and count", "say the words", "clap"])
  end

  it "draw what to do for who cannot read, so that no two rungs of a section look alike" do
    all =
      steps(
        page("bars: 4\ntempo: target 90\ntrack: 7\nlyrics 1: 1-4\nsection A: 1-4"),
        "say_clap_play"
      ).select { |step| step.section == "A" }
    drawn = all.to_h { |step| [step.stage, Stairwell::Practice.pictures(step)] }
    expect(drawn.values.uniq.size).to eq(all.size)
    expect(drawn).to include(
      count: [:point],
      clap: [:clap],
      clap_fingers: %i[clap fingers],
      play_notes: %i[both names],
      sing: %i[both sing],
      together: [:both]
    )
    lines =
      JSON.parse(File.read(File.expand_path("../../web/src/components/actions.json", __dir__)))
    expect(Stairwell::Practice::Stage::PICTURES.map(&:to_s) - lines.keys).to eq([])
  end

  describe "are refused" do
    def check(*stages) =
      Stairwell::Practice::RoutineCheck.call(
        Stairwell::Practice::Routine.new(key: "own", name: "Own", for_whom: "", stages: stages)
      )

    def stage(key, scope = :section, **more) =
      Stairwell::Practice::Stage.new(
        key: key,
        name: key.to_s,
        scope: scope,
        good_days: 1,
        done: "it goes",
        tempo_share: 1 / 2r,
        **more
      )

    it "when a stage waits for what nothing on its places leads to" do
      expect {
        check(stage(:a), stage(:join, :join, needs: [:a]), stage(:b, needs: [:join]))
      }.to raise_error(
        Stairwell::ContradictionError,
        /“b” works on a section and waits for “join”, which works on a join/
      )
    end

    it "when nothing reaches the whole from a stage" do
      expect { check(stage(:a), stage(:lost), stage(:whole, :whole, needs: [:a])) }.to raise_error(
        Stairwell::ContradictionError,
        /Nothing reaches the whole piece from “lost”/
      )
      expect {
        check(stage(:a), stage(:found), stage(:whole, :whole, needs: %i[a found]))
      }.not_to raise_error
    end

    it "when a ladder has nothing to climb to" do
      expect {
        check(stage(:whole, :whole, ladder: true, tempo_share: nil, seconds: 60))
      }.to raise_error(Stairwell::ContradictionError, /no tempo to climb to/)
    end
  end

  it "are kept as data, and refused where the data is damaged" do
    Stairwell::Practice::ROUTINES.each_value do |routine|
      data = JSON.parse(JSON.generate(Stairwell::Practice::RoutineDocument.dump(routine)))
      expect(
        Stairwell::Practice::RoutineDocument.load(
          data,
          **routine.to_h.slice(:key, :name, :for_whom, :why)
        )
      ).to eq(routine)
      [
        { "scope" => "everywhere" },
        { "tempo_share" => "1/0" },
        { "key" => nil },
        { "hands" => "three" }
      ].each do |wrong|
        expect {
          Stairwell::Practice::RoutineDocument.load(
            [data.first.merge(wrong)],
            key: "x",
            name: "x",
            for_whom: "x"
          )
        }.to raise_error(Stairwell::ContradictionError, /damaged/)
      end
    end
  end

  describe "refused because they cannot work" do
    let(:stages) { Stairwell::Practice::HAND_BY_HAND.stages }

    def refusal(stages)
      Stairwell::Practice::RoutineCheck.call(Stairwell::Practice::HAND_BY_HAND.with(stages: stages))
      nil
    rescue Stairwell::ContradictionError => error
      error.message
    end

    def changed(key, **more) = stages.map { |one| (one.key == key) ? one.with(**more) : one }

    it "say which stage and why" do
      expect(refusal([])).to include("no stage")
      expect(refusal(changed(:right, needs: [:together]))).to match(/circle: .*“right hand”/)
      expect(refusal(changed(:together, needs: [:ghost]))).to include(
        "“hands together” waits for a stage “ghost” that is not in the routine"
      )
      expect(refusal(changed(:right, tempo_share: nil))).to include("neither a tempo nor a time")
      expect(refusal(changed(:right, tempo_share: 3r))).to include("300 % of the target tempo")
      expect(refusal(changed(:faster, needs: [:whole]))).to match(/circle: .*“without a stop”/)
      expect(refusal(changed(:right, good_days: 0))).to include(
        "at least one repetition and one good day"
      )
      expect(refusal(stages + [stages.first])).to include("Two stages are called")
      expect(
        refusal(stages.select { |one| one.scope == :join }.map { |one| one.with(needs: []) })
      ).to include("No stage works on a section")
      expect(refusal(stages)).to be_nil
    end
  end

  it "stands each stage one above what it waits for: hands beside each other, the whole on top" do
    levels = Stairwell::Practice::ROUTINES.fetch("hand_by_hand").levels
    expect(levels.slice(:spot, :right, :left, :together)).to eq(
      spot: 0,
      right: 0,
      left: 0,
      together: 1
    )
    expect(levels.values.max).to eq(
      levels.fetch(Stairwell::Practice::ROUTINES.fetch("hand_by_hand").stages.last.key)
    )
    Stairwell::Practice::ROUTINES.each_value do |routine|
      found = routine.levels
      routine.stages.each do |stage|
        expect((stage.waits - [stage.key]).map { |key| found.fetch(key) }).to all(
          be < found.fetch(stage.key)
        ),
        "#{routine.key} #{stage.key}"
      end
      expect(found.values.uniq.sort).to eq((0..found.values.max).to_a), routine.key
    end
  end

  # Practice steps of the metronome: three clean at a mark before the next one.
  it "climbs a ladder's marks within a day, each as often as its rule asks, fewer on a short day" do
    ladder =
      Stairwell::Practice
        .steps(page_of_everything, routine: Stairwell::Practice::ROUTINES.fetch("hand_by_hand"))
        .find { |step| step.marks.size == 2 }
    slow, fast = ladder.marks
    expect(slow).to be < fast
    expect(fast).to eq(ladder.tempo)
    expect(ladder.tempos(ladder.repetitions)).to eq([slow] * 3 + [fast] * 3)
    expect(ladder.tempos(2)).to eq([slow, fast])
    expect(ladder.tempos(3).first).to eq(slow)
    expect(ladder.with(marks: []).tempos(5)).to eq([])
  end
end
