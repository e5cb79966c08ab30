# frozen_string_literal: true

require_relative "spec_helper"
require "date"

# The table of what is heard at a lesson, written a second time as one loop over
# days, against the fold that the app uses.
RSpec.describe "Progress beside its table" do
  let(:step) do
    Stairwell::Practice.steps(page("bars: 4\nsection A: 1-4")).find { |one| one.id == "A.together" }
  end
  let(:start) { Date.new(2027, 3, 1) }

  def by_the_table(good, heard)
    credited, in_all, secure = 0, step.good_days, false
    (0..40).each do |day|
      credited = [credited + 1, in_all].min if good.include?(day)
      case heard[day]
      when :not_yet
        credited, secure = credited.div(2), false
      when :shaky
        in_all, secure = [in_all, credited + 1].max, false
      when :steady
        credited, secure = in_all, false
      when :secure
        credited, secure = in_all, true
      end
    end
    [credited, in_all, secure]
  end

  it "gives the same credits, days in all and security, whatever happens" do
    random = Random.new(41)
    200.times do
      good = (0..40).to_a.sample(random.rand(0..20), random: random)
      half = ((0..40).to_a - good).sample(random.rand(0..10), random: random)
      heard =
        (0..40)
          .to_a
          .sample(random.rand(0..6), random: random)
          .to_h { |day| [day, %i[not_heard not_yet shaky steady secure].sample(random: random)] }
      events = marks(good, step.repetitions) + marks(half, step.repetitions - 1) + results(heard)
      standing =
        Stairwell::Progress.piece([step.with(needs: [])], events.shuffle(random: random)).standings[
          "A.together"
        ]
      expect([standing.credited, standing.good_days, standing.state == :secure]).to eq(
        by_the_table(good, heard)
      )
    end
  end

  def marks(days, each)
    days.flat_map do |day|
      Array.new(each) do |at|
        Stairwell::Progress::Mark.new(
          key: "#{day}/#{at}/#{each}",
          step_id: "A.together",
          date: start + day,
          kind: :repetition,
          at: Time.at(day * 86_400 + at)
        )
      end
    end
  end

  def results(heard)
    heard.map do |day, result|
      Stairwell::Progress::LessonResult.new(
        step_id: "A.together",
        date: start + day,
        result: result,
        at: Time.at(day * 86_400)
      )
    end
  end
end
