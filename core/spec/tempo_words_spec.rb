# frozen_string_literal: true

require_relative "spec_helper"

# Tables: the inscription of mechanical metronomes, and those of newer handbooks; words of other
# languages by dictionaries of musical terms (all from memory).
RSpec.describe Stairwell::Score::TempoWords do
  found = ->(text) do
    described_class.read(text)&.then { |one| [one.italian, one.mechanical, one.newer] }
  end

  {
    "Andante" => ["andante", 76..108, 56..108],
    "Larghetto" => ["larghetto", 60..66, 60..66],
    "LENTO" => ["lento", nil, 45..60],
    "Vivace e leggiero" => ["vivace", nil, 140..176],
    "Langsam" => ["lento", nil, 45..60],
    "Mäßig" => ["moderato", 108..120, 98..120],
    "Lebhaft" => ["vivace", nil, 140..176],
    "Modéré" => ["moderato", 108..120, 98..120],
    "Vite" => ["presto", 168..200, 168..200],
    "Slowly" => ["lento", nil, 45..60],
    "Walking" => ["andante", 76..108, 56..108]
  }.each { |text, range| it("knows #{text}") { expect(found[text]).to eq(range) } }

  # Common practice: moderato holds an allegro back; con moto moves an andante on; "not too" goes to
  # the middle.
  {
    "Allegro moderato" => 120..144,
    "Allegro ma non troppo" => 120..144,
    "Allegro assai" => 144..168,
    "Andante con moto" => 92..108,
    "Andante sostenuto" => 76..92,
    "Sehr langsam" => nil,
    "Adagio non troppo" => 71..76,
    "Molto adagio" => 66..71
  }.each do |text, range|
    it("reads #{text} as a part of its range") { expect(found[text][1]).to eq(range) }
  end

  it "takes the first of two words as the tempo, the other one shades it" do
    expect(
      [
        found["Allegro moderato"].first,
        found["Andante quasi allegretto"],
        found["Moderato, then Allegro"].first
      ]
    ).to eq(["allegro", ["andante", 92..108, 82..108], "moderato"])
  end

  it "knows no tempo in other words, nor inside of longer ones" do
    ["With a swing", "cantabile", "slower", "fastener", "Prestolino", "", nil].each do |text|
      expect([text, found[text]]).to eq([text, nil])
    end
  end

  it "says which language's word stands for which" do
    expect(described_class.said("Lebhaft").to_s).to start_with("Lebhaft, which is Vivace: 140–176")
    expect(described_class.said("Allegro moderato").to_s).to start_with(
      "Allegro moderato (the slower half): 120–144 beats per minute on mechanical metronomes"
    )
  end

  it "says where a mark contradicts the word, and not where one of the tables has it" do
    said = ->(text, mark) { described_class.contradiction(text, mark)&.to_s }
    expect(said["Allegro", 60]).to eq("the mark of 60 is slower than “Allegro” says")
    expect(said["Largo", 120]).to eq("the mark of 120 is faster than “Largo” says")
    expect(
      [
        said["Andante", 60],
        said["Andante", 108],
        said["Allegro", 110],
        said["Allegro", nil],
        said["Grazioso", 60]
      ]
    ).to eq([nil] * 5)
  end

  it "says so where the piece is looked over, in beats of its meter" do
    said = ->(line, time: "4/4") do
      Stairwell::Sections
        .preview(page("bars: 4\ntime: #{time}\ntempo: #{line}"))
        .find { |fact| fact.topic == "tempo" }
        .text
        .to_s
    end
    expect(said["Allegro, marked quarter = 60, target 50"]).to include(
      "the mark of 60 is slower than “Allegro” says"
    )
    expect(said["Allegro, marked quarter = 132"]).not_to include("slower")
    # Two half notes a bar: 132 quarters are 66 beats.
    expect(said["Allegro, marked quarter = 132", time: "2/2"]).to include(
      "the mark of 66 is slower"
    )
  end
end
