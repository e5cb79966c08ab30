# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/studies"

# What holds of every week, whoever it is for: simulated students with one to three pieces, each
# shipped routine in turn. With SLOW sixty of them through sixteen weeks. The rules are common
# practice, no source; the shares are our own choice.
RSpec.describe "Weeks of many students" do
  students, weeks = Slow.whole? ? [60, 16] : [15, 6]
  seen = Array.new(students) { |seed| Studies.new(seed).weeks(weeks) }.flatten

  def limit(record) =
    Stairwell::Rows::Limits.usual(child: record.student.child?, reads: record.student.reads).rows

  it "have no more rows than the student can hold in the head, and within their minutes" do
    beside = %i[warm_up sight_reading other_work]
    seen.each do |sample|
      counted = sample.week.rows.reject { |row| beside.include?(row.kind) }
      expect(counted.size).to be <= limit(sample.record)
      sample.week.days.each { |day| expect(day.minutes).to be <= day.budget }
    end
  end

  it "have a new row on all practice days but one" do
    new =
      seen.flat_map do |sample|
        sample
          .week
          .rows
          .select { |row| row.kind == :new }
          .map { |row| sample.week.days.size - sample.week.cells(row).size }
      end
    expect(new.size).to be > students
    expect(new.count { |missing| missing <= 1 }.fdiv(new.size)).to be >= 0.95
  end

  it "never have a step twice a day, nor one that is superseded" do
    seen.each do |sample|
      sample.week.days.each { |day| expect(day.steps.map(&:key).uniq.size).to eq(day.steps.size) }
      sample
        .week
        .days
        .flat_map(&:steps)
        .each do |item|
          piece = sample.record.piece(item.assignment_id)
          expect(superseded(piece, item.step_id)).to eq([])
        end
    end
  end

  # A hand alone where hands together are steady at that tempo.
  def superseded(piece, id)
    standings = piece.progress.standings
    step = standings.fetch(id).step
    return [] if step.hands == :both || step.section.nil? || step.aspect != :notes
    return [] if Stairwell::Practice::Simplification.form?(id)

    standings
      .values
      .select do |other|
        other.done? && other.step.section == step.section && over?(other.step, step)
      end
      .map { |other| [piece.title, id, other.step.id] }
  end

  def over?(other, step) =
    other.hands == :both && other.aspect == :notes && (step.spans - other.spans).empty? &&
      other.tempo.to_i >= step.tempo.to_i

  it "come to an end: each piece has its dates" do
    seen
      .each_slice(weeks)
      .map(&:first)
      .each do |first|
        outlooks = Stairwell::Studio::Outlooks.new(first.record).to_h
        expect(outlooks.values.map(&:planned)).to all(be_a(Date))
        expect(outlooks.values.map(&:likely)).to all(be_a(Date))
      end
  end

  it "offer the next section where what is needed leaves more than a quarter of the minutes" do
    offered =
      seen.select do |sample|
        sample.record.pieces.any? do |piece|
          piece.progress.introductions.any? { |_, shown| !shown }
        end && sample.week.days.any? &&
          sample.week.days.sum(&:minutes) < sample.week.days.sum(&:budget) * 3 / 4r
      end
    expect(offered.size).to be > 0
    expect(
      offered.reject { |sample| sample.week.limits.any? { |limit| limit.kind == :introduce } }
    ).to eq([])
  end
end
