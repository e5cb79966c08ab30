# frozen_string_literal: true

require_relative "spec_helper"
require "demo/notation"

# What is new in a piece against what a student has secure.
RSpec.describe "Whether a piece would suit" do
  include Records

  let(:suits) { Stairwell::Studio::Suits }
  let(:demands) { Stairwell::Studio::Demands }

  def written(script, right, left) = page(script).with(notes: Demo::Notation.hands(right, left))

  # Four bars in C in one position, a quarter note a beat: at 60 one note a second.
  let(:easy) do
    written(
      "bars: 4\ntempo: target 60\nsection A: 1-4",
      "C4q D4q E4q F4q | G4q F4q E4q D4q | C4q D4q E4q F4q | G4w",
      "C3w | G3w | C3w | G3w"
    )
  end

  it "goes by note values, meters, keys, signs, stretches, moves, jumps and speed" do
    expect(demands.of(easy)).to have_attributes(
      meters: ["4/4"],
      signs: [],
      stretch: 0,
      leap: 0,
      moves: 0,
      speed: 13r / 16
    )
    expect(demands.of(easy).note_values.map(&:to_s)).to eq(%w[whole quarter])
    asked =
      written(
        "bars: 4\ntime: 3/4\nkey: G major\ntempo: target 120\nrepeat: 1-4\nsection A: 1-4",
        "C4q D5q C4q | D5q C4q D5q | C4q D4q E4q | F4h.",
        "C3+E4h. | C3+E4h. | C3+E4h. | C3+E4h."
      )
    # From C4 to D5 are 14 semitones, a fifth of which lies under the hand; C3 to E4 are 16.
    expect(demands.of(asked)).to have_attributes(
      meters: ["3/4"],
      signs: [:repeat],
      stretch: 16,
      leap: 7
    )
    expect(demands.of(asked).moves).to be > 2
    expect(demands.of(asked).speed).to eq(10r / 6)
    expect(demands.of(asked, bars: [3, 4])).to have_attributes(signs: [], stretch: 16, leap: 0)
  end

  describe "for a student" do
    def student_who_has(map, result: :steady)
      made = record
      piece = made.pieces.first
      steps = Stairwell::Practice.steps(map)
      heard =
        steps.map do |step|
          Stairwell::Progress::LessonResult.new(
            step_id: step.id,
            date: made.today,
            result: result,
            at: made.moment
          )
        end
      made.with(
        pieces: [
          piece.with(
            page:
              Stairwell::Studio::Page.new(
                document: JSON.generate(Stairwell::Score::Document.dump(map))
              ),
            progress: Stairwell::Progress.piece(steps, heard)
          )
        ]
      )
    end

    def lines(record, map, **more) =
      suits.new(record, **more).of(suits.candidate(map)).lines.map(&:to_s)

    let(:asked) do
      written(
        "bars: 4\ntime: 3/4\nkey: G major\ntempo: target 120\nrepeat: 1-4\nsection A: 1-4",
        "C4e D4e E4q F4q | G4q F4q E4q | C4q D4q E4q | F4h.",
        "C3+C4h. | C3+C4h. | C3+C4h. | C3+C4h."
      )
    end

    # The longest chain by hand: right 1, together 2, faster 1, whole 1, and the metronome from 96
    # to 120 in three steps: 8 days, 5 a week, of which 70 % are kept and 90 % go well: 2.54 weeks.
    it "is said in two lines: what is new, and about how long it would take" do
      new, long = lines(student_who_has(easy), asked)
      expect(new).to eq(
        "New in it: note values dotted half and eighth, 3/4 time, G major, a repeat, a stretch of 12 semitones, faster: 1.8 notes a second, so far 0.8."
      )
      expect(long).to match(/\AAbout 3 weeks by itself, [\d½]+ min a day\.\z/)
    end

    it "has nothing new where all of it is known, in hand or learnt before" do
      expect(lines(student_who_has(easy), easy).first).to eq(
        "Nothing new in notes, keys, reach or tempo."
      )
      expect(lines(record.with(pieces: []), easy, learnt: [easy]).first).to eq(
        "Nothing new in notes, keys, reach or tempo."
      )
    end

    it "does not count what does not go yet" do
      expect(lines(student_who_has(easy, result: :not_yet), easy).first).to include(
        "New in it: note values whole and quarter"
      )
    end

    it "takes longer for who has fewer days or minutes, or is slower; without sections nobody knows" do
      weeks = ->(**settings) do
        suits
          .new(record(**settings))
          .of(
            suits.candidate(page("bars: 32\ntempo: target 60\nsection A: 1-16\nsection B: 17-32"))
          )
          .weeks
      end
      expect(weeks.call(minutes_a_day: 10)).to be > weeks.call(minutes_a_day: 30)
      expect(weeks.call(practice_days: [1, 4])).to be > weeks.call
      expect(lines(record, page("bars: 4")).last).to eq(
        "Mark its sections to see how long it would take."
      )
    end
  end
end
