# frozen_string_literal: true

require_relative "spec_helper"
require "json_schemer"
require "demo/pieces"

RSpec.describe Stairwell::Score::Document do
  # JSON Schema 2020-12, checked by an independent validator.
  let(:schema) do
    JSONSchemer.schema(
      JSON.parse(File.read(File.expand_path("../../docs/stairwell-map-1.schema.json", __dir__)))
    )
  end
  let(:full) { page(<<~TEXT) }
      page 12: 4 4
      time: 3/4
      pickup: 1
      tempo: Andante, marked dotted quarter = 92, target 76
      repeat: to 4 x3
      ending 1, 2: 4
      da capo: 8 al fine
      fine: 4
      clef left: treble from 2 beat 2
      section A: 1-3
      section B: 4 beat 2 - 8 left hand like A except 5 difficulty 4
      fermata: 8 for 1 held 3
      pass 2: 1-2 left hand, softer
      start right: finger 3 on B4
      hands: right only 1-4
      dynamics: 1 mf
      pedal: 1-2
      octave: 3, up
      lyrics 2: 1-4
      new: ties
      spot: 3
      no spot: 4 left hand, no
      fingering A: thumb under
      join A to B: jump
      track: 7
    TEXT
  let(:pieces) { [full, *Demo::Pieces.all.map(&:map)] }

  def json(map) = JSON.parse(JSON.generate(described_class.dump(map)))

  it "is what the published schema says, and reads back the same" do
    pieces.each do |map|
      expect(schema.validate(json(map)).map { |one| one["error"] }).to eq([])
      expect(described_class.read(JSON.generate(described_class.dump(map)))).to eq(map)
    end
  end

  it "refuses what is no such document, in one clear line" do
    {
      "[]" => /not a stairwell-map/,
      "{" => /not JSON/,
      '{"schema":"stairwell-map/1"}' => /damaged/,
      JSON.generate(json(full).merge("bars" => [[1, "1/0", "4/4"]])) => /damaged/,
      JSON.generate(json(full).merge("bars" => [])) => /damaged/,
      JSON.generate(json(full).merge("keys" => [{ "bar" => 99, "key" => "G major" }])) =>
        /speaks of bar 99, but has 9/
    }.each do |text, said|
      expect { described_class.read(text) }.to raise_error(Stairwell::UnreadableError, said)
    end
  end

  it "refuses or reads, and never fails, when damaged at random" do
    random = Random.new(6)
    source = JSON.generate(described_class.dump(full))
    600.times do
      bytes = Spoiling.bytes(source.b, random, most: 4)
      begin
        map = described_class.read(bytes)
        Stairwell::Roadmap.read(map).summary(tempo: 60)
        Stairwell::Roadmap.playback(map)
        Stairwell::Sections.survey(map).summary
        Stairwell::Formats::PageScript.write(map)
        Stairwell::Formats::MusicXML.write(map)
      rescue Stairwell::UnreadableError
        next
      end
    end
  end
end
