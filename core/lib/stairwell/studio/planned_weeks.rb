# frozen_string_literal: true

module Stairwell
  module Studio
    # The rows of a workload as a planned week, complete in itself.
    module PlannedWeeks
      module_function

      # @param work [RowWork]
      # @param load [Workload] what was planned
      # @param dates [Array<Date>] practice days
      # @return [Planning::PlannedWeek]
      def of(work, load, dates)
        rows = work.week.rows
        days = dates.each_with_index.map { |date, at| day(date, at + 1, rows, load) }
        Planning::PlannedWeek.new(
          starts: load.from,
          planned_from: load.from,
          next_lesson: load.next_lesson,
          with_lesson: load.record.timetable.held?(load.next_lesson),
          budget: load.record.student.minutes_a_day,
          rows: rows.map { |row| row(row) },
          days: days,
          limits: [offer(days, load)].compact,
          left_out: work.week.waiting.map { |waiting| left_out(waiting) },
          unmet:
            work
              .overrides
              .unmet(dates, work.known)
              .map { |override, why| unmet(override, why, load) }
        )
      end

      # The next section, where what is planned leaves more than a quarter of the minutes.
      # @return [Planning::PlannedLimit, nil]
      def offer(days, load)
        minutes, budget = %i[minutes budget].map { |name| days.sum(0r, &name) }
        return if days.empty? || minutes >= budget * Constants::FILLED

        piece, what = load.next_section
        return unless what

        Planning::PlannedLimit.new(
          kind: :introduce,
          why:
            Phrase[
              "rows.room_for",
              what: what,
              piece: piece.title,
              minutes: Units.minutes(minutes / days.size),
              budget: Units.minutes(budget / days.size)
            ],
          assignment_id: piece.id,
          what: what
        )
      end

      def row(row) =
        Planning::PlannedRow.new(
          id: row.id,
          kind: row.kind,
          title: row.title,
          piece: row.piece&.title,
          assignment_id: row.piece&.id,
          short_day: row.short_day,
          why: row.why
        )

      def day(date, number, rows, load)
        first, others = rows.partition { |row| row.kind == :warm_up }
        budget = load.practice.budget(date)
        parts = others.flat_map { |row| row.on(number).map { |part| [row, part] } }
        warm_ups = first.flat_map { |row| row.on(number).map { |part| warm_up(row, part, load) } }
        minutes = warm_ups.sum(0r, &:minutes) + parts.sum(0r) { |_, part| part.minutes }
        over = [minutes - budget, 0r].max
        Planning::PlannedDay.new(
          date: date,
          minutes: minutes,
          budget: budget,
          warm_ups: warm_ups,
          items:
            parts.map do |row, part|
              part.step ? step(row, part, number, over, load) : other(row, part, over, load)
            end
        )
      end

      def warm_up(row, part, load)
        line = load.lines.fetch(part.id)
        Planning::PlannedWarmUp.new(
          id: part.id,
          title: line.title,
          minutes: part.minutes,
          notes: notes(line.exercise, load.record.student.note_names),
          pinned: part.pinned,
          right: line.exercise&.fingers&.fetch(:right).to_a,
          left: line.exercise&.fingers&.fetch(:left).to_a,
          row: row.id
        )
      end

      NOTE = /\b[A-G](##|bb|#|b)?(?=\s|\z)/
      private_constant :NOTE

      def notes(exercise, names) =
        exercise&.notes.to_a.map { |text| text.gsub(NOTE) { |note| Score::Names.of(note, names) } }

      def step(row, part, number, over, load)
        step = part.step
        standing = part.piece.standing(step)
        Planning::PlannedItem.new(
          **common(row, part, over),
          kind: standing.done? ? :review : :step,
          assignment_id: part.piece.id,
          step_id: step.id,
          title: step.title,
          piece: part.piece.title,
          section: step.section,
          place: step.place,
          tempo: step.tempo,
          stage: part.title || Rows::Titles.stage(step, row.kind),
          begins: begins?(row, step, standing, number),
          arithmetic: standing.done? ? "" : arithmetic(part, load)
        )
      end

      # Whether it is played for the first time.
      def begins?(row, step, standing, number)
        %i[waiting open].include?(standing.state) &&
          row.days.keys.select { |day| row.on(day).any? { |part| part.step == step } }.min == number
      end

      # How its minutes come about, as estimated, as this student takes, and as new as it is.
      def arithmetic(part, load)
        times = load.timing.factor(part.step.kind)
        longer = { as_timed: times, first_days: part.each * 60 / (part.step.once * times) }
        said =
          longer
            .reject { |_, one| (one - 1).abs < Constants::TIMES_SAID }
            .map do |key, one|
              Phrase["studio.planned_weeks.#{key}", times: Phrase.number(one.round(1))]
            end
        ready = Phrase["studio.planned_weeks.ready", minutes: Units.minutes(part.ready)]
        Phrase.list(
          [part.step.times(part.times).arithmetic, *(ready if part.ready.positive?), *said],
          by: :semicolon
        )
      end

      # What is no step: an old piece, other work, the teacher's own.
      def other(row, part, over, load)
        line = load.lines[part.id]
        kind = line ? :extra_work : :added
        Planning::PlannedItem.new(
          **common(row, part, over),
          kind: kind,
          title: line&.title || part.title,
          piece: line&.piece,
          arithmetic: Phrase["studio.planned_weeks.once", minutes: Units.minutes(part.minutes)],
          one_of: line&.one_of.to_a
        )
      end

      def common(row, part, over)
        {
          id: part.key,
          minutes: part.minutes,
          repetitions: (part.times if part.step),
          why: part.pinned ? Phrase["planning.week.you_put_it_here", why: row.why] : row.why,
          pinned: part.pinned,
          breaks: (breaks(part, over) if part.pinned),
          row: row.id
        }
      end

      # What it breaks that the teacher put it there.
      def breaks(part, over)
        said = [*part.breaks]
        if over.positive?
          said << Phrase["planning.overrides.the_day_is_too_long", minutes: Units.minutes(over)]
        end
        Phrase.list(said, by: :semicolon) if said.any?
      end

      def left_out(waiting) =
        Planning::PlannedLeftOut.new(
          id: "#{waiting.piece.id}/#{waiting.step.id}",
          assignment_id: waiting.piece.id,
          step_id: waiting.step.id,
          title: waiting.title,
          piece: waiting.piece.title,
          why: waiting.why,
          fits: waiting.fits
        )

      def unmet(override, why, load)
        Planning::PlannedUnmet.new(
          id: override.id,
          date: override.date,
          title: override.title || load.steps[override.id]&.last&.title || override.id,
          why: why
        )
      end

      private_class_method :offer,
                           :row,
                           :day,
                           :warm_up,
                           :notes,
                           :step,
                           :begins?,
                           :arithmetic,
                           :other,
                           :common,
                           :breaks,
                           :left_out,
                           :unmet
    end
  end
end
