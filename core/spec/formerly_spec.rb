# frozen_string_literal: true

require_relative "spec_helper"
require "json"
require "zlib"

# fixtures/former.json.gz was written by the version before the names were changed: one
# invented page as script and as map, the built-in routines, and the steps each of them
# makes of that page, as they were stored then.
RSpec.describe "What the version before wrote" do
  former = JSON.parse(Zlib::GzipReader.open(File.expand_path("fixtures/former.json.gz", __dir__), &:read))
  script = Stairwell::Formats::PageScript
  practice = Stairwell::Practice
  routine = ->(key) { practice::RoutineDocument.load(former["routines"][key], key: key, name: key, for_whom: key) }
  map = Stairwell::Score::Document.load(former["map"])

  it "is read as a script without a word of complaint, and is the page the map holds" do
    read = script.read(former["script"])
    expect(read.problems).to eq([])
    expect(Stairwell::Score::Document.dump(read.map)).to eq(former["map"])
  end

  {"aim" => "target", "words 1" => "lyrics 1", "loud and soft" => "dynamics", "touch A" => "articulation A"}.each do |old, new|
    it "says #{old} and is written with #{new}" do
      expect(former["script"]).to match(/\b#{old}\b/)
      expect(script.write(script.read(former["script"]).map)).to match(/\b#{new}\b/)
      expect(script.write(map)).not_to match(/\b#{old}\b/)
    end
  end

  it "is edited by a statement in the new words where the old line stands" do
    read = script.read(former["script"].sub("touch A: short and light", "articulation A: short and light"))
    expect(Stairwell::Score::Document.dump(read.map)).to eq(former["map"])
  end

  # Some stages bear other words now, articulation said in words makes its stage too,
  # and steps say what is written of fingerings, how new they are and what is of one
  # sitting; joins are hard only where they are. All else is as it was.
  former["routines"].each_key do |key|
    it "is the routine #{key}, with the stages of today" do
      known = ->(stages) { stages.map { |stage| stage.to_h.except(:name, :only, :done, :sitting) } }
      expect(known.call(routine.call(key).stages)).to eq(known.call(practice::ROUTINES[key].stages))
    end

    it "is the steps of #{key}, with nothing lost and nothing changed" do
      since = ->(step) { step.to_h.except(:title, :notes, :after, :arithmetic, :done, :new, :seconds, :sitting, *(:hard if step.join)) }
      made = practice.steps(map, routine: practice::ROUTINES[key]).to_h { |step| [step.id, since[step]] }
      former["steps"][key].each do |data|
        step = practice::Step.from_data(data)
        expect(since[step]).to eq(made[step.id])
      end
    end
  end
end
