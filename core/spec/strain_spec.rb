# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/records"

RSpec.describe "What is strenuous" do
  include Making
  include Records

  # Bars of four quarters; durations count sixteenths.
  def map(*bars)
    first =
      "<attributes><divisions>4</divisions><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves></attributes>"
    read =
      Stairwell::Formats::MusicXML.read(
        score(*bars.each_with_index.map { |bar, at| "#{first if at.zero?}#{bar}" })
      )
    read.with(
      sections: [
        Stairwell::Score::Section.new(
          label: "A",
          spans: [Stairwell::Score::Span.new(from: 1, to: bars.size)]
        )
      ]
    )
  end

  # Chords of a hand, one after another, each so many sixteenths long.
  def bar(*chords, length: 16 / chords.size) =
    chords
      .map do |keys|
        keys.each_with_index.map { |key, at| note(key, length, chord: at.positive?) }.join
      end
      .join

  def strained?(map, tempo: 60, hand: :right) =
    Stairwell::Practice::Strain.new(map).at?((1..map.bars.size).to_a, hand, tempo)

  it "is an octave or more in one hand, or four keys at once" do
    expect(strained?(map(bar(%w[C4 E4 G4])))).to be(false)
    expect(strained?(map(bar(%w[C4 B4])))).to be(false)
    expect(strained?(map(bar(%w[C4 C5])))).to be(true)
    expect(strained?(map(bar(%w[C4 E4 G4 B4])))).to be(true)
    expect(strained?(map(bar(%w[C4], %w[C5])))).to be(false) # one after the other is no stretch
  end

  it "is the same key again and again at five a second or faster, four times and more" do
    sixteenths = map(bar(*Array.new(16) { %w[G4] }))
    # Four to the quarter: at 75 five a second.
    expect(strained?(sixteenths, tempo: 74)).to be(false)
    expect(strained?(sixteenths, tempo: 75)).to be(true)
    three = map(bar(*(%w[G4 G4 G4 A4] * 4).each_slice(1)))
    expect(strained?(three, tempo: 200)).to be(false)
    # Over the bar line: two at its end, two at the beginning of the next.
    turn = ->(*keys) { bar(*keys.each_slice(1)) }
    over = map(turn[*%w[C4 D4] * 7, "G4", "G4"], turn["G4", "G4", *%w[C4 D4] * 7])
    expect(strained?(over, tempo: 100)).to be(true)
  end

  it "is only of the hand that plays it, and of both when it is in one of them" do
    octaves = map(bar(%w[C4 C5]))
    expect(%i[right left both].map { |hand| strained?(octaves, hand: hand) }).to eq(
      [true, false, true]
    )
    expect(strained?(page("bars: 4\nsection A: 1-4"))).to be(false) # no notes are known
  end

  describe "of steps" do
    let(:octaves) { map(bar(%w[C4 C5]), bar(%w[D4 D5])) }

    def right(**choices) =
      Stairwell::Practice
        .steps(octaves, choices: Stairwell::Practice::Choices.new(target_tempo: 60r, **choices))
        .find { |step| step.hands == :right || step.hands == :both }

    it "is played five times a day at the most, by a child three times, and says so" do
      expect(right).to have_attributes(repetitions: 5, most: 5)
      expect(right(most_strenuous: 3)).to have_attributes(repetitions: 3, most: 3)
      expect(right(most_strenuous: 3).notes.map(&:to_s)).to include(
        "tiring for the hand: 3 times a day at the most, and stop when it aches"
      )
      hard =
        octaves.with(
          markings: octaves.markings.with(hard: [Stairwell::Score::Span.new(from: 1, to: 2)])
        )
      steps =
        Stairwell::Practice.steps(
          hard,
          choices: Stairwell::Practice::Choices.new(target_tempo: 60r)
        )
      # eight, were it not tiring
      expect(steps.reject { |step| step.aspect == :rhythm }.map(&:repetitions).max).to eq(5)
      expect(steps.first.minutes).to eq(
        Stairwell::Practice::Estimate.minutes(counts: 8r, tempo: steps.first.tempo, repetitions: 5)
      )
    end

    it "is kept as it was when it is read back" do
      step = right
      expect(Stairwell::Practice::Step.from_data(JSON.parse(JSON.generate(step.to_data)))).to eq(
        step
      )
      expect(
        Stairwell::Practice::Step.from_data(
          JSON.parse(JSON.generate(step.to_data)).except("most")
        ).most
      ).to eq(12) # kept before
    end

    it "goes by whether a child is taught" do
      grown, child =
        [false, true].map { |child| record(child: child) }
          .map do |made|
            asked =
              Stairwell::Studio::Assignment.new(
                piece_id: 9,
                title: "Octaves",
                revision: 1,
                routine: "hand_by_hand",
                hand_order: "right",
                target_tempo: 60,
                page:
                  Stairwell::Studio::Page.new(
                    document: JSON.generate(Stairwell::Score::Document.dump(octaves))
                  )
              )
            Stairwell::Studio
              .assign(made, asked, id: 9, key: "first")
              .record
              .pieces
              .last
              .progress
              .own
              .map(&:repetitions)
              .max
          end
      expect([grown, child]).to eq([5, 3])
    end
  end
end
