# frozen_string_literal: true

# A student made of chance: keeps a share of the practice days, struggles on
# some of them, and takes longer or shorter than estimated. The same seed lives
# the same life.
class SimulatedStudent
  attr_reader :adherence, :struggle

  def initialize(adherence:, struggle:, pace:, seed:)
    @adherence = adherence
    @struggle = struggle
    @pace = pace
    @random = Random.new(seed + 90_000)
  end

  # Practises week after week from the planner's plans.
  # @return [Date] the day on which nothing is left
  def finish(tasks, practice, from, lesson)
    tasks = tasks.map { |task| task.with(good_days: [(task.good_days * @pace).round, 1].max) }
    200.times do
      (from...lesson).select { |date| practice.on?(date) }.each do |date|
        next if @random.rand >= @adherence

        done = today(date, tasks, practice).reject { @random.rand < @struggle }
        tasks = tasks.map { |task| done.include?(task.id) ? task.with(credited: task.credited + 1, begun: true) : task }
        return date if tasks.all? { |task| task.remaining.zero? }
      end
      from, lesson = lesson, lesson + 7
    end
    raise "this life has no end"
  end

  private

  # After a missed or a bad day the rest of the week is planned again.
  def today(date, tasks, practice)
    Stairwell::Planning.week(tasks: tasks, practice: practice, from: date, next_lesson: date + 1).days.first.items.map(&:id)
  end
end
