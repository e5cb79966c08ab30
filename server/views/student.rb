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
            hand_span: row[:hand_span], has_pedal: row[:has_pedal], warm_ups: row[:warm_ups], absent: row[:absent].to_a.map(&:to_h),
            introduce_first: row[:introduce_first], minutes_by_day: row[:minutes_by_day].to_h, note_names: row[:note_names],
            email: row[:email], terms: row[:terms], reads: row[:reads], instrument: row[:instrument], known: row[:known].to_a, class_name: row[:class_name], version: row[:version]
          }
        end

        # @param given [Models::Assignments::Given]
        # @param routine [String] the routine's name
        # @return [Hash]
        def assignment(given, routine:)
          row = given.row
          {
            id: row[:id], piece_id: row[:piece_id], title: given.title, routine: routine,
            hand_order: row[:hand_order], target_tempo: row[:target_tempo], priority: row[:priority], introduce_first: row[:introduce_first], due_on: row[:due_on]&.to_s, without: row[:choices].to_h["without"].to_a,
            introductions: given.progress.introductions.map { |what, introduced| {what: what, introduced: introduced} }, percent: percent(given.progress),
            steps: given.progress.standings.values.map { |one| standing(one, given.progress) }
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

        # @return [Hash, nil] the forms a step that did not go can be made smaller
        #   in, and the one that was chosen
        def simplification(step, progress)
          return unless progress.troubled.any? { |one| one.id == step.id }

          said = progress.simplified(step)
          {
            chosen: said&.form&.to_s, bar: said&.bar,
            forms: Practice::Simplification.forms(step).map { |one| {form: one.form.to_s, bar: one.bar, words: one.words} }
          }
        end

        # @return [Integer] progress in whole percent of estimated work
        def percent(progress) = (progress.share * 100).floor

        # @param one [Progress::Standing]
        # @param progress [Progress::Piece] it is of
        def standing(one, progress)
          {
            id: one.step.id, title: one.step.title, place: one.step.place, section: one.step.section, stage: one.step.stage.to_s,
            state: one.state.to_s, credited: one.credited, good_days: one.good_days, minutes: one.step.minutes.to_f,
            tempo: one.step.tempo, repetitions: one.step.repetitions, arithmetic: one.step.arithmetic, done_when: one.step.done,
            introduced: one.introduced, simplification: smaller(one.step, progress), last_result: one.last_result && {result: one.last_result.result.to_s, day: one.last_result.date.to_s}
          }
        end
      end

      # A planned week.
      module Week
        module_function

        # @param plan [Planning::Plan]
        # @param load [Services::Workload] what was planned
        # @return [Hash] JSON-ready, complete in itself
        def to_h(plan, load)
          {
            starts: load.from.to_s, planned_from: load.from.to_s, next_lesson: load.next_lesson.to_s, budget: load.student[:minutes_a_day],
            days: plan.days.map { |day| day(day, load) }, left_out: plan.left_out.map { |one| left_out(one, *load.steps.fetch(one.id)) },
            unmet: plan.unmet.map { |override, why| {id: override.id, date: override.date&.to_s, title: override.title || load.steps[override.id]&.last&.title || override.id, why: why} }
          }
        end

        def day(day, load)
          warm_ups, items = day.items.partition { |one| one.kind == :warm_up }
          {
            date: day.date.to_s, minutes: day.minutes.to_f, budget: load.practice.budget(day.date).to_f,
            items: items.map { |one| load.steps.key?(one.id) ? item(one, *load.steps.fetch(one.id)) : beside(one, load) },
            warm_ups: warm_ups.map { |one| warm_up(one, load) }
          }
        end

        def warm_up(item, load)
          line = load.lines.fetch(item.id)
          names = load.student[:note_names].to_sym
          notes = line.exercise&.notes.to_a.map { |text| text.gsub(/\b[A-G](##|bb|#|b)?(?=\s|\z)/) { |note| Score::Names.of(note, names) } }
          {
            id: item.id, title: line.title, minutes: item.minutes.to_f, notes: notes, right: line.exercise&.fingers&.fetch(:right).to_a,
            left: line.exercise&.fingers&.fetch(:left).to_a, pinned: item.pinned
          }
        end

        def item(item, given, step)
          common(item).merge(
            assignment_id: given.id, step_id: step.id, title: step.title, piece: given.title, section: step.section,
            place: step.place, tempo: step.tempo, begins: item.begins, arithmetic: step.arithmetic, one_of: []
          )
        end

        # What is no step: other work, a run, the teacher's own.
        def beside(item, load)
          line = load.lines[item.id]
          common(item).merge(
            assignment_id: nil, step_id: nil, title: line&.title || item.title, piece: line&.piece, section: nil, place: nil, tempo: nil,
            begins: false, arithmetic: "#{Planning.minutes(item.minutes)}, once", one_of: line&.one_of.to_a
          )
        end

        def common(item)
          {id: item.id, kind: item.kind.to_s, minutes: item.minutes.to_f, repetitions: item.repetitions, why: item.why, pinned: item.pinned, breaks: item.breaks}
        end

        def left_out(one, given, step)
          {id: one.id, assignment_id: given.id, step_id: step.id, title: step.title, piece: given.title, why: one.why, fits: one.fits}
        end
        private_class_method :day, :warm_up, :item, :beside, :common, :left_out
      end
    end
  end
end
