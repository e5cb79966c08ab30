# frozen_string_literal: true

require_relative "spec_helper"

# What is pressed and dragged must be what the script's reader understands, on any page.
RSpec.describe Stairwell::Formats::PageScript::Clicks do
  script = Stairwell::Formats::PageScript
  page_of = ->(more = "") { "page 12: 4 4 4\ntime: 3/4\ntempo: target 76\n#{more}" }
  with = ->(text, said) { script::Edit.new(text).call(**said) }
  press = ->(text, key, from, to) do
    with.call(text, described_class.new(script.read(text).map).sign(key: key, from: from, to: to))
  end
  pages = {
    "a plain page" => page_of.call,
    "one with a pickup" => page_of.call("pickup: 1\n"),
    "one with bars without numbers" => page_of.call("unnumbered: #3\n"),
    "bars without a page" => "bars: 12\n"
  }

  pages.each do |name, text|
    described_class::SIGNS.each do |sign|
      it "says #{sign.key} on #{name} so that it is understood, goes through its forms and is gone again" do
        states =
          sign
            .sayings
            .size
            .times
            .each_with_object([text]) { |_, all| all << press.call(all.last, sign.key, 2, 5) }
        expect(states.uniq.size).to eq(sign.sayings.size + 1)
        states.each { |state| expect(script.read(state).problems).to eq([]) }
        expect(script.read(press.call(states.last, sign.key, 2, 5)).map).to eq(
          script.read(text).map
        )
      end
    end

    it "offers sayings for #{name} that are understood" do
      map = script.read(text).map
      writer = script::Writer.new(map)
      described_class::SAYINGS.each do |saying|
        said =
          saying.gsub("{bars}", "#{writer.position(2, nil)}-#{writer.position(5, nil)}").gsub(
            "{bar}",
            writer.position(2, nil)
          )
        read = script.read("#{text}#{said}\n")
        expect([said, read.problems]).to eq([said, []])
        expect(read.map).not_to eq(map)
      end
    end
  end

  it "sets a sign where it is meant: a Fine after the last chosen bar, a segno at the first" do
    expect(script.read(press.call(page_of.call, "fine", 2, 5)).map.fine).to eq([5])
    expect(script.read(press.call(page_of.call, "segno", 2, 5)).map.segno).to eq([2])
    expect(
      script
        .read(press.call(page_of.call, :repeat, 2, 5))
        .map
        .repeats
        .map { |one| [one.from, one.to] }
    ).to eq([[2, 5]])
  end

  it "leaves other signs alone" do
    text = page_of.call("fine: 5\nrepeat: 1-4\n")
    map = script.read(press.call(text, :fine, 6, 6)).map
    expect(map.fine).to eq([5, 6])
    expect(map.repeats.size).to eq(1)
  end

  it "goes through the codas and the signs of a page that has several" do
    text = page_of.call("segno: 2\nsegno: 5\ncoda: 9\ncoda: 11\n")
    states =
      4.times.each_with_object([text]) { |_, all| all << press.call(all.last, :to_coda, 6, 6) }
    expect(
      states.map do |state|
        script.read(state).map.then { |map| [map.to_coda, map.leaves.map(&:to)] }
      end
    ).to eq([[[], []], [[6], []], [[6], [9]], [[6], [11]], [[], []]])
    jumps =
      6.times.each_with_object([text]) { |_, all| all << press.call(all.last, :dal_segno, 8, 8) }
    expect(
      jumps.map { |state| script.read(state).map.jumps.map { |one| [one.until_sign, one.sign] } }
    ).to eq([[], [[:end, nil]], [[:fine, nil]], [[:coda, nil]], [[:coda, 2]], [[:coda, 5]], []])
  end

  it "has one key and one letter for each sign" do
    expect(described_class::SIGNS.map(&:key).uniq.size).to eq(described_class::SIGNS.size)
    expect(described_class::SIGNS.map(&:shortcut).uniq.size).to eq(described_class::SIGNS.size)
  end

  it "drags one place of a section, and keeps the others, its difficulty and what it is like" do
    text = page_of.call("section A: 1-4\nsection B: 5-8, 9-10 like A moved difficulty 4\n")
    map = script.read(text).map
    moved =
      script.read(
        with.call(text, described_class.new(map).move(label: "B", span: 0, from: 5, to: 7))
      ).map
    before, after = [map, moved].map { |one| one.sections.find { |section| section.label == "B" } }
    expect(after.spans.map { |span| [span.from, span.to] }).to eq([[5, 7], [9, 10]])
    expect(after.with(spans: before.spans)).to eq(before)
  end

  it "names a section with its places as they are typed" do
    text =
      with.call(
        page_of.call,
        described_class.new(script.read(page_of.call).map).section(
          label: "A",
          places: ["1-4", "9 beat 2 - 10"],
          words: "difficulty 4"
        )
      )
    section = script.read(text).map.sections.first
    expect([section.label, section.difficulty, section.spans.size]).to eq(["A", 4, 2])
  end

  context "with sections that stand" do
    # Sections by letter, with their bars, after one of the bars `from` to `to` was named.
    named =
      lambda do |label, from, to, places = "#{from}-#{to}", words: ""|
        text = page_of.call("section A: 1-4\nsection B: 5-8, 9-10 like A moved difficulty 4\n")
        said =
          described_class.new(script.read(text).map).section(
            label: label,
            places: [places],
            words: words,
            from: from,
            to: to
          )
        script
          .read(with.call(text, said))
          .map
          .sections
          .to_h { |one| [one.label, one.spans.map { |span| [span.from, span.to] }] }
      end

    it "makes a new one, or adds a place, of bars that are in none of that letter" do
      expect(named.call("C", 11, 12)).to eq(
        "A" => [[1, 4]],
        "B" => [[5, 8], [9, 10]],
        "C" => [[11, 12]]
      )
      expect(named.call("A", 11, 12)).to include("A" => [[1, 4], [11, 12]])
    end

    it "moves the place that is overlapped, and leaves its others" do
      expect(named.call("B", 6, 7)).to include("A" => [[1, 4]], "B" => [[9, 10], [6, 7]])
    end

    it "changes the one that stands just there, gives it another letter, or joins it to another" do
      expect(named.call("A", 1, 4, "1-3")).to include("A" => [[1, 3]])
      expect(named.call("D", 1, 4)).to eq("D" => [[1, 4]], "B" => [[5, 8], [9, 10]])
      expect(named.call("B", 1, 4)).to eq("B" => [[5, 8], [9, 10], [1, 4]])
    end

    it "keeps what the section is like when a place is added" do
      text = page_of.call("section A: 1-4\nsection B: 5-8 like A moved difficulty 4\n")
      said =
        described_class.new(script.read(text).map).section(
          label: "B",
          places: ["9-10"],
          words: "difficulty 1",
          from: 9,
          to: 10
        )
      expect(script.read(with.call(text, said)).map.sections.last.difficulty).to eq(4)
    end

    it "proposes the first letter that is free" do
      free = ->(more) { described_class.new(script.read(page_of.call(more)).map).next_label }
      expect(free.call("")).to eq("A")
      expect(free.call("section A: 1-4\nsection C: 5-8\n")).to eq("B")
      expect(free.call(("A".."Z").map { |label| "section #{label}: 1-2\n" }.join)).to be_nil
    end
  end

  Stairwell::Score::SectionNote::KINDS.each do |kind|
    it "notes the #{kind} of a section as it is typed, in place of what was noted, and takes it away" do
      note = ->(text, section, said) do
        with.call(
          text,
          described_class.new(script.read(text).map).section_note(
            section: section,
            kind: kind.to_s,
            text: said
          )
        )
      end
      notes = ->(text) do
        script.read(text).map.markings.section_notes.map { |one| [one.section, one.kind, one.text] }
      end
      text =
        note.call(
          page_of.call("section A: 1-4\nsection B: 5-8\n"),
          "A",
          " low, # then high: \"so\", 3 "
        )
      expect(notes.call(text)).to eq([["A", kind, "low, # then high: \"so\", 3"]])
      both = note.call(note.call(text, "B", "roll"), "A", "drop")
      expect(notes.call(both)).to contain_exactly(["A", kind, "drop"], ["B", kind, "roll"])
      expect(notes.call(note.call(both, "A", " "))).to eq([["B", kind, "roll"]])
      expect(note.call(text, "B", "")).to eq(text)
    end
  end

  it "counts a page's lines anew" do
    text =
      with.call(
        page_of.call,
        described_class.new(script.read(page_of.call).map).lines(page: 12, bars: [5, 4, 3])
      )
    expect(script.read(text).map.pages.first.lines).to eq([5, 4, 3])
  end

  it "says so when what was clicked is there no more" do
    clicks = described_class.new(script.read(page_of.call).map)
    expect { clicks.sign(key: :fine, from: 40, to: 40) }.to raise_error(
      Stairwell::UnreadableError,
      /Look at the page again/
    )
    expect { clicks.move(label: "Z", span: 0, from: 1, to: 2) }.to raise_error(
      Stairwell::UnreadableError,
      /no section Z/
    )
  end
end
