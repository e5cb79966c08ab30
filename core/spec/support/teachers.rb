# frozen_string_literal: true

require "zlib"
require_relative "lives"

# The same students with the same luck under different teachers: what happens to a step, on a day
# or at a lesson depends on it alone, not on what was drawn before.
module Teachers
  # By our plans.
  class Planned < Lives
    def initialize(kind, seed, **how)
      super
      @luck = "#{kind} #{seed}"
      # As many as is usual for so many minutes.
      @begin_per_day = Stairwell::Planning::Practice.usual_begin(@minutes)
      @steps =
        Hash.new do |all, id|
          all[id] = drawn(id) do
            {
              hard: Math.exp(normal * 0.5),
              bad: (@random.rand**3) * 0.35,
              wall: @random.rand < 0.15,
              met: 0,
              skill: 0.0,
              last: nil
            }
          end
        end
    end

    # @return [Integer] days from the first to the last
    def days = live.finished - WEDNESDAY

    private

    def drawn(what)
      before, @random = @random, Random.new(Zlib.crc32("#{@luck} #{what}"))
      yield
    ensure
      @random = before
    end

    # Nothing is foretold.
    def promise = nil

    def kept? = drawn("kept #{@record.today}") { super }

    def bad?(id)
      met = @steps[id][:met]
      drawn("#{id} #{met}") { super }
    end

    def lesson = drawn("lesson #{@record.today}") { super }

    def tomorrow = drawn("tomorrow #{@record.today}") { super }
  end

  # What a day holds without a plan: steps whose needs are done, as many as there are minutes for.
  class Unplanned < Planned
    Item = Struct.new(:step_id, :repetitions)

    private

    def plan = nil

    def todays_steps
      return unless Stairwell::Studio::Workload.new(@record).practice.planned?(@record.today)

      done = piece.progress.standings.select { |_, one| one.done? }.keys
      chosen = []
      open =
        piece.progress.tasks.select do |task|
          task.remaining.positive? && task.introduced && (task.needs - done).empty?
        end
      open.each do |task|
        chosen << task if (task.after - done - chosen.map(&:id)).empty? && fits?(chosen, task)
      end
      chosen.map { |task| Item.new(task.id, task.repetitions) }
    end

    def minutes(task) = task.minutes_after(task.credited)
  end

  # Every stage that may stand, every day, in the order of the piece, until the day is full; in the
  # same rows: no more new bars in hand than one row holds.
  class EverythingInOrder < Unplanned
    private

    def fits?(chosen, task)
      all = chosen + [task]
      all.sum(0r) { |one| minutes(one) } <= @minutes &&
        one_row?(all.filter_map { |one| new_in(one) })
    end

    # The section a task belongs to, as long as both hands aren't steady there.
    def new_in(task)
      steps = piece.progress.standings
      label = steps.fetch(task.id).step.section
      together = label && steps["#{label}.together"]
      label if together && !together.done?
    end

    def one_row?(labels)
      labels.uniq!
      labels.size < 2 || labels.sum { |label| bars.fetch(label) } <= Stairwell::Constants::NEW_BARS
    end

    # Of each section.
    def bars = @bars ||= piece.page.map.sections.to_h { |one| [one.label, one.bars.size] }
  end

  # The old sections once through, and one new layer a day.
  class OneNewLayer < Unplanned
    private

    def fits?(chosen, task) = chosen.empty? && minutes(task) <= @minutes
  end
end
