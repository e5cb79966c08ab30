# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# Small cases against the true optimum, found by trying every way to fill every
# day.
RSpec.describe "How soon everything is done" do
  let(:begin_per_day) { 2 }

  # Plans day by day, feeding back what was done, until nothing is left.
  def planned_days(tasks, minutes)
    practice =
      Stairwell::Planning::Practice.new(
        weekdays: (0..6).to_a,
        minutes: minutes,
        begin_per_day: begin_per_day
      )
    (1..60).each do |day|
      from = Date.new(2027, 1, day.clamp(1, 28))
      done =
        Stairwell::Planning
          .week(tasks: tasks, practice: practice, from: from, next_lesson: from + 1)
          .days
          .first
          .items
          .map(&:id)
      tasks =
        tasks.map do |task|
          done.include?(task.id) ? task.with(credited: task.credited + 1, begun: true) : task
        end
      return day if tasks.all? { |task| task.remaining.zero? }
    end
    nil
  end

  # The fewest days, by breadth-first search over what is credited.
  def fewest_days(tasks, minutes)
    states = [tasks.map(&:credited)].to_set
    (1..60).each do |day|
      states = states.flat_map { |state| next_states(tasks, state, minutes) }.to_set
      if states.any? { |state|
           tasks.each_with_index.all? { |task, at| state[at] >= task.good_days }
         }
        return day
      end
    end
    nil
  end

  def next_states(tasks, state, minutes)
    place = tasks.each_with_index.to_h { |task, at| [task.id, at] }
    full = tasks.each_index.select { |at| state[at] >= tasks[at].good_days }
    can =
      tasks
        .each_index
        .reject { |at| full.include?(at) }
        .select { |at| tasks[at].needs.all? { |id| full.include?(place[id]) } }
    (0..can.size)
      .flat_map { |size| can.combination(size).to_a }
      .filter_map do |chosen|
        if chosen.sum { |at| tasks[at].minutes } > minutes ||
             chosen.count { |at| state[at].zero? } > begin_per_day
          next
        end
        unless chosen.all? { |at|
                 tasks[at].after.all? do |id|
                   full.include?(place[id]) || chosen.include?(place[id])
                 end
               }
          next
        end

        state.each_with_index.map { |credited, at| chosen.include?(at) ? credited + 1 : credited }
      end
  end

  def random_tasks(random)
    (1..random.rand(2..5)).map do |at|
      earlier = (1...at).map { |one| "s#{one}" }
      needs = earlier.sample(random.rand(0..1), random: random)
      Stairwell::Planning::Task.new(
        id: "s#{at}",
        minutes: random.rand(2..8) / 1r,
        good_days: random.rand(1..3),
        needs: needs,
        after: (earlier - needs).sample(random.rand(0..1), random: random)
      )
    end
  end

  it "is the optimum almost always, and never more than one day later" do
    random = Random.new(31)
    late =
      Array.new(150) do
        tasks = random_tasks(random)
        minutes = [random.rand(8..14), tasks.map(&:minutes).max].max.to_r
        planned_days(tasks, minutes) - fewest_days(tasks, minutes)
      end
    expect(late.min).to eq(0) # sooner than the optimum would mean a broken constraint
    expect(late.max).to be <= 1
    expect(late.count(1)).to be <= late.size / 20
  end

  it "is never sooner than the longest chain and the work allow" do
    random = Random.new(32)
    60.times do
      tasks = random_tasks(random)
      minutes = [random.rand(8..14), tasks.map(&:minutes).max].max.to_r
      chain = Stairwell::Planning::Needs.new(tasks).chains(tasks.map(&:remaining)).max
      work = (tasks.sum { |task| task.minutes * task.good_days } / minutes).ceil
      expect(planned_days(tasks, minutes)).to be >=
        [chain, work, (tasks.size / begin_per_day.to_f).ceil].max
    end
  end
end
