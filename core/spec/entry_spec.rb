# frozen_string_literal: true

require_relative "spec_helper"

# Where a hand begins a step. A finger is common practice where a teacher or an
# editor wrote it; nothing is made up where nobody did.
RSpec.describe "Where a hand begins" do
  def entries(map, hand, *bars) =
    Stairwell::Sections.entries(map, hand, bars).map { |one| [one.finger, one.pitch.to_s] }

  def note(pitch, onset: 0r, **more) =
    Stairwell::Score::Note.new(
      onset: onset,
      length: 1 / 4r,
      pitch: Stairwell::Score::Pitch.parse(pitch),
      **more
    )

  let(:typed) do
    page(
      "bars: 12\nstart right: finger 3 on B4\nstart right at 5: finger 1 on D5\nstart left at 9: finger 5 on G3"
    )
  end
  let(:scored) do
    page("bars: 4\nstart right at 3: finger 2 on E5").with(
      notes: {
        1 => {
          right: [note("G4", onset: 1 / 4r), note("C4", finger: 1), note("E4", finger: 3)],
          left: []
        },
        2 => {
          right: [note("C4", tied: true), note("D4", onset: 1 / 2r)],
          left: [note("C3")]
        },
        3 => {
          right: [note("E5")],
          left: []
        },
        4 => {
          right: [],
          left: []
        }
      }
    )
  end

  it "is as it was said for these bars, or last before them where no notes are known" do
    expect(entries(typed, :right, 1, 2)).to eq([[3, "B4"]])
    expect(entries(typed, :right, 5, 6)).to eq([[1, "D5"]])
    expect(entries(typed, :right, 9, 10)).to eq([[1, "D5"]])
    expect(entries(typed, :left, 1, 2)).to eq([])
    expect(entries(typed, :left, 8, 9, 10)).to eq([[5, "G3"]])
  end

  it "is on the first notes struck, with their fingers where the score shows them" do
    expect(entries(scored, :right, 1, 2)).to eq([[1, "C4"], [3, "E4"]])
    expect(entries(scored, :right, 2)).to eq([[nil, "D4"]])
    expect(entries(scored, :left, 1, 2)).to eq([[nil, "C3"]])
    expect(entries(scored, :left, 3, 4)).to eq([])
  end

  it "takes the teacher's finger over the score's, and none said for a later place" do
    expect(entries(scored, :right, 3, 4)).to eq([[2, "E5"]])
    expect(entries(scored, :right, 2, 3)).to eq([[nil, "D4"]])
  end

  it "is asked of the hands that are on the keys" do
    steps =
      Stairwell::Practice.steps(
        page("bars: 4\nsection A: 1-4"),
        routine: Stairwell::Practice::Routines::ALL.find { |one| one.key == "say_clap_play" }
      )
    playing = ->(stage) { Stairwell::Practice.playing(steps.find { |step| step.stage == stage }) }
    expect([playing[:count], playing[:clap], playing[:together]]).to eq([[], [], %i[right left]])
  end
end
