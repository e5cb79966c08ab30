# frozen_string_literal: true

require_relative "spec_helper"
require_relative "../../demo/plans"

# The weeks that are printed in docs/plans.md: looked at by us, and what a teacher would check in
# each.
RSpec.describe "Sixteen weeks" do
  # Values that nothing changes: they are planned once.
  all = nil
  define_method(:plans) { all ||= Demo::Plans.all }
  let(:weeks) { plans.to_h { |one| [one.title, one.record.weeks.newest] } }

  def steps(week) = week.days.map { |day| day.items.select { |item| item.kind == :step } }

  def begun(week) = steps(week).flatten.select(&:begins).map(&:section)

  it "are printed as they are planned (bin/plans writes them anew)" do
    expect(weeks.size).to eq(16)
    expect(File.read(File.expand_path("../../docs/plans.md", __dir__))).to eq(Demo::Plans.text)
  end

  it "keep to the minutes of each day, and to what may begin" do
    plans.each do |one|
      one.record.weeks.newest.days.each do |day|
        expect(day.minutes).to be <= day.budget
        expect(day.items.count(&:begins)).to be <= one.record.student.begin_per_day
      end
    end
  end

  it "begin sections in the order the teacher chose" do
    expect(begun(weeks.fetch("In the order of the piece")).uniq.first(2)).to eq(%w[A B])
    expect(begun(weeks.fetch("The hardest section first")).first).to eq("B")
    expect(begun(weeks.fetch("In the teacher's own order")).first).to eq("C")
  end

  it "hold nothing beyond what is needed where days are light, and the same needs" do
    expect(weeks.fetch("A light week").days.flat_map(&:items).map(&:kind)).not_to include(:more)
    expect(
      weeks
        .except("A light week", "The usual chart")
        .values
        .flat_map(&:days)
        .flat_map(&:items)
        .map(&:kind)
    ).to include(:more)
  end

  it "alternate between two pieces" do
    turns =
      steps(weeks.fetch("Two pieces"))
        .map { |items| items.map(&:piece) }
        .find { |pieces| pieces.tally.values == [2, 2] }
    expect(turns.each_cons(2).all? { |one, other| one != other }).to be(true)
  end

  it "put the piece that is due soon first, and what did not go before what rests on it" do
    expect(begun_pieces(weeks.fetch("A concert in three weeks")).first(4).uniq).to eq(["Eel Weir"])
    titles =
      steps(weeks.fetch("After a lesson at which a step did not go")).flatten.map do |item|
        item.title.to_s
      end
    expect(titles.first(2)).to eq(["A, right hand, slower first", "A, right hand"])
  end

  def begun_pieces(week) = steps(week).flatten.select(&:begins).map(&:piece)

  it "give a student who takes longer fewer steps in the same minutes" do
    slow, plain = plans.last.record, plans.find { |one| one.title == "A light week" }.record
    minutes = ->(record) do
      record.weeks.newest.days.flat_map(&:items).find { |item| item.step_id == "A1.faster" }.minutes
    end
    expect(minutes[slow]).to be > minutes[plain]
  end
end
