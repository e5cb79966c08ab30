# frozen_string_literal: true

require_relative "spec_helper"

# Everything the product can hold, written and read back.
RSpec.describe "What is written reads back the same" do
  let(:maps) { (1..60).map { |seed| Filled.new(seed).map } }

  def members(value)
    case value
    when Struct
      value.members.flat_map { |name| ["#{value.class.name}##{name}", *members(value[name])] }
    when Array
      value.flat_map { |one| members(one) }
    when Hash
      value.values.flat_map { |one| members(one) }
    else
      []
    end
  end

  # A field that nothing fills would go untested.
  def filled(value)
    case value
    when Struct
      value.members.flat_map do |name|
        said = value[name]
        empty = said.nil? || said == [] || said == {} || said == "" || said == false
        [*("#{value.class.name}##{name}" unless empty), *filled(said)]
      end
    when Array
      value.flat_map { |one| filled(one) }
    when Hash
      value.values.flat_map { |one| filled(one) }
    else
      []
    end
  end

  it "fills every field there is" do
    unfilled = maps.flat_map { |map| members(map) }.uniq - maps.flat_map { |map| filled(map) }.uniq
    expect(unfilled).to eq(["Stairwell::Score::Map#remarks"])
  end

  it "is so for a map as a document" do
    maps.each do |map|
      text = JSON.generate(Stairwell::Score::Document.dump(map))
      expect(Stairwell::Score::Document.read(text)).to eq(map)
    end
  end

  it "is so for a map as a page script, what only a score knows apart" do
    maps.each do |map|
      script = Stairwell::Formats::PageScript.write(map)
      result = Stairwell::Formats::PageScript.read(script)
      expect(result.problems.map(&:to_s)).to eq([])
      expect(said(result.map)).to eq(said(map))
      # Written once more, it is the same text: nothing is quoted twice.
      expect(Stairwell::Formats::PageScript.write(result.map)).to eq(script)
    end
  end

  it "is so for the notes of a map as a MusicXML score, slurs apart" do
    maps.each do |map|
      again =
        Stairwell::Formats.read(Stairwell::Formats::MusicXML.write(map), name: "again.musicxml")
      expect(again.title).to eq(map.title.strip)
      expect(
        again.notes.transform_values { |hands| hands.transform_values { |all| all.map(&:finger) } }
      ).to eq(
        map.notes.transform_values { |hands| hands.transform_values { |all| all.map(&:finger) } }
      )
      expect(again.notes).to eq(map.notes)
    end
  end

  it "is so for routines, and for the steps they give" do
    Stairwell::Practice::ROUTINES.each_value do |routine|
      stages = JSON.parse(JSON.generate(Stairwell::Practice::RoutineDocument.dump(routine)))
      again =
        Stairwell::Practice::RoutineDocument.load(
          stages,
          **routine.to_h.slice(:key, :name, :for_whom, :why)
        )
      expect(again).to eq(routine)
      maps
        .first(8)
        .each do |map|
          Stairwell::Practice
            .steps(map, routine: routine)
            .each do |step|
              expect(
                Stairwell::Practice::Step.from_data(JSON.parse(JSON.generate(step.to_data)))
              ).to eq(step)
            end
        end
    end
  end

  # Order within a kind is the page's.
  def said(map)
    sorted = Stairwell::Score::Map.members - %i[notes phrasing unread assumed remarks markings]
    markings =
      map.markings.to_h.transform_values { |all| all.is_a?(Array) ? all.sort_by(&:inspect) : all }
    [
      sorted.to_h do |name|
        [name, map[name].is_a?(Array) ? map[name].sort_by(&:inspect) : map[name]]
      end,
      markings
    ]
  end
end
