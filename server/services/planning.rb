# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Plans a student's week over all their pieces, from what was heard and
      # practised so far.
      class PlanWeek
        def initialize(desk)
          @desk = desk
          @weeks = Models::Weeks.new(desk)
        end

        # @param student [Hash] row
        # @param from [Date] the first day that may be practised
        # @return [Hash] the week as {Views::Week} shows it; nothing is saved
        def preview(student, from:, given: Models::Assignments.new(@desk).of_student(student[:id]))
          next_lesson = Planning::Calendar.next_weekday(from - 1, student[:lesson_weekday])
          next_lesson += 7 if next_lesson == from
          steps = {}
          tasks = given.flat_map do |one|
            prefix = "#{one.row[:id]}/"
            one.progress.steps.each { |step| steps[prefix + step.id] = [one, step] }
            one.progress.tasks(prefix: prefix)
          end
          reviews = given.flat_map { |one| one.progress.reviews(next_lesson - 1, prefix: "#{one.row[:id]}/") }
          exercises = exercises(student, given)
          warm_ups = exercises.map { |id, one| Planning::WarmUp.new(id: id, minutes: one.minutes, title: one.title) }
          plan = Planning.week(
            tasks: tasks, practice: Models::Students.practice(student), from: from, next_lesson: next_lesson, reviews: reviews, warm_ups: warm_ups
          )
          Views::Week.to_h(plan, steps, starts: from, next_lesson: next_lesson, budget: student[:minutes_a_day], exercises: exercises)
        end

        # What each choice of warm-ups holds.
        WARM_UPS = {"none" => [], "five_finger" => [:five_finger], "scale" => [:scale], "scale_and_chords" => %i[scale chords]}.freeze

        # Plans and keeps the plan.
        # @return [Hash]
        def call(student, from:)
          week = preview(student, from: from)
          @weeks.add(student[:id], from, Date.parse(week[:next_lesson]), week)
          week
        end

        # Out of the key of the piece that is the newest in hand.
        # @return [Hash{String => Practice::Exercise}] by id
        def exercises(student, given)
          kinds = WARM_UPS.fetch(student[:warm_ups])
          return {} if kinds.empty? || given.empty?

          row = given.last.row
          key = Models::Pieces.new(@desk).map(row[:piece_id], row[:revision]).keys.first || Score::Key.new(fifths: 0)
          Practice::WarmUps.of(key, kinds).each_with_index.to_h { |one, at| ["warm-up #{at + 1}", one] }
        end
        private :exercises

        # @param student [Hash]
        # @param today [Date]
        # @return [Date] what is given on a lesson day starts the day after
        def self.first_day(student, today) = (today.wday == student[:lesson_weekday]) ? today + 1 : today
      end
    end
  end
end
