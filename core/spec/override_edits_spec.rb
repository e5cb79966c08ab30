# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/charts"

# Any row of edits leaves a list that makes sense: an item is said at most once
# for a day, and never both put there and kept off it.
RSpec.describe Stairwell::Planning::OverrideEdits do
  include Charts

  let(:dates) { (1..5).map { |day| Charts::DAY + day } }

  def edit(random)
    id = %w[a b c].sample(random: random)
    date, to = dates.sample(2, random: random)
    case random.rand(7)
    when 0
      [:pin, { id: id, date: date }]
    when 1
      [:move, { id: id, date: date, to: to }]
    when 2
      [:drop, { id: id, date: date }]
    when 3
      [:leave_out, { id: id }]
    when 4
      [:resize, { id: id, date: date, repetitions: random.rand(1..9) }]
    when 5
      [:loosen, { id: id }]
    else
      [:add, { id: "extra #{random.rand(1_000_000)}", date: date, title: "cards", minutes: 2r }]
    end
  end

  it "says of an item at most one thing for a day" do
    80.times do |seed|
      random = Random.new(seed)
      overrides =
        Array
          .new(random.rand(1..25)) { edit(random) }
          .inject([]) { |all, (name, said)| described_class.draw(all, name, **said) }
      expect(overrides.map { |one| [one.id, one.date] }.tally.values).to all(eq(1))
      out = overrides.select { |one| one.kind == :off && one.date.nil? }.map(&:id)
      expect(overrides.select { |one| one.kind == :on }.map(&:id) & out).to eq([])
    end
  end

  it "lays out every such list, and keeps what was put" do
    ids = { "a" => "1/A.right", "b" => "1/B.together", "c" => "1/whole.whole" }
    60.times do |seed|
      random = Random.new(seed)
      overrides =
        Array
          .new(random.rand(1..15)) { edit(random) }
          .inject([]) { |all, (name, said)| described_class.draw(all, name, **said) }
          .map { |one| one.with(id: ids.fetch(one.id, one.id)) }
      laid =
        week(
          [piece("title: Weir\nbars: 8\nsection A: 1-4\nsection B: 5-8")],
          days: 5,
          minutes: 20,
          overrides: Stairwell::Planning::Overrides.new(overrides)
        )
      overrides
        .reject { |one| one.kind == :off }
        .each do |override|
          parts = laid.rows.flat_map { |row| row.on(dates.index(override.date) + 1) }
          part = parts.find { |one| one.key == override.id }
          expect(part).to have_attributes(pinned: true)
          expect(part.times).to eq(override.repetitions) if override.repetitions
        end
    end
  end

  it "gives the list back as it was when the contrary edit is drawn" do
    added = described_class.draw([], :add, id: "x", date: dates[0], title: "cards", minutes: 2r)
    expect(described_class.draw(added, :take_out, id: "x", date: dates[0])).to eq([])
    pinned = described_class.draw([], :pin, id: "a", date: dates[0])
    expect(described_class.draw(pinned, :loosen, id: "a", date: dates[0])).to eq([])
    expect(described_class.draw(pinned, :move, id: "a", date: dates[0], to: dates[0])).to eq(pinned)
  end
end
