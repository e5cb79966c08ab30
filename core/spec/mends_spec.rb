# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "What does not add up, and its mend" do
  def found(script)
    map = Stairwell::Formats::PageScript.read(script).map
    [map, Stairwell::Roadmap.read(map).diagnostics + Stairwell::Sections::Check.call(map)]
  end

  def mended(script, code)
    map, diagnostics = found(script)
    mend = diagnostics.find { |one| one.code == code }&.mend
    mend &&
      Stairwell::Formats::PageScript::Edit.new(script).call(
        **Stairwell::Formats::PageScript.mend(map, mend)
      )
  end

  pages = {
    segno_missing: ["dal segno: 8", "da capo: 8"],
    fine_missing: ["da capo: 8 al fine", "da capo: 8"],
    coda_missing: ["da capo: 6 al coda\nto coda: 3", "coda: 7"],
    to_coda_missing: ["da capo: 6 al coda\ncoda: 7", "da capo: 6"],
    to_coda_unused: ["to coda: 3", nil],
    fine_unused: ["fine: 4", "da capo: 8 al fine"],
    read_as_al_fine: ["fine: 4\nda capo: 8", "da capo: 8 al fine"],
    coda_straight: ["to coda: 3\ncoda: 7", "da capo: 6 al coda"],
    ending_outside_repeat: ["ending 1: 4", "repeat: to 4"],
    pass_twice: ["repeat: 1-4\nending 1: 4\nending 1: 5", "ending 2: 5"],
    pass_missing: ["repeat: 1-4\nending 1: 4\nending 3: 5", "ending 1, 2: 4"],
    repeats_overlap: ["repeat: 1-4\nrepeat: 3-6", "repeat: 5-6"],
    sections_overlap: ["section A: 1-4\nsection B: 4-8", "section A: 1-3"],
    kin_unknown: ["section B: 1-4 like A", "section B: 1-4"]
  }
  pages.each do |code, (lines, put)|
    it "is mended at one press: #{code}" do
      script = "bars: 8\n#{lines}\n"
      expect(found(script).last.map(&:code)).to include(code)
      after = mended(script, code)
      expect(found(after).last.map(&:code)).not_to include(code)
      expect(after.lines(chomp: true)).to include(put) if put
    end
  end

  # Signs that are astray or forgotten: what is wrong, the first code that is said, the mend, and
  # the order it then has.
  {
    "ending 2 that begins inside ending 1" => [
      "repeat: 1-4\nending 1: 3-4\nending 2: 4",
      :ending_inside_another,
      "ending 2: 5",
      [1, 2, 3, 4, 1, 2, 5, 6, 7, 8]
    ],
    "ending 2 a bar too late" => [
      "repeat: 1-4\nending 1: 4\nending 2: 6",
      :ending_outside_repeat,
      "ending 2: 5",
      [1, 2, 3, 4, 1, 2, 3, 5, 6, 7, 8]
    ],
    "a coda forgotten, the jump bare" => [
      "to coda: 3\nda capo: 6",
      :to_coda_unused,
      "coda: 7",
      [1, 2, 3, 4, 5, 6, 1, 2, 3, 7, 8]
    ],
    "a coda forgotten" => [
      "to coda: 3\nda capo: 6 al coda",
      :coda_missing,
      "coda: 7",
      [1, 2, 3, 4, 5, 6, 1, 2, 3, 7, 8]
    ],
    "a jump forgotten before the coda" => [
      "to coda: 3\ncoda: 7",
      :coda_straight,
      "da capo: 6 al coda",
      [1, 2, 3, 4, 5, 6, 1, 2, 3, 7, 8]
    ],
    "a jump before the end" => [
      "fine: 4\nda capo: 6 al fine",
      :never_played,
      "da capo: 8 al fine",
      [1, 2, 3, 4, 5, 6, 7, 8, 1, 2, 3, 4]
    ]
  }.each do |what, (lines, code, put, order)|
    it "names the cause alone, and its mend cures it: #{what}" do
      script = "bars: 8\n#{lines}\n"
      expect(found(script).last.map(&:code)).to eq([code])
      after = mended(script, code)
      expect(after.lines(chomp: true)).to include(put)
      expect(found(after).last).to eq([])
      expect(Stairwell::Roadmap.read(page(after)).order).to eq(order)
    end
  end

  it "speaks of endings only where there are some, and of causes before what follows from them" do
    said = ->(script) { found(script).last.map { |one| [one.code, one.message.to_s[/endings/]] } }
    expect(said["bars: 8\nfine: 2\nda capo: 4 al fine\n"]).to eq([[:never_played, nil]])
    expect(said["bars: 8\nrepeat: 1-4\nending 1: 4\nending 1: 5\nda capo: 3\n"]).to eq(
      [[:pass_twice, "endings"], [:repeat_across_jump, nil], [:never_played, "endings"]]
    )
  end

  it "is mended in the counts: the last bar after a pickup, a bar that is short by itself, one that is long" do
    {
      "pickup: 1" => "bar 8: 3 counts",
      "bar 5: 2 counts" => "bar 5: 4 counts",
      "bar 5: 6 counts" => "bar 5: 4 counts"
    }.each do |line, put|
      after = mended("bars: 8\n#{line}\n", :complement)
      expect(after).to include(put)
      expect(found(after).last).to eq([])
    end
  end

  it "says that a jump leaves a repeat in its middle, but not one at the end of an ending" do
    _, diagnostics = found("bars: 8\nrepeat: 3-6\nda capo: 5\n")
    expect(diagnostics.map { |one| [one.code, one.bar] }).to include([:repeat_across_jump, 5])
    expect(diagnostics.first.message).to include("inside the repeat of bars 3–6")
    expect(
      found("bars: 8\nrepeat: 3-6\nending 1: 6\nending 2: 7\nda capo: 7\n").last.map(&:code)
    ).not_to include(:repeat_across_jump)
  end

  it "has the complement rule at every junction, a jump included" do
    shape =
      "bars: 5\ntime: 3/4\npickup: 1\nbar 2: 2 counts\nbar 3: 1 counts\nfine: 2\nda capo: 5 al fine\n"
    expect(found("#{shape}bar 5: 2 counts\n").last).to eq([])
    _, diagnostics = found(shape)
    expect(diagnostics.map { |one| [one.code, one.bar] }).to eq([[:complement, 1]])
  end
end
