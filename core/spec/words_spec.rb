# frozen_string_literal: true

require_relative "spec_helper"

# What is said to people, in the languages there are. The pairs of names are those of
# British and American usage, from memory; the library head_music knows both names of
# each note value.
RSpec.describe "Words" do
  phrase = Stairwell::Phrase
  in_language = ->(tag, &block) { Stairwell::Locales.with(tag, &block) }

  it "are bars or measures, quarter notes or crotchets, as the studio speaks" do
    at = phrase["practice.wording.bars", from: "3", to: "5"]
    value = phrase["sections.values.dotted", name: phrase["note_values.quarter"]]
    said = %i[en en-US en-GB].to_h { |tag| [tag, in_language.call(tag) { [at.to_s, value.to_s] }] }
    expect(said).to eq(
      en: ["bars 3–5", "dotted quarter"],
      "en-US": ["measures 3–5", "dotted quarter"],
      "en-GB": ["bars 3–5", "dotted crotchet"]
    )
  end

  it "leave people, pieces and what a teacher wrote alone, and nothing else" do
    row = ->(title, **more) do
      Stairwell::Recap::Row.new(title: title, kind: :new, days: [1], stages: ["right hand"], **more)
    end
    rows = [
      row[phrase["practice.wording.bars", from: 3, to: 5], piece: "The Bar of Gold"],
      row["Half Note Rag, bars 1 to 4", kind: :other_work],
      row["B", piece: "Bartok's bars"]
    ]
    recap =
      in_language.call(:"en-US") do
        Stairwell::Recap.write(
          name: "Bar-Lev",
          results: [],
          rows: rows,
          days: 1,
          next_lesson: Date.new(2027, 3, 11)
        )
      end
    expect(recap).to include(
      "Dear Bar-Lev,",
      "The Bar of Gold: Learn measures 3–5: right hand.",
      "Half Note Rag, bars 1 to 4",
      "Bartok's bars: Learn B: right hand.",
      "See you on Thursday, March 11."
    )
  end

  it "take nothing that people typed for a text with gaps" do
    name = "%{count} \\1 {{x}} %<count>d"
    expect(phrase["planning.away.the_days_from_to_end_before", from: name, to: 3].to_s).to include(
      "from #{name} to 3"
    )
    expect(phrase.list([name, "b"]).to_s).to eq("#{name} and b")
  end

  it "agree with the British names of an outside library" do
    %w[whole half quarter eighth sixteenth thirty_second].each do |key|
      american, british =
        %i[en-US en-GB].map { |tag| in_language.call(tag) { phrase["note_values.#{key}"].to_s } }
      expect(HeadMusic::Rudiment::RhythmicUnit.get(american).british_name).to eq(british)
    end
  end

  it "count with the plural the number needs, and in order as English does" do
    expect([0, 1, 2, 21].map { |count| phrase["counts.good_days", count: count].to_s }).to eq(
      ["0 good days", "1 good day", "2 good days", "21 good days"]
    )
    expect(
      [1, 2, 3, 4, 11, 12, 13, 21, 22, 23, 101, 111].map { |number| phrase.ordinal(number).to_s }
    ).to eq(%w[1st 2nd 3rd 4th 11th 12th 13th 21st 22nd 23rd 101st 111th])
    expect(
      [1 / 2r, 1, 5 / 2r, 7 / 3r, 10].map { |value| Stairwell::Units.minutes(value).to_s }
    ).to eq(["½ min", "1 min", "2½ min", "2½ min", "10 min"])
    expect([%w[A], %w[A B], %w[A B C]].map { |all| phrase.list(all).to_s }).to eq(
      ["A", "A and B", "A, B and C"]
    )
  end

  it "are kept as what is meant, and said in whatever language is asked for later" do
    bars = phrase["practice.wording.bars", from: "3", to: "5"]
    meant =
      phrase.list(
        [
          phrase.capital(bars),
          phrase["recap.one_of", title: "%{choices} of a teacher", choices: phrase.ordinal(3)],
          phrase.day(Date.new(2027, 3, 4), :full),
          Stairwell::Units.minutes(5 / 2r),
          "typed"
        ],
        by: :semicolon
      )
    kept = JSON.parse(JSON.generate(phrase.pack({ "why" => [meant], "plain" => 1 })))
    expect(kept).to eq(phrase.pack(JSON.parse(JSON.generate(kept))))
    again = phrase.unpack(kept["why"].first)
    expect(again).to eq(meant)
    expect(in_language.call(:"en-US") { again.to_s }).to eq(
      "Measures 3–5; %{choices} of a teacher, one of 3rd; Thursday, March 4; 2½ min; typed"
    )
    expect(JSON.generate({ "why" => again })).to eq(
      %({"why":"Bars 3–5; %{choices} of a teacher, one of 3rd; Thursday, 4 March; 2½ min; typed"})
    )
  end

  it "were kept in English before, and are still said as the studio speaks" do
    kept = phrase.load("page 3, all 4 bars, dotted quarter notes, the barn")
    said = %i[en en-US en-GB].map { |tag| in_language.call(tag) { kept.to_s } }
    expect(said).to eq(
      [
        "page 3, all 4 bars, dotted quarter notes, the barn",
        "page 3, all 4 measures, dotted quarter notes, the barn",
        "page 3, all 4 bars, dotted crotchets, the barn"
      ]
    )
  end
end
