# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe "The order within a day" do
  def task(id, **said)
    piece, step = id.split("/")
    section = step[/\A[A-Z]/]
    Stairwell::Planning::Task.new(
      id: id,
      minutes: 1r,
      good_days: 2,
      group: piece,
      section: section,
      **said
    )
  end

  def order(*tasks, listed: tasks) =
    Stairwell::Planning::Sitting.order(
      tasks,
      listed.each_with_index.to_h { |one, at| [one.id, at] }
    ).map(&:id)

  it "is that of the piece, whatever was chosen first" do
    a, b, c = task("1/A.right"), task("1/A.left"), task("1/B.right")
    expect(order(c, a, b, listed: [a, b, c])).to eq(%w[1/A.right 1/A.left 1/B.right])
  end

  it "has hard places first, but no hard join" do
    join = task("1/A>B", join: true, hard: true, section: "B")
    expect(order(task("1/A.right"), task("1/B.right", hard: true), join)).to eq(
      %w[1/B.right 1/A.right 1/A>B]
    )
  end

  it "has a join behind all of its section, not at the end of the day" do
    a, b, c = task("1/A.right"), task("1/B.right"), task("1/C.right")
    joins = [task("1/A>B", join: true, section: "B"), task("1/B>C", join: true, section: "C")]
    expect(order(a, b, c, *joins)).to eq(%w[1/A.right 1/B.right 1/A>B 1/C.right 1/B>C])
    # One whose section does not stand that day keeps its place.
    expect(order(a, c, joins.first)).to eq(%w[1/A.right 1/C.right 1/A>B])
  end

  it "goes from piece to piece by turns, with hard places first in each" do
    one = [task("1/A.right"), task("1/B.right"), task("1/C.right", hard: true)]
    two = [task("2/A.right"), task("2/B.right")]
    expect(order(*one, *two)).to eq(%w[1/C.right 1/A.right 2/A.right 1/B.right 2/B.right])
  end

  it "puts nothing before what it comes after, hard or not, of another piece's turn or not" do
    right = task("1/A.right")
    left = task("1/A.left", after: ["1/A.right"], hard: true)
    expect(order(right, left, task("2/A.right"))).to eq(%w[1/A.right 1/A.left 2/A.right])
    expect(order(left, task("2/A.right"), listed: [right, left, task("2/A.right")])).to eq(
      %w[1/A.left 2/A.right]
    ) # what is not that day keeps nobody waiting
  end
end
