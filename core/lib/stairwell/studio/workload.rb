# frozen_string_literal: true

module Stairwell
  module Studio
    # All one student has to do, as the planner takes it: steps of every piece,
    # warm-ups, old pieces and other work, and the days there are for them.
    class Workload
      # Something of a week that is no step: what it is called on screens.
      Line = Stairwell.value(:id, :title, :minutes, exercise: nil, one_of: [], piece: nil)

      # What each choice of warm-ups holds.
      WARM_UPS = {
        "none" => [],
        "five_finger" => [:five_finger],
        "scale" => [:scale],
        "scale_and_chords" => %i[scale chords],
        "progression" => [:progression]
      }.freeze
      # The assignment a task belongs to.
      GROUP = ->(id) { id[/\A\d+/].to_i }
      BECAUSE = {
        1 => Phrase["studio.workload.goes_before_the_other_pieces_as"],
        -1 => Phrase["studio.workload.takes_what_the_other_pieces_leave"]
      }.freeze

      attr_reader :record, :from, :next_lesson, :practice

      # @param record [Record]
      # @param from [Date] the first day that may be practised
      def initialize(record, from: record.first_day)
        @record = record
        @from = from
        @practice = record.practice.with(lessons: lessons, lesson_days: lesson_days)
        @next_lesson = record.plan_end(from)
      end

      # @return [Array<Planning::Task>] of all pieces, those that would be late in
      #   their turn before the others
      def tasks
        @tasks ||=
          Planning::Urgency.call(
            pieces.flat_map { |one| prioritised(one) },
            due: pieces.to_h { |one| [one.id, one.due_on] }.compact,
            group: GROUP,
            practice: practice,
            from: from,
            next_lesson: next_lesson,
            warm_ups: warm_ups
          )
      end

      # @return [Hash{String => Array(PieceInHand, Practice::Step)}] by task
      def steps
        @steps ||=
          pieces
            .flat_map do |one|
              one.progress.steps.map { |step| [one.prefix + step.id, [one, step]] }
            end
            .to_h
      end

      # @return [Progress::Timing] of the student, from all pieces in hand
      def timing = @timing ||= record.timing.within(practice.most - warm_ups.sum(0r, &:minutes))

      # @param same_as [Planning::PlannedWeek, nil] the week under way, whose rows stay
      # @return [Planning::PlannedWeek] in rows
      # @raise [ContradictionError] when there is no practice day
      def planned_week(same_as: nil)
        dates = Planning::Calendar.days(practice, from, next_lesson)
        rows = same_as&.rows&.map(&:id)
        PlannedWeeks.of(RowWork.new(self, dates, same_as: (rows if rows&.any?)), self, dates)
      end

      # @return [Array(PieceInHand, String), nil] the piece, and what would be introduced next
      def next_section
        pieces
          .filter_map do |piece|
            waiting = piece.progress.introductions.reject(&:last).map(&:first)
            what = (SectionOrder.sections(piece) & waiting).first || waiting.first
            [piece, what] if what
          end
          .first
      end

      # @return [Array<Rows::Beside>] what stands beside the pieces
      def beside
        [
          *warm_up_lines.map { |line| beside_line(line, :warm_up) },
          *kept.map { |line| beside_line(line, :repertoire) },
          *weekly.map { |work| beside_line(line(work), :other_work, times: work.times) }
        ]
      end

      # @return [RowWork] of no week in particular
      def in_rows = @in_rows ||= RowWork.new(self, [])

      # @return [Hash{Symbol => Object}] for {Planning.finish} and its like
      def plan =
        {
          tasks: tasks,
          practice: practice,
          from: from,
          next_lesson: next_lesson,
          warm_ups: warm_ups
        }

      # What is taken on of all this work, for week, finish and forecast alike; see
      # {Planning.restrained}.
      # @return [Planning::Practice]
      def under = @under ||= Planning.restrained(**plan)

      # @return [Array<Planning::WarmUp>]
      def warm_ups =
        warm_up_lines.map do |one|
          Planning::WarmUp.new(id: one.id, minutes: one.minutes, title: one.title)
        end

      # @return [Hash{String => Line}] what is no step, by id
      def lines
        @lines ||=
          [*warm_up_lines, *kept, *weekly.map { |one| line(one) }].to_h { |one| [one.id, one] }
      end

      # @param id [String] of an item
      # @return [String, nil] title of the piece it is of
      def title_of(id) = pieces.find { |one| id.start_with?(one.prefix) }&.title

      private

      def beside_line(line, kind, times: nil) =
        Rows::Beside.new(
          id: line.id,
          kind: kind,
          title: line.title,
          minutes: line.minutes,
          times: times
        )

      # As far as all of the week's lessons are not all days on which there is practice.
      def lesson_days
        days = record.student.lesson_times.map(&:weekday)
        ((record.student.practice_days - days).empty? || record.student.paused_on) ? [] : days
      end

      # Those at which something is still to be shown.
      def lessons
        count =
          pieces
            .map { |one| one.progress.introductions.count { |_, introduced| !introduced } }
            .max || 0
        timetable, found = record.timetable, []
        while found.size < count
          date = timetable.next_after(found.last || from - 1) or break
          found << date
        end
        found
      end

      def pieces = record.pieces

      def prioritised(one)
        tasks = one.tasks(prefixed: true, timing: timing)
        if one.priority.zero?
          tasks
        else
          tasks.map do |task|
            task.with(priority: 2 * one.priority, because: BECAUSE.fetch(one.priority))
          end
        end
      end

      # Pieces kept ready for a date that is still to come: once through.
      def kept
        @kept ||=
          record
            .kept_pieces
            .select { |one| one.keep_for >= from }
            .map do |one|
              whole = one.steps.select(&:tempo).max_by { |step| [step.counts, step.tempo] }
              minutes =
                (
                  if whole
                    Practice::Estimate.minutes(
                      counts: whole.counts,
                      tempo: whole.tempo,
                      repetitions: 1
                    )
                  else
                    2r
                  end
                )
              Line.new(
                id: "kept #{one.id}",
                title: Phrase["studio.workload.once_through", title: one.title],
                minutes: minutes,
                piece: one.title
              )
            end
      end

      def weekly = record.extra_work.reject(&:exercise?)

      def warm_up_lines
        @warm_up_lines ||=
          exercises.each_with_index.map do |one, at|
            Line.new(id: "warm-up #{at + 1}", title: one.title, minutes: one.minutes, exercise: one)
          end +
            record
              .extra_work
              .select(&:exercise?)
              .map { |one| exercise_line(one, one.exercise(weeks_since(one.since))) }
      end

      def exercise_line(one, exercise) =
        Line.new(
          id: one.item_id,
          title: exercise.title,
          minutes: one.minutes,
          one_of: one.one_of,
          exercise: exercise
        )

      # Weeks with a lesson after the first one since a day, up to the lesson that is planned for.
      def weeks_since(date)
        return 0 unless date && date < next_lesson

        [
          record
            .timetable
            .between(date + 1, next_lesson)
            .select(&:held?)
            .map { |one| [one.day.cwyear, one.day.cweek] }
            .uniq
            .size - 1,
          0
        ].max
      end

      def line(one) =
        Line.new(id: one.item_id, title: one.title, minutes: one.minutes, one_of: one.one_of)

      # Out of the key of the piece that is the newest in hand.
      # @return [Array<Practice::Exercise>]
      def exercises
        kinds = WARM_UPS.fetch(record.student.warm_ups)
        return [] if kinds.empty? || pieces.empty?

        Practice::WarmUps.of(
          (key = pieces.last.key) && Score::Key.parse(key) || Score::Key.new(fifths: 0),
          kinds
        )
      end
    end
  end
end
