# frozen_string_literal: true

module Stairwell
  module Studio
    # What the planner made of a workload, complete in itself.
    module PlannedWeeks
      module_function

      # @param plan [Planning::Plan]
      # @param load [Workload] what was planned
      # @return [Planning::PlannedWeek]
      def of(plan, load)
        Planning::PlannedWeek.new(
          starts: load.from,
          planned_from: load.from,
          next_lesson: load.next_lesson,
          with_lesson: load.record.timetable.held?(load.next_lesson),
          budget: load.record.student.minutes_a_day,
          days: plan.days.map { |day| day(day, load) },
          left_out: plan.left_out.map { |one| left_out(one, *load.steps.fetch(one.id)) },
          unmet: plan.unmet.map { |override, why| unmet(override, why, load) },
          limits: plan.limits.map { |one| limit(one, load) }
        )
      end

      def day(day, load)
        warm_ups, items = day.items.partition { |one| one.kind == :warm_up }
        Planning::PlannedDay.new(
          date: day.date,
          minutes: day.minutes,
          budget: load.practice.budget(day.date),
          warm_ups: warm_ups.map { |one| warm_up(one, load) },
          items:
            items.map do |one|
              if (found = load.steps[Planning::More.of(one.id)])
                step(one, *found, load)
              else
                other(one, load)
              end
            end
        )
      end

      def warm_up(item, load)
        line = load.lines.fetch(item.id)
        Planning::PlannedWarmUp.new(
          id: item.id,
          title: line.title,
          minutes: item.minutes,
          notes: notes(line.exercise, load.record.student.note_names),
          pinned: item.pinned,
          right: line.exercise&.fingers&.fetch(:right).to_a,
          left: line.exercise&.fingers&.fetch(:left).to_a
        )
      end

      NOTE = /\b[A-G](##|bb|#|b)?(?=\s|\z)/
      private_constant :NOTE

      def notes(exercise, names) =
        exercise&.notes.to_a.map { |text| text.gsub(NOTE) { |note| Score::Names.of(note, names) } }

      def step(item, piece, step, load)
        Planning::PlannedItem.new(
          **common(item),
          assignment_id: piece.id,
          step_id: item.id.delete_prefix(piece.prefix),
          title: (item.kind == :more) ? item.title : step.title,
          piece: piece.title,
          section: step.section,
          place: place(item, step),
          tempo: step.tempo,
          begins: item.begins,
          arithmetic: (item.kind == :step) ? arithmetic(item, step, load) : ""
        )
      end

      # The half, or the quarter, that is its turn.
      def place(item, step)
        which, of = item.part
        if which
          Phrase[
            "studio.planned_weeks.part_of",
            which: Practice::Simplification.nth(which + 1),
            of: Phrase["studio.planned_weeks.parts.#{(of == 2) ? "half" : "quarter"}"],
            place: step.place
          ]
        else
          step.place
        end
      end

      # How its minutes come about, as estimated, as this student takes, and as new as it is.
      def arithmetic(item, step, load)
        times = load.timing.factor(step.kind)
        said =
          { as_timed: times, first_days: newer(item, step, times) }.reject do |_, one|
            (one - 1).abs < Constants::TIMES_SAID
          end
        unless step.sitting
          ready = Phrase["studio.planned_weeks.ready", minutes: Units.minutes(Constants::READY)]
        end
        Phrase.list(
          [
            step.arithmetic,
            ready,
            *said.map do |key, one|
              Phrase["studio.planned_weeks.#{key}", times: Phrase.number(one.round(1))]
            end
          ].compact,
          by: :semicolon
        )
      end

      # What is of one sitting gets ready once, and its parts say nothing of it.
      def newer(item, step, times)
        return 1 if step.sitting

        (item.minutes - Constants::READY) * 60 / (item.repetitions * step.once * times)
      end

      # What is no step: extra work, a run, the teacher's own, all so far slowly.
      def other(item, load)
        line = load.lines[item.id]
        Planning::PlannedItem.new(
          **common(item),
          title: line&.title || item.title,
          piece: line ? line.piece : load.title_of(item.id),
          arithmetic: Phrase["studio.planned_weeks.once", minutes: Units.minutes(item.minutes)],
          one_of: line&.one_of.to_a
        )
      end

      def common(item) = item.to_h.slice(:id, :kind, :minutes, :repetitions, :why, :pinned, :breaks)

      def left_out(one, piece, step)
        Planning::PlannedLeftOut.new(
          id: one.id,
          assignment_id: piece.id,
          step_id: step.id,
          title: step.title,
          piece: piece.title,
          why: one.why,
          fits: one.fits
        )
      end

      def unmet(override, why, load)
        Planning::PlannedUnmet.new(
          id: override.id,
          date: override.date,
          title: override.title || load.steps[override.id]&.last&.title || override.id,
          why: why
        )
      end

      def limit(one, load)
        gain = {
          needed: Units.minutes(one.needed),
          lifted: one.lifted && Units.minutes(one.lifted)
        }.compact
        case one.kind
        when :begin
          count = load.practice.begin_per_day
          Planning::PlannedLimit.new(
            kind: :begin,
            why: Phrase["studio.planned_weeks.only_so_many_begin", count: count, **gain],
            begin_per_day: count + 1
          )
        when :introduce
          piece, step = load.steps.fetch(one.id)
          what = piece.progress.introducing(step)
          Planning::PlannedLimit.new(
            kind: :introduce,
            why:
              Phrase[
                "studio.planned_weeks.waits_to_be_introduced",
                what: what,
                piece: piece.title,
                **gain
              ],
            assignment_id: piece.id,
            what: what
          )
        else
          Planning::PlannedLimit.new(
            kind: :nothing,
            why: Phrase["studio.planned_weeks.nothing_else_in_hand", **gain]
          )
        end
      end
      private_class_method :day,
                           :warm_up,
                           :notes,
                           :step,
                           :place,
                           :arithmetic,
                           :newer,
                           :other,
                           :common,
                           :left_out,
                           :unmet,
                           :limit
    end
  end
end
