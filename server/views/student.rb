# frozen_string_literal: true

module Stairwell
  module Server
    module Views
      # A student as screens show them.
      module Student
        module_function

        # @param row [Hash]
        # @return [Hash] what can be changed, with the version it was read at
        def settings(row)
          {
            id: row[:id], name: row[:name], practice_days: row[:practice_days].to_a, minutes_a_day: row[:minutes_a_day],
            begin_per_day: row[:begin_per_day], lesson_weekday: row[:lesson_weekday],
            lesson_time: row[:lesson_time].strftime("%H:%M"), hand_order: row[:hand_order],
            hand_span: row[:hand_span], has_pedal: row[:has_pedal], warm_ups: row[:warm_ups], absent: row[:absent].to_a.map(&:to_h), version: row[:version]
          }
        end

        # @param given [Models::Assignments::Given]
        # @param routine [String] the routine's name
        # @return [Hash]
        def assignment(given, routine:)
          row = given.row
          {
            id: row[:id], piece_id: row[:piece_id], title: given.title, routine: routine,
            hand_order: row[:hand_order], aim: row[:aim], percent: percent(given.progress),
            steps: given.progress.standings.values.map { |one| standing(one) }
          }
        end

        # @param routine [Practice::Routine]
        # @return [Hash] without its stages
        def routine(routine)
          {
            key: routine.key, name: routine.name, for_whom: routine.for_whom, why: routine.why,
            sitting: routine.sitting.map(&:to_s)
          }
        end

        # @return [Integer] progress in whole percent of estimated work
        def percent(progress) = (progress.share * 100).floor

        # @param one [Progress::Standing]
        def standing(one)
          {
            id: one.step.id, title: one.step.title, place: one.step.place, section: one.step.section, stage: one.step.stage.to_s,
            state: one.state.to_s, credited: one.credited, good_days: one.good_days, minutes: one.step.minutes.to_f,
            tempo: one.step.tempo, repetitions: one.step.repetitions, arithmetic: one.step.arithmetic, done_when: one.step.done,
            last_heard: one.last_heard && {result: one.last_heard.result.to_s, day: one.last_heard.date.to_s}
          }
        end
      end

      # A planned week.
      module Week
        module_function

        # @param plan [Planning::Plan]
        # @param steps [Hash{String => Array(Models::Assignments::Given, Practice::Step)}]
        #   by task id
        # @param exercises [Hash{String => Practice::Exercise}] warm-ups by id
        # @return [Hash] JSON-ready, complete in itself
        def to_h(plan, steps, starts:, next_lesson:, budget:, exercises: {})
          {
            starts: starts.to_s, next_lesson: next_lesson.to_s, budget: budget,
            days: plan.days.map { |day| day(day, steps, exercises) },
            left_out: plan.left_out.map { |one| left_out(one, *steps.fetch(one.id)) }
          }
        end

        def day(day, steps, exercises)
          warm_ups, items = day.items.partition { |one| one.kind == :warm_up }
          {
            date: day.date.to_s, minutes: day.minutes.to_f, items: items.map { |one| item(one, *steps.fetch(one.id)) },
            warm_ups: warm_ups.map { |one| exercise(exercises.fetch(one.id)) }
          }
        end

        def exercise(one)
          {title: one.title, minutes: one.minutes.to_f, notes: one.notes, right: one.fingers[:right], left: one.fingers[:left]}
        end

        def item(item, given, step)
          {
            assignment_id: given.row[:id], step_id: step.id, title: step.title, piece: given.title, section: step.section,
            place: step.place, tempo: step.tempo, minutes: item.minutes.to_f, repetitions: item.repetitions,
            kind: item.kind.to_s, begins: item.begins, why: item.why, arithmetic: step.arithmetic
          }
        end

        def left_out(one, given, step)
          {assignment_id: given.row[:id], step_id: step.id, title: step.title, piece: given.title, why: one.why, fits: one.fits}
        end
        private_class_method :day, :exercise, :item, :left_out
      end
    end
  end
end
