# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

RSpec.describe "The tempo at which a step begins" do
  include Making
  include Records

  # Section A: eight eighths to the bar in the right hand, two notes a count. B: four quarters, one
  # a count. The left hand has a note a bar. Target tempo 100: hands alone at 60, together at 50.
  let(:map) do
    bars = Array.new(4) { bar(*%w[C4 D4] * 4) } + Array.new(4) { bar(*%w[C4 D4] * 2) }
    attributes =
      "<attributes><divisions>2</divisions><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves></attributes>"
    sections =
      { "A" => 1..4, "B" => 5..8 }.map do |label, bars|
        Stairwell::Score::Section.new(
          label: label,
          spans: [Stairwell::Score::Span.new(from: bars.min, to: bars.max)]
        )
      end
    Stairwell::Formats::MusicXML.read(score(attributes + bars.first, *bars.drop(1))).with(
      sections: sections
    )
  end
  let(:printed) do
    Stairwell::Studio::Page.new(document: JSON.generate(Stairwell::Score::Document.dump(map)))
  end
  let(:day) { Records::WEDNESDAY }

  def bar(*keys) =
    "#{keys.map { |key| note(key, 8 / keys.size) }.join}<backup><duration>8</duration></backup>#{note("C3", 8, staff: 2)}"

  def steps =
    Stairwell::Practice.steps(map, choices: Stairwell::Practice::Choices.new(target_tempo: 100r))

  def heard(step, tempo, day = self.day, result = :steady) =
    Stairwell::Progress::LessonResult.new(
      step_id: step,
      date: day,
      result: result,
      tempo: tempo,
      at: day.to_time
    )

  def tempos(*events, steps: self.steps, known: {})
    progress = Stairwell::Progress.piece(steps, events)
    Stairwell::Progress::Tempos
      .of([progress], known: known)
      .on(steps, progress)
      .to_h { |step| [step.id, step.tempo] }
  end

  it "is the share of the target where too little was heard, or what was heard did not go" do
    usual = { "A.right" => 60, "B.right" => 60, "B.left" => 60, "B.together" => 50 }
    expect(tempos).to include(usual)
    expect(tempos(heard("A.right", 72))).to include(usual)
    expect(
      tempos(heard("A.right", 24, day, :not_yet), heard("A.right", 24, day + 7, :shaky))
    ).to include(usual)
    expect(tempos(heard("A.right", nil), heard("A.right", nil, day + 7))).to include(usual)
  end

  # Two notes a count at 24 are 0.8 a second, and one a count at 48 is, too.
  it "is that at which as many notes a second went, of the same kind of step" do
    slow = tempos(heard("A.right", 24), heard("A.right", 24, day + 7))
    expect(slow).to include("B.right" => 48, "B.together" => 50)
    expect(slow["A.right"]).to eq(60) # it was begun
  end

  # 2.4 notes a second would be 144 for one a count: not beyond a quarter more than 60, so 72 on the
  # metronome; 0.2 a second would be 12: no less than two thirds, so 40.
  it "stays near the share of the target, on the marks of the metronome, and below the target" do
    expect(tempos(heard("A.right", 72), heard("A.right", 72, day + 7))["B.right"]).to eq(72)
    expect(tempos(heard("A.right", 6), heard("A.right", 6, day + 7))["B.right"]).to eq(40)
    low = steps.map { |step| step.usual ? step.with(top: 66) : step }
    expect(
      tempos(heard("A.right", 72), heard("A.right", 72, day + 7), steps: low)["B.right"]
    ).to eq(66)
  end

  it "is the middle of what was heard last" do
    days =
      [20, 20, 20, 24, 24, 25, 25, 26].each_with_index.map do |tempo, week|
        heard("A.right", tempo, day + (7 * week))
      end
    # the last five: 24 24 25 25 26
    expect(tempos(*days.shuffle(random: Random.new(1)))["B.right"]).to eq(50)
  end

  it "is no slower than what came before on the same bars" do
    later =
      steps.map do |step|
        if step.id == "B.left"
          step.with(hands: :right, notes_per_count: 1r, needs: ["B.right"])
        else
          step
        end
      end
    fast = [heard("A.right", 72), heard("A.right", 72, day + 7)]
    expect(tempos(*fast, steps: later)["B.left"]).to eq(72)
    slow = [heard("A.right", 24), heard("A.right", 24, day + 7)]
    expect(tempos(*slow, steps: later)["B.left"]).to eq(60)
  end

  it "is that of the share where no notes are known, and what a ladder climbs to stays as it is" do
    typed = steps.map { |step| step.with(notes_per_count: nil) }
    expect(
      tempos(heard("A.right", 24), heard("A.right", 24, day + 7), steps: typed)["B.right"]
    ).to eq(60)
    ladder = steps.select { |step| step.stage == :ladder || step.tempo == 100 }
    expect(ladder).not_to be_empty
    expect(ladder.map(&:usual)).to all(be_nil)
  end

  it "is said with the minutes, which go by it" do
    moved = steps.find { |step| step.id == "B.right" }.at(48)
    # 16 counts at 48 are 20 s, and 8 s between; five times.
    expect(moved.minutes).to eq(2.5r)
    expect(moved.arithmetic.to_s).to include("16 counts at 48").and end_with(
            "; at 48, which has held so far, not at 60"
          )
    expect(moved.at(60)).to eq(steps.find { |step| step.id == "B.right" })
    expect(Stairwell::Practice::Step.from_data(JSON.parse(JSON.generate(moved.to_data)))).to eq(
      moved
    )
  end

  describe "of a student" do
    let(:piece) do
      record.pieces.first.with(
        target_tempo: 100,
        page: printed,
        newest_page: printed,
        progress: Stairwell::Progress.piece(steps, [])
      )
    end
    let(:student) { record.with(pieces: [piece]) }

    def hear(record, step, tempo, result = :steady, id: 7) =
      Stairwell::Studio.hear(
        record,
        assignment_id: id,
        step_id: step,
        result: result,
        tempo: tempo,
        key: "#{step} #{tempo} #{record.today}"
      )

    def tempo(record, step, id: 7) = record.piece(id).standing(step).step.tempo

    # Both hands of A at 24 and 96: 0.8 and 0.4 notes a second, 0.6 in the middle: 36 for one a
    # count, so the least, two thirds of 60.
    it "moves with a result, for what was not begun, and what is kept is what is shown" do
      first = hear(student, "A.right", 24)
      expect(first.pieces).to be_empty
      second = hear(first.record, "A.left", 96)
      expect([tempo(second.record, "B.right"), tempo(second.record, "A.right")]).to eq([40, 60])
      expect(
        second.pieces.map { |one| one.progress.own.find { |step| step.id == "B.right" }.tempo }
      ).to eq([40])
    end

    it "stays once a step was begun, also when its page is taken over anew" do
      mark =
        Stairwell::Progress::Mark.new(
          key: "m",
          step_id: "B.right",
          date: day - 1,
          kind: :repetition,
          at: day.to_time
        )
      begun = student.with_piece(piece.after(mark))
      heard = hear(hear(begun, "A.right", 24).record, "A.left", 96).record
      expect(tempo(heard, "B.right")).to eq(60)
      slow = hear(hear(student, "A.right", 24).record, "A.left", 96).record
      slow = slow.with_piece(slow.piece(7).after(mark))
      expect(tempo(Stairwell::Studio::ChangePiece.new(slow, 7).take_over.record, "B.right")).to eq(
        40
      )
    end

    it "is taken along to the next piece, also when the one it was heard of has ended" do
      heard = hear(hear(student, "A.right", 24).record, "A.right", 24).record
      heard = hear(heard.with(today: day + 7), "A.right", 24).record
      ended = Stairwell::Studio::ChangePiece.new(heard, 7).finish("passed")
      expect(ended.held).to eq(alone: 0.8)
      asked =
        Stairwell::Studio::Assignment.new(
          piece_id: 2,
          title: "Low Tide",
          revision: 1,
          routine: "hand_by_hand",
          hand_order: "right",
          target_tempo: 100,
          target_by: :number,
          page: printed
        )
      given = Stairwell::Studio.assign(ended.record, asked, id: 8, key: "k").record
      expect([tempo(given, "B.right", id: 8), tempo(given, "B.together", id: 8)]).to eq([48, 50])
    end
  end
end
