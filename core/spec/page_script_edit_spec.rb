# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "Changing a script by statements" do
  let(:script) { <<~TEXT }
      # from the blue copy
      title: The Slow Ferry
      page 12: 4 4 5 4        # the last line is short in print
      page 13: 5 4 4

      time: 3/4
      repeat: 9-13
      # ask Tomas about this ending
      repeat: 14-21
      ending 1: 21
      ending 2: 22
      section A: 1-4          # hum it first
      seqno: 5
      section B: 9-13, 23-26
      pedal: 14-20, 22, 27-28  # half pedal
      dynamics: 1 mf, 9 p
    TEXT
  let(:script_module) { Stairwell::Formats::PageScript }

  def edit(text, **changes) = Stairwell::Formats::PageScript::Edit.new(text).call(**changes)

  def changed_lines(before, after)
    {
      gone: before.lines(chomp: true) - after.lines(chomp: true),
      new: after.lines(chomp: true) - before.lines(chomp: true)
    }
  end

  it "puts a new statement behind its kind and touches nothing else" do
    after = edit(script, put: ["repeat: 23-26", "segno: 5"])
    expect(changed_lines(script, after)).to eq(gone: [], new: ["repeat: 23-26", "segno: 5"])
    expect(after.lines(chomp: true).each_cons(2)).to include(
      ["repeat: 14-21", "repeat: 23-26"],
      ["ending 2: 22", "segno: 5"]
    )
  end

  it "replaces what is said about the same thing and keeps the comment behind it" do
    after = edit(script, put: ["section A: 1-5 difficulty 4", "page 12: 4 4 4 5"])
    expect(changed_lines(script, after)).to eq(
      gone: [
        "page 12: 4 4 5 4        # the last line is short in print",
        "section A: 1-4          # hum it first"
      ],
      new: [
        "page 12: 4 4 4 5    # the last line is short in print",
        "section A: 1-5 difficulty 4    # hum it first"
      ]
    )
  end

  it "takes out one of several in a line, and leaves a comment whose statement is gone" do
    expect(changed_lines(script, edit(script, drop: ["pedal: 22"]))[:new]).to eq(
      ["pedal: 14-20, 27-28    # half pedal"]
    )
    expect(changed_lines(script, edit(script, drop: ["section A: 1-4"]))).to eq(
      gone: ["section A: 1-4          # hum it first"],
      new: ["# hum it first"]
    )
  end

  it "says what is not there any more and what cannot be put, and passes over both where it should" do
    expect { edit(script, drop: ["segno: 7"]) }.to raise_error(
      Stairwell::UnreadableError,
      /does not say “segno: 7” any more/
    )
    expect { edit(script, put: ["segno: 77"]) }.to raise_error(
      Stairwell::UnreadableError,
      /“segno: 77”: there is no bar 77/
    )
    expect { edit(script, put: ["# a comment"]) }.to raise_error(
      Stairwell::UnreadableError,
      /says nothing/
    )
    expect(edit(script, put: ["segno: 77"], drop: ["segno: 7"], lenient: true)).to eq(script)
  end

  it "moves between any two generated pages by their difference, and keeps every comment" do
    random = Random.new(4)
    60.times do
      from, to = Array.new(2) { GeneratedPage.new(random).map }
      text = "# at the top\n#{script_module.write(from).gsub("\n", "  # said\n")}"
      after = edit(text, **script_module.difference(from, to))
      said = script_module.write(script_module.read(after).map.with(remarks: []))
      expect(said.lines.sort).to eq(script_module.write(to).lines.uniq.sort)
      expect(after.scan("# said").size + 1).to be >=
        text.lines.size - script_module.write(to).lines.size
      expect(after).to start_with("# at the top\n")
    end
  end

  it "merges two teachers' changes, and lets mine stand where both changed the same" do
    mine = edit(script, put: ["segno: 5", "section A: 1-6"], drop: ["repeat: 9-13"])
    theirs = edit(script, put: ["fine: 26", "section A: 1-8", "tempo: target 70"])
    merged = script_module.merge(base: script, mine: mine, theirs: theirs)
    expect(changed_lines(script, merged)).to eq(
      gone: ["repeat: 9-13", "section A: 1-4          # hum it first"],
      new:
        [
          "tempo: target 70",
          "segno: 5",
          "fine: 26",
          "section A: 1-6    # hum it first"
        ].sort_by { |line| merged.index(line) }
    )
  end

  describe "layers" do
    let(:layer) do
      "# for small hands\nwithout repeat: 9-13\ntempo: target 60\nstart right at 14: finger 2 on D5\n"
    end

    it "lie over the studio's script and change only what they name" do
      map = page(script_module::Layer.on(script, layer).gsub("seqno: 5\n", ""))
      expect(map.repeats.map(&:from)).to eq([14])
      expect(map.tempo.target).to eq(60)
      expect(map.markings.starts.map(&:finger)).to eq([2])
      expect(map.sections.size).to eq(2)
    end

    it "change one part of what is said of the tempo" do
      map =
        page(
          script_module::Layer.on(
            "bars: 8\ntempo: Andante, marked quarter = 92, target 76\n",
            "tempo: target 60\n"
          )
        )
      expect(map.tempo).to have_attributes(words: "Andante", mark: 92, target: 60)
      expect(
        script_module::Layer.on("bars: 8\ntempo: Andante, target 76\n", "without tempo: Andante\n")
      ).to eq("bars: 8\ntempo: target 76\n")
    end

    it "say which of their lines do not fit the page any more" do
      found =
        script_module::Layer.new("without segno: 3\nfine: 99\ntempo: target 60").problems(script)
      expect(found.map(&:line)).to eq([1, 2])
      expect(found.map(&:message)).to match([/does not say “segno: 3”/, /no bar 99/])
    end

    it "grow by what is clicked, and shrink again when it is taken back" do
      grown =
        script_module::Layer.change(
          layer,
          base: script,
          put: ["ending 1: 20-21"],
          drop: ["ending 1: 21", "section B: 9-13, 23-26"]
        )
      expect(grown.lines(chomp: true)).to include(
        "# for small hands",
        "without section B: 9-13, 23-26",
        "ending 1: 20-21",
        "without ending 1: 21"
      )
      back =
        script_module::Layer.change(
          grown,
          base: script,
          put: ["ending 1: 21", "section B: 9-13, 23-26"],
          drop: ["ending 1: 20-21"]
        )
      expect(back).to eq(layer)
    end
  end
end
