# frozen_string_literal: true

require_relative "spec_helper"

# Each order of practice as a routine, on a page that has what it is about: what comes in which
# order, one step after another as soon as what it waits for is done.
RSpec.describe "Orders of practice" do
  let(:four) { <<~TEXT }
      page 4: 4 4
      page 5: 4 4
      tempo: target 80
      section A: 1-4
      section B: 5-8
      section C: 9-12
      section A1: 13-16 like A
    TEXT

  def steps(number, more = "", base: four, **choices)
    Stairwell::Practice.steps(
      page(base + more),
      routine: Orders.routine(number),
      choices: Stairwell::Practice::Choices.new(**choices)
    )
  end

  # @return [Array<String>] ids, each as early as it can stand, by the order of the piece
  def sequence(...)
    left = steps(...)
    done = []
    until left.empty?
      following = left.find { |step| ((step.needs | step.after) - done).empty? } or
        raise "these wait for each other: #{left.map(&:id)}"
      done << left.delete(following).id
    end
    done
  end

  it "1: echo, join what is there before the next is begun, then three speeds" do
    expect(sequence(1)).to eq(
      %w[
        whole.listen
        A.echo
        B.echo
        A-B@4.join
        C.echo
        B-C@8.join
        C-A1@12.join
        whole.slow
        whole.medium
        whole.quick
      ]
    )
    expect(steps(1).last(3).map(&:tempo)).to eq([40, 56, 72])
  end

  it "2: four aspects of one section in one sitting in the teacher's order, then all at once" do
    made = steps(2)
    expect(sequence(2).first(5)).to eq(%w[A.fingers A.touch A.rhythm A.notes A.all_at_once])
    expect(made.select { |step| step.section == "A" }.map(&:sitting)).to eq(["A.aspects"] * 5)
    expect(
      made.find { |step| step.id == "A.touch" }.then { |step| Stairwell::Practice.how(step) }
    ).to eq("say the words")
    other = sequence(2, order: %i[rhythm fingers notes touch])
    expect(other.first(4)).to eq(%w[A.rhythm A.fingers A.notes A.touch])
  end

  it "3: left blocked, right, both blocked, as written; the pedal after all sections" do
    found = sequence(3, "pedal: 1-4\n")
    expect(found.first(4)).to eq(%w[A.left_blocked A.right A.blocked A.written])
    expect(found.last(2)).to eq(%w[A.pedal whole.whole])
  end

  it "4: one hand through the piece, then the other, then both; or the other way round" do
    expect(sequence(4)).to eq(
      %w[A.right B.right C.right A.left B.left C.left A.together B.together C.together whole.whole]
    )
    expect(sequence(4, hand_order: :left).first(6)).to eq(
      %w[A.left B.left C.left A.right B.right C.right]
    )
    # The last section begins with both hands at once, where the page says so.
    expect(sequence(4, "hands: together first 9-12\n")).to eq(
      %w[A.right B.right A.left B.left A.together B.together C.together whole.whole]
    )
  end

  it "5: sing, then page by page with its jump alone, the hard page more often, the whole free, in time, sung, by heart" do
    made = steps(5, "lyrics 1: 1-16\nspot: 6 jump\nhard: 9-12\n", memory: true)
    found = sequence(5, "lyrics 1: 1-16\nspot: 6 jump\nhard: 9-12\n", memory: true)
    expect(found).to eq(
      %w[
        whole.words
        whole.syllables
        spot@6.jump
        page@4.right
        page@4.left
        page@4.free
        page@4.in_time
        page@5.right
        page@5.left
        page@5.free
        page@5.in_time
        whole.whole_free
        whole.whole_in_time
        whole.singing
        whole.by_heart
      ]
    )
    by_id = made.to_h { |step| [step.id, step] }
    expect(by_id.values_at("page@4.right", "page@5.right").map(&:repetitions)).to eq([3, 5])
    expect([by_id["page@4.free"].tempo, by_id["page@4.in_time"].tempo]).to eq([nil, 48])
    expect(Stairwell::Practice.how(by_id["whole.words"])).to eq("clap, and say the words")
    expect(Stairwell::Practice.how(by_id["whole.singing"])).to eq("hands together, and sing")
    expect(by_id["page@4.right"].title).to eq("page 4, right")
  end

  it "6: the whole piece, aspect by aspect, the ornament last" do
    all = "articulation A: short\ndynamics: 1 p\nornament: 4\n"
    expect(sequence(6, all)).to eq(
      %w[
        whole.tap
        whole.left_blocked
        whole.left_written
        whole.right_hand
        whole.right_over_tapping
        whole.touch_said
        whole.loud_and_soft
        whole.left_without_sound
        whole.ornament
      ]
    )
    made = steps(6, all).to_h { |step| [step.stage, Stairwell::Practice.how(step)] }
    expect(made[:left_without_sound]).to eq(
      "right hand plays, left hand touches the keys without a sound"
    )
    expect(made[:right_over_tapping]).to eq("right hand plays, left hand taps")
  end

  it "7: the youngest's ladder in one sitting, each verse a rung, repeats left out until it is sung" do
    song =
      "bars: 8\ntempo: target 80\nrepeat: 1-8\nsection A: 1-8\nlyrics 1: 1-8\nlyrics 2: 1-8\ntrack: 4\n"
    expect(sequence(7, base: song)).to eq(
      %w[
        whole.count
        whole.clap
        whole.clap_names
        whole.play_names
        verse@1.words
        verse@2.words
        whole.sing
        whole.track
      ]
    )
    made = steps(7, base: song).to_h { |step| [step.stage, step] }
    expect(made.values_at(:count, :sing).map(&:counts)).to eq([32, 64])
    expect(Stairwell::Practice.how(made[:clap])).to eq("clap, and count aloud")
    expect(Stairwell::Practice.pictures(made[:clap])).to eq(%i[clap point])
    straight =
      Stairwell::Roadmap.playback(
        page(song),
        spans: made[:count].spans,
        straight: !made[:count].repeats
      )
    expect(straight[:bars].map { |bar| bar[:bar] }).to eq((1..8).to_a)
  end

  it "8: look, count small and large, each hand connected, each with its touch, then together; alike phrases once, a soft repeat as a layer" do
    swing =
      "bars: 12\ntime: 6/8\ntempo: target 60\nsection A: 1-4\nsection A1: 5-8 like A except 8\ndynamics: 1 f, 5 p\n"
    found = sequence(8, base: swing)
    expect(found.select { |id| id.start_with?("A.") }).to eq(
      %w[A.small A.large A.right A.left A.right_touch A.left_touch A.together A.loud]
    )
    made = steps(8, base: swing).to_h { |step| [step.id, step] }
    expect(made.values_at("A.small", "A.large").map(&:small_count)).to eq([true, false])
    # Of the phrase that is alike only the last bar.
    expect(made["A1.right"].spans.flat_map(&:bars)).to eq([8])
  end

  it "9: the pedal by itself slowly, in time, then with dynamics" do
    expect(sequence(9, "pedal: 1-4\ndynamics: 1 f\n").first(4)).to eq(
      %w[A.notes A.pedal_slowly A.pedal_in_time A.dynamics]
    )
    expect(steps(9, "pedal: 1-4\n").select { |step| step.aspect == :pedal }.map(&:tempo)).to eq(
      [40, 80]
    )
  end

  it "10: the tune's rhythm, the hands, the left by heart before they join, then ornaments; touch left to the student" do
    all = "ornament: 2\ndynamics: 1 f\narticulation A: short\n"
    expect(sequence(10, all).select { |id| id.start_with?("A.") }).to eq(
      %w[A.tune A.right A.left A.left_by_heart A.together A.ornaments A.touch A.dynamics]
    )
    expect(sequence(10, all, hand_order: :left).first(2)).to eq(%w[A.tune A.left])
    expect(sequence(10, all, articulation_by: :student).grep(/touch|dynamics/)).to eq(
      %w[A.dynamics]
    )
  end

  it "11: places, rhythm, hands, together slowly, lifts, dynamics, speed, along" do
    found = sequence(11, "dynamics: 1 f\ntrack: 3\n")
    expect(found.select { |id| id.start_with?("A.") }).to eq(
      %w[A.rhythm A.right A.left A.together A.lifts A.dynamics]
    )
    expect([found.first, found.last]).to eq(%w[whole.places whole.along])
    lifts = steps(11).find { |step| step.id == "A.lifts" }
    expect(lifts.notes.map(&:to_s)).to eq(["lift the hand at the end"])
  end

  it "12: a section, then back to the beginning and through, before the next" do
    expect(sequence(12)).to eq(%w[A.section B.section A+B.back C.section A+B+C.back whole.whole])
  end

  it "13: right of each section, left of each, together, then layers through the whole" do
    found = sequence(13, "articulation A: short\ndynamics: 1 f\ntrack: 2\n")
    expect(found.first(9)).to eq(
      %w[A.right B.right C.right A.left B.left C.left A.together B.together C.together]
    )
    expect(found.drop(9).map { |id| id[/\.([a-z_]+)/, 1] }.uniq).to eq(
      %w[touch loud_and_soft speed along]
    )
  end

  it "14: phrases by their words, chained from the start" do
    expect(sequence(14)).to eq(%w[A.phrase B.phrase A+B.chain C.phrase A+B+C.chain whole.whole])
  end

  it "15: the newest part, then it is joined; warm-ups right, left, both" do
    expect(sequence(15)).to eq(
      %w[A.newest B.newest A-B@4.joined C.newest B-C@8.joined C-A1@12.joined whole.whole]
    )
  end

  it "16: each hand on every place before any note between" do
    expect(sequence(16).first(3)).to eq(%w[whole.right_places whole.left_places A.notes])
  end

  it "17: together first, apart only where it does not go; then pedal, then dynamics" do
    found = sequence(17, "pedal: 1-4\ndynamics: 1 f\n")
    expect(found.first(3)).to eq(%w[A.together A.pedal A.dynamics])
    together = steps(17).find { |step| step.id == "A.together" }
    expect(Stairwell::Practice::Simplification.forms(together).map(&:form)).to include(
      :right,
      :left
    )
  end

  it "18: the chords through the piece, then the tune over them" do
    expect(sequence(18).first(3)).to eq(%w[whole.chords A.tune A.written])
    expect(Stairwell::Practice.how(steps(18).find { |step| step.id == "A.tune" })).to eq(
      "right hand plays, left hand blocks the chords"
    )
  end

  it "19: the road, then slow run-throughs as it is played" do
    road = "bars: 8\ntempo: target 80\nsection A: 1-4\nsection B: 5-8\nrepeat: 1-4\n"
    expect(sequence(19, base: road).first(2)).to eq(%w[whole.road whole.through])
    expect(steps(19, base: road).find { |step| step.stage == :through }.counts).to eq(48)
  end

  # A stage whose hands nobody said has both at the keys; a voice is added to them.
  it "keep the hands where a voice is added to a stage that said nothing of them" do
    edited =
      Stairwell::Practice::RoutineEdit.call(
        Stairwell::Practice::HAND_BY_HAND,
        [{ key: "faster", voice: "count" }, { key: "right", voice: "sing" }]
      )
    faster, right =
      %w[A.faster A.right].map do |id|
        Stairwell::Practice.steps(page(four), routine: edited).find { |step| step.id == id }
      end
    expect([Stairwell::Practice.how(faster), Stairwell::Practice.playing(faster)]).to eq(
      ["hands together, and count aloud", %i[right left]]
    )
    expect([Stairwell::Practice.how(right), Stairwell::Practice.playing(right)]).to eq(
      ["right hand, and sing", %i[right]]
    )
    unsaid = faster.with(actions: { voice: :count })
    expect([Stairwell::Practice.how(unsaid), Stairwell::Practice.playing(unsaid)]).to eq(
      ["hands together, and count aloud", %i[right left]]
    )
  end

  it "are all kept as they were said, and end in a plan" do
    Orders::ALL.each_key do |number|
      routine = Orders.routine(number)
      expect(
        Stairwell::Practice::RoutineDocument.load(
          JSON.parse(JSON.generate(Stairwell::Practice::RoutineDocument.dump(routine))),
          key: routine.key,
          name: routine.name,
          for_whom: "",
          why: ""
        )
      ).to eq(routine)
      tasks =
        Stairwell::Progress.piece(
          steps(
            number,
            "pedal: 1-4\ndynamics: 1 f\nlyrics 1: 1-4\nornament: 2\ntrack: 3\nspot: 6\n"
          ),
          []
        ).tasks
      finish =
        Stairwell::Planning.finish(
          tasks: tasks,
          practice:
            Stairwell::Planning::Practice.new(
              weekdays: [1, 2, 4, 6],
              minutes: 40r,
              begin_per_day: 4
            ),
          from: Date.new(2027, 3, 3),
          next_lesson: Date.new(2027, 3, 9)
        )
      expect(finish.date).not_to be_nil, "order #{number}"
    end
  end
end
