# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe Stairwell::Practice do
  let(:map) do
    page(
      "bars: 12\ntime: 3/4\ntempo: target 100\nsection A: 1-4\nsection A1: 5-8 like A except 8\nsection B: 9-12 like A"
    )
  end
  let(:steps) { described_class.steps(map).to_h { |step| [step.id, step] } }

  # Worked by hand: 24 counts at 60 take 24 s, and 8 s to get ready: 5 × 32 s =
  # 160 s = 2 min 40 s, rounded up to 3 min.
  it "estimates minutes by the worked example" do
    expect(Stairwell::Practice::Estimate.minutes(counts: 24r, tempo: 60, repetitions: 5)).to eq(3)
    expect(Stairwell::Practice::Estimate.minutes(counts: 12r, tempo: 60, repetitions: 5)).to eq(2)
  end

  it "estimates good days from stage, difficulty, new share and pace, in exact numbers" do
    days = ->(**more) do
      Stairwell::Practice::Estimate.good_days(
        stage_days: 3,
        difficulty: 3,
        new_share: 1r,
        pace: 1r,
        **more
      )
    end
    expect(days.call).to eq(3)
    expect(days.call(difficulty: 5)).to eq(4) # 3 × 1.2 = 3.6
    expect(days.call(new_share: 0r)).to eq(1) # a quarter at least: 0.75
    expect(days.call(pace: 2r)).to eq(6)
    # exactly 3, not 4 by a float's error
    expect(days.call(stage_days: 10, difficulty: 3, new_share: 3 / 10r)).to eq(3)
  end

  # Published on mechanical metronomes; typed in by hand from the printed scale.
  it "keeps to the traditional metronome scale" do
    scale = [
      40,
      42,
      44,
      46,
      48,
      50,
      52,
      54,
      56,
      58,
      60,
      63,
      66,
      69,
      72,
      76,
      80,
      84,
      88,
      92,
      96,
      100,
      104,
      108,
      112,
      116,
      120,
      126,
      132,
      138,
      144,
      152,
      160,
      168,
      176,
      184,
      192,
      200,
      208
    ]
    expect(Stairwell::Practice::Metronome::SCALE).to eq(scale)
    expect(Stairwell::Practice::Metronome.at_most(59.9)).to eq(58)
    expect(Stairwell::Practice::Metronome.at_most(30)).to eq(30)
  end

  it "counts a section that begins and ends inside a bar by its beats, and says so" do
    phrase = page("page 12: 4\ntime: 4/4\nsection A: 1-2 beat 3\nsection B: 2 beat 4 - 4")
    steps = described_class.steps(phrase).to_h { |step| [step.id, step] }
    expect(steps.values_at("A.right", "B.right").map(&:counts)).to eq([7, 9])
    expect(steps["B.right"].place).to eq("page 12, line 1, bars 2–4, from beat 4")
    expect(steps["A.right"].place).to eq("page 12, line 1, bars 1–2, to beat 3")
  end

  it "makes a step of each stage on each section, join and the whole" do
    expect(steps.keys).to eq(
      %w[
        A.right
        A.left
        A.together
        A.faster
        A1.right
        A1.left
        A1.together
        A1.faster
        A-A1@4.join
        A1-B@8.join
        A+A1.grow
        whole.whole
        whole.tempo-88
        whole.tempo-96
        whole.tempo-100
      ]
    )
    expect(steps["A.right"].tempo).to eq(60)
    expect(steps["A.right"].counts).to eq(12)
  end

  # 100 is the target tempo and 80 the tempo of the stage before; the scale between them is
  # 84, 88, 92, 96, two rungs to a day.
  it "climbs to the target tempo by the metronome's rungs, each step after the one before" do
    rungs = steps.values.select { |step| step.stage == :tempo }
    expect(rungs.map(&:tempo)).to eq([88, 96, 100])
    expect(rungs.map(&:title)).to eq(
      [
        "Whole piece, up to tempo: at 84, then 88",
        "Whole piece, up to tempo: at 92, then 96",
        "Whole piece, up to tempo: at 100"
      ]
    )
    expect(rungs.map { |step| step.needs & rungs.map(&:id) }).to eq(
      [[], ["whole.tempo-88"], ["whole.tempo-96"]]
    )
    expect(rungs.map(&:good_days)).to eq([1, 1, 1])
    # Each mark three times clean; once each where the day is short.
    expect(rungs.map(&:repetitions)).to eq([6, 6, 3])
    expect(rungs.map(&:fewest)).to eq([2, 2, 1])
    expect(rungs.flat_map(&:notes).map(&:to_s).uniq).to eq(
      ["three times clean in a row: one mark faster; two misses in a row: two marks slower"]
    )
  end

  # Own choice of the rules: up after three clean in a row, down two after two
  # failures.
  it "goes up the ladder after three clean repetitions, and down two rungs after two failures" do
    rungs = Stairwell::Practice::Metronome.ladder(60, 80)
    go = ->(at, *results) { Stairwell::Practice::Metronome.next_rung(rungs, at, results) }
    expect([go[63, true, true, true], go[63, true, true], go[80, true, true, true]]).to eq(
      [66, 63, 80]
    )
    expect([go[69, true, false, false], go[69, false, true, false], go[63, false, false]]).to eq(
      [63, 69, 60]
    )
  end

  it "drops the upper rungs, and keeps what was learnt, when the target tempo is lowered" do
    lower =
      described_class
        .steps(map, choices: Stairwell::Practice::Choices.new(target_tempo: 90, learnt_at: 100))
        .to_h { |step| [step.id, step] }
    expect(lower.keys.grep(/tempo/)).to eq(%w[whole.tempo-88 whole.tempo-90])
    expect((lower.keys & steps.keys).map { |id| lower[id].tempo }).to eq(
      (lower.keys & steps.keys).map { |id| steps[id].tempo }
    )
  end

  it "takes the teacher's habits: repeats after the jump, fermatas twice, or free" do
    jump =
      page(
        "bars: 8\ntime: 4/4\ntempo: target 80\nrepeat: 1-4\nfine: 4\nda capo: 8 al fine\nfermata: 8 beat 3 for 2 held 6\nsection A: 1-4\nsection B: 5-8"
      )
    made = ->(**chosen) do
      described_class
        .steps(jump, choices: Stairwell::Practice::Choices.new(**chosen))
        .to_h { |step| [step.id, step] }
    end
    whole = ->(**chosen) { made[**chosen]["whole.whole"].counts / 4 }
    expect([whole[], whole[repeats: :taken], whole[repeats: :not_taken]]).to eq([16, 20, 16])
    notes = ->(**chosen) { made[**chosen]["B.together"].notes }
    expect(notes[]).to eq(["the fermata in bar 8: hold 6 counts"])
    expect(notes[fermata: :twice]).to eq(["the fermata in bar 8: hold 4 counts"])
    expect(notes[fermata: :free]).to eq(["the fermata in bar 8: hold it as long as you like"])
  end

  it "takes the target tempo as printed, as a share of the print, or as a number" do
    target_tempo = Stairwell::Practice::TargetTempo
    # A dotted quarter at 60 in 6/8 is 60 counts; an eighth at 120 in 4/4 is 60.
    dotted = page("bars: 4\ntime: 6/8\ntempo: marked dotted quarter = 60\nsection A: 1-4")
    eighths = page("bars: 4\ntime: 4/4\ntempo: marked eighth = 120\nsection A: 1-4")
    expect([dotted, eighths].map { |one| target_tempo.of(one, by: :mark) }).to eq([60, 60])
    expect(target_tempo.of(dotted, by: :share, value: 75)).to eq(45)
    expect(target_tempo.of(dotted, by: :number, value: 52)).to eq(52)
    expect { target_tempo.of(page("bars: 4\nsection A: 1-4"), by: :mark) }.to raise_error(
      Stairwell::ContradictionError,
      /no printed metronome mark/
    )
  end

  it "gives a section that is the same no steps, and one with changed bars only those" do
    expect(steps["A1.right"].spans.map { |span| [span.from, span.to] }).to eq([[8, 8]])
    expect(steps.keys.grep(/\AB\./)).to eq([])
    expect(steps["A1-B@8.join"].needs).to contain_exactly("A.together", "A1.together")
  end

  it "lets hands together wait for each hand, and the variant's" do
    expect(steps["A.together"].needs).to eq(%w[A.right A.left])
    expect(steps["A1.together"].needs).to contain_exactly(
      "A1.right",
      "A1.left",
      "A.right",
      "A.left"
    )
    expect(steps["whole.whole"].needs).to contain_exactly(
      "A-A1@4.join",
      "A1-B@8.join",
      "A.faster",
      "A1.faster",
      "A+A1.grow"
    )
  end

  it "puts the chosen hand first in the sitting" do
    left =
      described_class
        .steps(map, choices: Stairwell::Practice::Choices.new(hand_order: :left))
        .to_h { |step| [step.id, step] }
    expect([steps["A.left"].after, steps["A.right"].after]).to eq([["A.right"], []])
    expect([left["A.left"].after, left["A.right"].after]).to eq([[], ["A.left"]])
  end

  it "gives joins eight repetitions where others get five" do
    expect([steps["A-A1@4.join"].repetitions, steps["A.right"].repetitions]).to eq([8, 5])
  end

  it "leaves out a hand that rests" do
    require "demo/pieces"
    fog = Demo::Pieces.fog_signal.map
    one_hand =
      fog.with(
        notes: fog.notes.transform_values { |hands| hands.merge(left: []) },
        sections: page("bars: 8\nsection A: 1-8").sections
      )
    expect(described_class.steps(one_hand).map(&:id)).to include("A.right")
    expect(described_class.steps(one_hand).map(&:id)).not_to include("A.left")
  end

  it "makes no step for a hand the page gives nothing to, with or without notes" do
    typed =
      page("page 1: 4 4 4\nhands: right only 1-8\nsection A: 1-4\nsection B: 5-8\nsection C: 9-12")
    Stairwell::Practice::ROUTINES
      .values_at("hand_by_hand", "shapes_first", "rhythm_first")
      .each do |routine|
        made = described_class.steps(typed, routine: routine)
        of_a = made.select { |step| step.section == "A" }
        expect(of_a.map(&:hands).uniq).to eq([:right]), routine.key
        expect(of_a.map(&:stage)).not_to include(:left, :block_left, :blocked, :together)
        expect(
          of_a.map { |step| described_class.how(step).to_s }.uniq -
            ["right hand", "right hand taps, left hand taps", "tap"]
        ).to eq([])
        # What waited for hands together waits for the hand that plays.
        faster = of_a.find { |step| step.stage == :faster }
        expect(faster.needs).to include("A.right")
        expect(made.select { |step| step.section == "C" }.map(&:stage)).to include(:together)
      end
    # Where no hand is learnt alone, the section is learnt all the same.
    by_ear =
      described_class
        .steps(typed, routine: Stairwell::Practice::ROUTINES.fetch("by_ear"))
        .find { |step| step.id == "A.together" }
    expect([by_ear.hands, by_ear.actions]).to eq([:right, { right: :play, left: :silent }])
  end

  it "makes a touch step where the teacher said how to touch, with the words" do
    typed =
      page(
        "page 1: 4 4\nsection A: 1-4\nsection B: 5-8\ntouch A: short and light\nfingering B: thumb under"
      )
    touch = described_class.steps(typed).select { |step| step.stage == :touch }
    expect(touch.map(&:section)).to eq(["A"])
    expect(touch.first.notes).to eq(["short and light"])
    steps = described_class.steps(typed).to_h { |step| [step.id, step] }
    expect(steps["B.right"].notes).to eq(["thumb under"])
    expect(steps["whole.whole"].needs).to include("A.touch")
  end

  it "lets a section stage wait for a stage of the whole piece" do
    stages = [
      Stairwell::Practice::Stage.new(
        key: :sing,
        name: "sing it",
        scope: :whole,
        good_days: 2,
        seconds: 60,
        done: "it is sung"
      ),
      Stairwell::Practice::Stage.new(
        key: :right,
        name: "right hand",
        scope: :section,
        hands: :right,
        good_days: 1,
        tempo_share: 1 / 2r,
        needs: [:sing],
        done: "it goes"
      ),
      Stairwell::Practice::Stage.new(
        key: :all,
        name: "right hand through",
        scope: :whole,
        hands: :right,
        good_days: 1,
        tempo_share: 1 / 2r,
        needs: [:right],
        done: "it goes"
      ),
      Stairwell::Practice::Stage.new(
        key: :left,
        name: "left hand",
        scope: :section,
        hands: :left,
        good_days: 1,
        tempo_share: 1 / 2r,
        after: [:all],
        done: "it goes"
      )
    ]
    routine =
      Stairwell::Practice::Routine.new(key: "own", name: "Own", for_whom: "all", stages: stages)
    made =
      described_class
        .steps(page("bars: 8\nsection A: 1-4\nsection B: 5-8"), routine: routine)
        .to_h { |step| [step.id, step] }
    expect(made["A.right"].needs).to eq(["whole.sing"])
    expect(made["whole.all"].needs).to eq(%w[A.right B.right])
    expect(made["B.left"].after).to eq(["whole.all"])
  end

  it "says where a step is as people point at it" do
    laid =
      page(
        "page 12: 4 4\npage 13: 4\nsection A: 1-4\nsection B: 5-6\nsection C: 7-12\nsection D: 5-8"
      )
    places =
      described_class
        .steps(laid)
        .select { |step| step.stage == :right }
        .to_h { |step| [step.section, step.place] }
    expect(places).to eq(
      "A" => "page 12, line 1, all 4 bars",
      "B" => "page 12, line 2, bars 1–2",
      "C" => "page 12, line 2, bar 3 to page 13, line 1, bar 4",
      "D" => "page 12, line 2, all 4 bars"
    )
  end

  it "asks for a section first" do
    expect { described_class.steps(page("bars: 4")) }.to raise_error(
      Stairwell::ContradictionError,
      /no section yet/
    )
  end

  it "keeps steps as data" do
    expect(
      steps.values.map do |step|
        Stairwell::Practice::Step.from_data(JSON.parse(JSON.generate(step.to_data)))
      end
    ).to eq(steps.values)
  end
end
