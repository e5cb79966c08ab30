# frozen_string_literal: true

require_relative "spec_helper"

# The studio's words. The pairs of names are those of British and American usage,
# from memory; the library head_music knows both names of each note value.
RSpec.describe "Words" do
  let(:say) { Stairwell::Score::Terms.method(:say) }

  it "are bars or measures, quarter notes or crotchets" do
    text = "Bars 3 to 5, with dotted quarter notes and one half note in bar 4"
    expect(say.call(text, :american)).to eq("Measures 3 to 5, with dotted quarter notes and one half note in measure 4")
    expect(say.call(text, :british)).to eq("Bars 3 to 5, with dotted crotchets and one minim in bar 4")
    expect(say.call(text, :mixed)).to eq(text)
  end

  it "leave other words alone" do
    expect(say.call("the barn and the barley", :american)).to eq("the barn and the barley")
  end

  it "leave people, pieces and what a teacher wrote alone, and nothing else" do
    line = ->(title, **more) { Stairwell::Recap::Line.new(title: title, dates: [Date.new(2027, 3, 4)], kind: :step, repetitions: 5, **more) }
    lines = [line["A", place: "bars 3–5", piece: "The Bar of Gold"], line["Half Note Rag, bars 1 to 4", kind: :added], line["B", piece: "Bartok's bars"]]
    recap = Stairwell::Recap.write(name: "Bar-Lev", results: [], lines: lines, dates: [Date.new(2027, 3, 4)], next_lesson: Date.new(2027, 3, 11), style: :american)
    expect(recap).to include("Dear Bar-Lev,", "The Bar of Gold, measures 3–5", "Half Note Rag, bars 1 to 4", "B (Bartok's bars)")
    # A name that is only the beginning of a word is no name there.
    expect(say.call("bars 1 to 4", :american, names: ["b", "ba"])).to eq("measures 1 to 4")
  end

  it "agree with the British names of an outside library" do
    require "active_support"
    require "head_music"
    Stairwell::Score::Terms::VALUES.each do |american, british|
      value = HeadMusic::Rudiment::RhythmicUnit.get(american.delete_suffix(" note"))
      expect(value.british_name).to eq(british)
    end
  end

  it "name times and days as one says them" do
    dates = [Date.new(2027, 3, 4), Date.new(2027, 3, 5)]
    line = ->(count, on) { Stairwell::Recap::Line.new(title: "A", kind: :step, dates: on, repetitions: count) }
    text = Stairwell::Recap.write(name: "Nell", results: [], lines: [line[1, dates.first(1)], line[2, dates], line[12, dates.last(1)]], dates: dates, next_lesson: dates.last + 1)
    expect(text).to include("A: once, on Thursday.", "A: twice, every day.", "A: 12 times, on Friday.")
  end
end
