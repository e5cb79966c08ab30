# frozen_string_literal: true

require_relative "support/unnoticed"

RSpec.describe "What one token of practice decides" do
  include_context "one token"

  describe "in a routine" do
    it "keeps what either hand waited for before both, in either order" do
      own =
        routine(
          stage(:look),
          stage(:right, hands: :right, after: []),
          stage(:left, hands: :left, after: %i[look right]),
          stage(:both, needs: %i[right left])
        )
      %i[right left].each do |order|
        expect(own.with_hand_first(order).stages.find { |one| one.key == order }.after).to eq(
          [:look]
        )
      end
      everywhere =
        routine(
          stage(:look),
          stage(:right, hands: :right, after: []),
          stage(:left, hands: :left, after: [:right], everywhere: [:look]),
          stage(:both, needs: %i[right left])
        )
      expect(
        everywhere.with_hand_first(:left).stages.find { |one| one.key == :left }.everywhere
      ).to eq([:look])
    end

    it "lets stages of a page, a verse, a join and joined sections wait for joins" do
      %i[page verse join growing whole].each do |scope|
        own =
          routine(
            stage(:all),
            stage(:join, scope: :join, needs: [:all]),
            stage(:next, scope: scope, needs: [:join]),
            stage(:end, scope: :whole, needs: %i[next])
          )
        expect { Stairwell::Practice::RoutineCheck.call(own) }.not_to raise_error, scope.to_s
      end
      own =
        routine(
          stage(:all),
          stage(:join, scope: :join, needs: [:all]),
          stage(:next, needs: [:join]),
          stage(:end, scope: :whole, needs: %i[next])
        )
      expect { Stairwell::Practice::RoutineCheck.call(own) }.to raise_error(
        Stairwell::Error,
        /waits for/
      )
    end

    it "is kept as text wherever a value is a name or a share" do
      kept =
        Stairwell::Practice::RoutineDocument.dump(
          routine(stage(:all, picture: :clap, tempo_share: 3 / 5r))
        )
      expect(kept.first.values_at("picture", "tempo_share")).to eq(%w[clap 3/5])
      expect(
        JSON.parse(JSON.generate(kept)).first.values_at("picture", "tempo_share", "good_days")
      ).to eq(["clap", "3/5", 1])
    end

    it "is not faster than six fifths, nor slower than a tenth, and both are still of use" do
      check = ->(share) do
        Stairwell::Practice::RoutineCheck.call(
          routine(stage(:all, tempo_share: share), stage(:end, scope: :whole, needs: [:all]))
        )
      end
      [1 / 10r, 12 / 10r].each { |share| expect { check[share] }.not_to raise_error }
      [9 / 100r, 121 / 100r].each do |share|
        expect { check[share] }.to raise_error(Stairwell::Error)
      end
    end

    it "knows a stage leads on when another only comes earlier for it" do
      own =
        routine(
          stage(:first),
          stage(:second, earlier: [:first], needs: []),
          stage(:end, scope: :whole, needs: [:second])
        )
      expect { Stairwell::Practice::RoutineCheck.call(own) }.not_to raise_error
    end

    it "chains the sitting alone, and leaves stages that wait for none of it as they are" do
      own =
        routine(
          stage(:one, sitting: :all),
          stage(:two, after: [:one], sitting: :all),
          stage(:spot, scope: :spot),
          stage(:after, needs: [:two]),
          stage(:beside, after: [:two], needs: [:spot]),
          stage(:end, scope: :whole, needs: %i[spot after beside])
        )
      keys = own.sitting.reverse
      expect(keys).to eq(%i[two one])
      before, after =
        [own, own.in_order(keys)].map { |one| one.stages.to_h { |each| [each.key, each] } }
      alone = before.keys - keys
      untouched = alone.select { |key| ((before[key].needs + before[key].after) & keys).empty? }
      expect(untouched).not_to be_empty
      untouched.each do |key|
        expect([after[key].needs, after[key].after]).to eq([before[key].needs, before[key].after])
      end
      (alone - untouched).each do |key|
        expect([after[key].needs & keys, after[key].after & keys]).to eq(
          [
            (before[key].needs & keys).any? ? [keys.last] : [],
            (before[key].after & keys).any? ? [keys.last] : []
          ]
        )
      end
    end
  end

  describe "of steps" do
    it "takes the easier hand first where that is wanted, by the notes there are" do
      few = ->(hand) do
        page("bars: 4\ntempo: target 80\nsection A: 1-4").with(
          notes:
            (1..4).to_h do |bar|
              [
                bar,
                { right: notes((hand == :right) ? 1 : 4), left: notes((hand == :left) ? 1 : 4) }
              ]
            end
        )
      end
      first = ->(map) { steps(map, hand_order: :easier).map(&:hands).find { |hand| hand != :both } }
      expect(%i[right left].map { |hand| first[few[hand]] }).to eq(%i[right left])
    end

    def notes(count) =
      Array.new(count) do |at|
        Stairwell::Score::Note.new(
          onset: at * 1 / 4r,
          length: 1 / 4r,
          pitch: Stairwell::Score::Pitch.new(step: "C", alter: 0, octave: 4),
          tied: false
        )
      end

    it "learns the changed bars of a section apart where they lie apart" do
      map =
        page(
          "bars: 24\ntempo: target 80\nsection A: 1-8\nsection A1: 9-16 like A except 10, 11, 14\nsection B: 17-24"
        )
      expect(
        steps(map).find { |step| step.section == "A1" }.spans.map { |span| [span.from, span.to] }
      ).to eq([[10, 11], [14, 14]])
    end

    it "lets what waits for a stage that climbs wait for its last rung" do
      own =
        routine(
          stage(:climb, ladder: true, tempo_share: 1r),
          stage(:end, scope: :whole, needs: [:climb], tempo_share: 1r)
        )
      made = steps(page("bars: 8\ntempo: target 100\nsection A: 1-8"), own)
      rungs = made.select { |step| step.stage == :climb }
      expect(rungs.size).to be > 1
      expect(made.find { |step| step.stage == :end }.needs).to eq([rungs.last.id])
    end

    it "makes a step without a tempo shorter by what is left of it" do
      own =
        routine(
          stage(:look, tempo_share: nil, seconds: 60, repetitions: 4),
          stage(:end, scope: :whole, needs: [:look])
        )
      step = steps(page("bars: 8\ntempo: target 80\nsection A: 1-8"), own).first
      fewer = Stairwell::Practice::Simplification.of(step, :fewer)
      expect(fewer.minutes).to be_between(
        step.minutes * fewer.repetitions * fewer.counts / (step.repetitions * step.counts),
        step.minutes
      )
      expect(fewer.minutes).to be < step.minutes
    end
  end

  describe "of what a teacher changes in a routine" do
    def edited(*stages) =
      Stairwell::Practice::RoutineEdit.call(Stairwell::Practice::HAND_BY_HAND, stages)

    it "counts the bars of the hand that plays where the other is silent" do
      hands = ->(silent) do
        edited({ :key => "together", silent => "silent" })
          .stages
          .find { |one| one.key == :together }
          .hands
      end
      expect(%i[right left].map { |silent| hands[silent] }).to eq(%i[left right])
    end

    it "takes the picture that is said" do
      expect(
        edited({ key: "right", picture: "clap" }).stages.find { |one| one.key == :right }.picture
      ).to eq(:clap)
    end

    it "learns what comes in unsaid slowly, on one day" do
      added =
        edited({ key: "hum", name: "Hum it", scope: "section", after: ["right"] })
          .stages
          .find { |one| one.key == :hum }
      expect([added.tempo_share, added.good_days]).to eq([6 / 10r, 1])
    end
  end

  describe "of progress" do
    it "rises on the day a step became steady, not when it was begun, and is as far as it was planned" do
      all = steps(page("bars: 8\ntempo: target 80\nsection A: 1-4"))
      step = all.find { |one| one.id == "A.together" }
      mark = ->(day) do
        Array.new(step.repetitions) do |at|
          Stairwell::Progress::Mark.new(
            key: "#{day} #{at}",
            step_id: step.id,
            date: from + day,
            kind: :repetition,
            at: Time.utc(2027, 3, 3 + day, 12)
          )
        end
      end
      piece = Stairwell::Progress.piece(all, (0...step.good_days).flat_map { |day| mark[day] })
      flights =
        Stairwell::Progress::Stairs.of(
          piece,
          planned: all.to_h { |step| [step.id, [from, from]] },
          ahead: {
          },
          stretch: [->(date) { date }, ->(date) { date }]
        )
      stairs = Stairwell::Progress::Staircase.new(piece, flights, today: from + 20)
      expect(step.good_days).to be > 1
      expect(stairs.real.map(&:date)).to eq([from + step.good_days - 1])
      expect(stairs.said.to_s).to include("100 %")
    end

    def offer(stumbles, bars, **more) =
      Stairwell::Progress::Offer.of(stumbles: stumbles, bars: bars, date: from, **more).result

    it "offers not yet for more than a stumble in eight bars, slower than the step's tempo too" do
      expect(
        [[3, 16], [2, 16]].map do |stumbles, bars|
          offer(stumbles, bars, tempo: 50, target_tempo: 80)
        end
      ).to eq(%i[not_yet shaky])
    end

    def result(result, day) =
      Stairwell::Progress::LessonResult.new(
        step_id: "A.right",
        date: from + day,
        result: result,
        at: Time.utc(2027, 3, 3 + day, 16),
        key: "r#{day}"
      )

    def practised(day, of) =
      Array.new(of.repetitions) do |at|
        Stairwell::Progress::Mark.new(
          key: "m#{day} #{at}",
          step_id: of.id,
          date: from + day,
          kind: :repetition,
          at: Time.utc(2027, 3, 3 + day, 12)
        )
      end

    it "counts reviews of what is secure from when it was heard secure first, and anew where it was less" do
      all = steps(page("bars: 4\ntempo: target 80\nsection A: 1-4"))
      reviews = ->(*events) { Stairwell::Progress.piece(all, events).standings["A.right"].reviews }
      expect(reviews[result(:secure, 0), *practised(1, all.first), *practised(2, all.first)]).to eq(
        2
      )
      expect(
        reviews[
          result(:secure, 0),
          *practised(1, all.first),
          result(:secure, 2),
          *practised(3, all.first)
        ]
      ).to eq(2)
      expect(
        reviews[
          result(:secure, 0),
          *practised(1, all.first),
          result(:steady, 2),
          result(:secure, 3),
          *practised(4, all.first)
        ]
      ).to eq(1)
    end

    it "keeps up what is secure after ever longer times, up to the longest" do
      all = steps(page("bars: 4\ntempo: target 80\nsection A: 1-4"))
      due =
        lambda do |reviews|
          piece =
            Stairwell::Progress.piece(
              all.first(1),
              [result(:secure, 0), *(1..reviews).flat_map { |day| practised(day, all.first) }]
            )
          (piece.reviews(from + 400).map(&:due).min - (from + reviews)).to_i
        end
      expect((0..8).map { |reviews| due[reviews] }).to eq(
        (0..8).map do |reviews|
          Stairwell::Constants::SECURE_REVIEW_DAYS[reviews] ||
            Stairwell::Constants::SECURE_REVIEW_DAYS.max
        end
      )
    end

    it "teaches what is introduced already at the next lesson, whatever else waits" do
      all = steps(page("bars: 8\ntempo: target 80\nsection A: 1-4\nsection B: 5-8"))
      shown =
        Stairwell::Progress::Introduction.new(
          what: "A",
          introduced: true,
          at: Time.utc(2027, 3, 1),
          key: "a"
        )
      tasks = Stairwell::Progress.piece(all, [shown], introduce_first: true).tasks
      expect(tasks.select { |one| one.id.start_with?("A.") }.map(&:lesson).uniq).to eq([1])
    end
  end
end
