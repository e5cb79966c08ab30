# frozen_string_literal: true

require "demo/studio"
require_relative "../spec_helper"

RSpec.describe "The demo studio" do
  # Everything but keys and times, which are never the same.
  def told
    {
      students: House::OWNER[:students].select_order_map(:name),
      pieces: House::OWNER[:pieces].select_order_map([:title, :book]),
      heard: House::OWNER[:lesson_results].order(:student_id, :day, :step_id, :made_at).select_map([:student_id, :day, :step_id, :result]),
      marks: House::OWNER[:practice_marks].group_and_count(:student_id, :day, :step_id, :kind).order(:student_id, :day, :step_id, :kind).map(&:to_a)
    }
  end

  def make
    House.empty
    Demo::Studio.new(Stairwell::Server::Settings.new(ENV.to_h.merge("STAIRWELL_NOW" => "2027-03-10 12:00")), seed: 11).make
    told
  end

  it "is the same each time it is made, and has students who do well, middling and not" do
    first = make
    expect(make).to eq(first)
    expect(first[:pieces].size).to be >= 3
    House.now = Time.utc(2027, 3, 10, 12)
    sign_in(email: Demo::People::TEACHERS.first[:email], password: Demo::People::PASSWORD)
    percents = ask(:get, "/api/studio").flat_map { |row| row["pieces"].map { |piece| piece["percent"] } }
    expect(percents.min).to be < 20
    expect(percents.max).to be > 80
    expect(first[:heard].map(&:last).uniq).to include("not_yet", "shaky", "steady", "secure")
  end

  it "has pieces whose pages add up, with repeats, endings, a pickup and a compound meter among them" do
    maps = Demo::Pieces.all.map { |piece| Stairwell::Formats::MusicXML.read(Stairwell::Formats::MusicXML.write(piece.map)) }
    expect(maps.flat_map { |map| Stairwell::Roadmap.read(map).diagnostics }).to eq([])
    expect(maps.flat_map(&:repeats)).not_to be_empty
    expect(maps.flat_map(&:endings)).not_to be_empty
    expect(maps.count(&:pickup?)).to be_positive
    expect(maps.flat_map(&:meters).map(&:to_s)).to include("6/8")
    expect(maps.map(&:unread)).to all(eq([]))
  end
end
