# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/people"
require "json_schemer"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"

# The studio that a newcomer sees, as bin/start makes it.
RSpec.describe "The demo studio", order: :defined do
  before(:context) { @machine = WholeMachine.new.start }
  after(:context) { @machine.remove }

  let(:teacher) do
    PatientClient.new(@machine.address).sign_in(
      Demo::People::TEACHERS.first[:email],
      Demo::People::PASSWORD
    )
  end

  def rows(&) = @machine.database(&)

  it "has students who do well, middling and not" do
    percents =
      teacher
        .ask(:get, "/api/studio")
        .flat_map { |row| row["pieces"].map { |piece| piece["percent"] } }
    expect(percents.min).to be < 20
    expect(percents.max).to be > 80
    kinds =
      teacher
        .ask(:get, "/api/studio")
        .flat_map { |row| row["concerns"].map { |concern| concern["kind"] } }
        .uniq
    expect(kinds).to include("practice", "stuck", "join").or include("practice", "stuck", "review")
    expect(rows { |db| db[:lesson_results].distinct.select_map(:result) }).to include(
      "not_yet",
      "shaky",
      "steady",
      "secure"
    )
  end

  # What the core plans is what the schema says.
  it "has weeks as their schema says" do
    schema =
      JSONSchemer.schema(
        JSON.parse(File.read(File.expand_path("../../docs/planned-week-2.schema.json", __dir__)))
      )
    plans =
      rows { |db| db[:week_plans].select_map(Sequel.lit("plan::text")) }.map do |text|
        JSON.parse(text)
      end
    expect(plans.size).to be > 200
    expect(
      plans.flat_map { |plan| schema.validate(plan).map { |error| error["error"] } }.uniq
    ).to eq([])
    expect(
      plans.map do |plan|
        Stairwell::Planning::WeekDocument.dump(Stairwell::Planning::WeekDocument.load(plan))
      end
    ).to eq(plans)
  end

  it "has twelve weeks of twenty students of three teachers, an evening class among them" do
    rows do |db|
      expect([db[:students].count, db[:memberships].count]).to eq([21, 3])
      expect(
        db[:students].group_and_count(:lesson_weekday, :lesson_time).map { |row| row[:count] }.max
      ).to eq(8)
      expect(db[:pieces].count).to be >= 3
      lessons = db[:lessons].group_and_count(:student_id).map { |row| row[:count] }
      expect(lessons).to all(be_between(11, 12))
      expect(db[:lessons].where(recap: nil).count).to eq(0)
      expect(db[:assignments].where(ended: "passed").count).to be > 5
      expect(db[:assignments].distinct.select_map(:routine).size).to be >= 6
    end
  end

  it "has a sheet of today, a lesson with something to hear, and stairs that are half climbed" do
    student = rows { |db| db[:students].where(lesson_weekday: 3).min(:id) }
    shown = teacher.ask(:get, "/api/students/#{student}")
    expect(
      shown["pieces"]
        .flat_map { |piece| piece["stairs"]["flights"].flat_map { |flight| flight["treads"] } }
        .count { |tread| tread["real"] }
    ).to be > 20
    # The staircase as it was climbed is as high as the percentage beside it.
    expect(
      shown["pieces"].map { |piece| (piece["stairs"]["real"].last&.fetch("to").to_f + 0.005).floor }
    ).to eq(shown["pieces"].map { |piece| piece["percent"] })
    expect(teacher.ask(:get, "/api/students/#{student}/lesson")["steps"]).not_to be_empty
    sheet = shown["sheet_path"].sub("/s/", "/api/sheet/")
    expect(PatientClient.new(@machine.address).ask(:get, sheet)["days"]).not_to be_empty
  end
end
