# frozen_string_literal: true

require_relative "spec_helper"
require_relative "../../demo/plans"

# The weeks that are printed in docs/plans.md: looked at by us, and what a teacher would check in
# each.
RSpec.describe "Twelve weeks" do
  # Values that nothing changes: they are planned once.
  all = nil
  define_method(:plans) { all ||= Demo::Plans.all }
  let(:weeks) { plans.to_h { |one| [one.title, one.record.weeks.newest] } }

  def row(week, kind) = week.rows.find { |row| row.kind == kind }

  it "are printed as they are planned (bin/plans writes them anew)" do
    expect(weeks.size).to eq(12)
    expect(File.read(File.expand_path("../../docs/plans.md", __dir__))).to eq(Demo::Plans.text)
  end

  it "keep to the minutes of each day, and to as many rows as a family holds in the head" do
    plans.each do |one|
      week = one.record.weeks.newest
      expect(week.days.map { |day| day.minutes - day.budget }).to all(be <= 0)
      counted = week.rows.reject { |row| %i[warm_up sight_reading other_work].include?(row.kind) }
      student = one.record.student
      expect(counted.size).to be <= ((student.child? && !student.reads) ? 3 : 6)
    end
  end

  it "begin sections in the order the teacher chose" do
    first = ->(title) { row(weeks.fetch(title), :new).title.to_s }
    expect(first["In the order of the piece"]).to eq("A and B")
    expect(first["The hardest section first"]).to start_with("B")
    expect(first["In the teacher's own order"]).to start_with("C")
  end

  it "have two new rows at the most, however many pieces there are" do
    new = plans.map { |one| one.record.weeks.newest.rows.count { |row| row.kind == :new } }
    expect(new.max).to eq(2)
    expect(new.min).to be <= 1
  end

  it "put an easier form before what did not go" do
    week = weeks.fetch("After a lesson at which a section did not go")
    path = week.days.flat_map(&:items).filter_map(&:step_id)
    smaller = path.find { |id| id.include?("~") }
    expect(path.index(smaller)).to be < path.index(smaller[/\A[^~]+/])
  end

  it "give a student who takes longer no more minutes" do
    slow = weeks.fetch("A student who takes longer than estimated")
    expect(slow.days.map(&:minutes)).to all(be <= 15)
  end
end
