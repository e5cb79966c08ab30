# frozen_string_literal: true

require_relative "spec_helper"
require "json"
require "zlib"

# fixtures/former.json.gz was written by the version before the names were changed: one
# invented page as script and as map, the built-in routines, and the steps each of them
# makes of that page, as they were stored then.
RSpec.describe "What the version before wrote" do
  former =
    JSON.parse(Zlib::GzipReader.open(File.expand_path("fixtures/former.json.gz", __dir__), &:read))
  script = Stairwell::Formats::PageScript
  practice = Stairwell::Practice
  routine = ->(key) do
    practice::RoutineDocument.load(former["routines"][key], key: key, name: key, for_whom: key)
  end
  map = Stairwell::Score::Document.load(former["map"])

  it "is read as a script without a word of complaint, and is the page the map holds" do
    read = script.read(former["script"])
    expect(read.problems).to eq([])
    expect(Stairwell::Score::Document.dump(read.map)).to eq(former["map"])
  end

  {
    "aim" => "target",
    "words 1" => "lyrics 1",
    "loud and soft" => "dynamics",
    "touch A" => "articulation A"
  }.each do |old, new|
    it "says #{old} and is written with #{new}" do
      expect(former["script"]).to match(/\b#{old}\b/)
      expect(script.write(script.read(former["script"]).map)).to match(/\b#{new}\b/)
      expect(script.write(map)).not_to match(/\b#{old}\b/)
    end
  end

  it "is edited by a statement in the new words where the old line stands" do
    read =
      script.read(
        former["script"].sub("touch A: short and light", "articulation A: short and light")
      )
    expect(Stairwell::Score::Document.dump(read.map)).to eq(former["map"])
  end

  # Some stages bear other words now and take fewer days, one hand may join by itself first, and
  # layers of the whole piece go by section first. All else is as it was.
  former["routines"].each_key do |key|
    it "is the routine #{key}, with the stages of today" do
      known = ->(stages) do
        stages.to_h do |stage|
          [
            stage.key,
            stage.to_h.except(
              :name,
              :only,
              :done,
              :sitting,
              :after,
              :by_section,
              :repetitions,
              :good_days,
              *(:needs if stage.key == :join)
            )
          ]
        end
      end
      before, today = known[routine.call(key).stages], known[practice::ROUTINES[key].stages]
      expect(before).to eq(today.slice(*before.keys))
      expect(today.keys - before.keys - %i[join_right join_left]).to eq([])
    end

    it "is the steps of #{key}, with nothing lost and nothing changed" do
      made = practice.steps(map, routine: routine.call(key)).to_h { |step| [step.id, step] }
      kept = former["steps"][key].map { |data| practice::Step.from_data(data) }
      # Articulation was practised where there was only loud and soft, too.
      gone = kept.map(&:id) - made.keys
      expect(gone).to all(end_with(".touch"))
      expect(
        map
          .markings
          .section_notes
          .select { |one| one.kind == :articulation }
          .map { |one| "#{one.section}.touch" } & gone
      ).to eq([])
      # Up the metronome every mark is played three times.
      ladder = ->(step) { step.notes.any? { |note| note.to_s.start_with?("three times clean") } }
      # At which tempo they may begin was not asked then, nor which marks a day climbs.
      since = ->(step) do
        step
          .to_h
          .except(
            :usual,
            :top,
            :marks,
            :notes_per_count,
            :title,
            :notes,
            :after,
            :arithmetic,
            :done,
            :new,
            :seconds,
            :sitting,
            :fewest,
            *(:hard if step.join),
            *(%i[repetitions minutes] if ladder[step])
          )
          .merge(needs: step.needs - gone)
      end
      expect(kept.reject { |step| gone.include?(step.id) }.map(&since)).to eq(
        made.values_at(*kept.map(&:id) - gone).map(&since)
      )
    end
  end
end
