# frozen_string_literal: true

module Stairwell
  module Studio
    # A student's record: everything that what comes next depends on, as one value.
    # Whatever a teacher or a family does is a function of it.
    #
    # - `version`: of the rows it was read from; `untapped`: the same for as long as nothing but
    # today's taps comes in
    # - `today`: Date in the studio's time zone; `moment`: Time, later than all that
    #   happened
    # - `overrides`: {Date => WeekOverrides} by next lesson
    # - `practised_on`: dates of the last weeks with at least one mark, of any piece
    # - `lessons`: dates with results; `heard_today`: {[assignment id, step id] =>
    #   HeardToday}; `stumbled`: {[assignment id, bar] => Set<Date>} where it was
    #   shaky or did not go; `introduced_today`: names
    # - `routines`: {String => Practice::Routine} by key
    # - `appointments`: {Appointment} that were changed by hand, or of which something is known
    # - `known_keys`: of results, marks and the rest that are kept already
    Record =
      Stairwell.value(
        :today,
        :moment,
        :settings,
        :student,
        version: 0,
        untapped: nil,
        pieces: [],
        weeks: Weeks.new,
        overrides: {
        },
        extra_work: [],
        kept_pieces: [],
        practised_on: [],
        lessons: [],
        heard_today: {
        },
        stumbled: {
        },
        introduced_today: [],
        routines: Practice::ROUTINES,
        known_keys: Set[],
        appointments: []
      ) do
        # @param id [Integer] of an assignment
        # @return [PieceInHand]
        # @raise [MissingError]
        def piece(id) =
          pieces.find { |one| one.id == id } ||
            raise(MissingError, Phrase["missing.piece_of_student"])

        # @return [Array(PieceInHand, Progress::Standing)]
        # @raise [MissingError]
        def step(assignment_id, step_id)
          found = piece(assignment_id)
          [found, found.standing(step_id) || raise(MissingError, Phrase["missing.step"])]
        end

        # @return [Progress::Standing, nil] of an item of a week; nil for what is no
        #   step, or is not there any more
        def standing(item) =
          item.tapped? ? pieces.find { |one| one.id == item.assignment_id }&.standing(item.of) : nil

        # @param changed [PieceInHand]
        # @return [Record]
        def with_piece(changed) =
          with(pieces: pieces.map { |one| (one.id == changed.id) ? changed : one })

        # @param next_lesson [Date]
        # @param changed [WeekOverrides]
        # @return [Record] with other changes by hand of that week; repetitions that
        #   were asked for count for what makes a good day
        def with_overrides(next_lesson, changed)
          all = overrides.merge(next_lesson => changed)
          asked = Asked.in(all.values.flat_map(&:overrides))
          with(
            overrides: all,
            pieces:
              pieces.map do |one|
                one.with(progress: one.progress.with_asked(asked.fetch(one.id, [])))
              end
          )
        end

        # @return [Planning::PlannedWeek, nil] the week under way
        def week = weeks.under_way(today)

        # @return [Planning::Practice]
        def practice = student.practice(settings.holidays)

        # @return [Timetable] the student's lessons
        def timetable =
          Timetable.new(times: student.lesson_times, away: practice.absent, changed: appointments)

        # What is assigned on a lesson day starts the day after.
        # @return [Date] the first day that may be practised
        def first_day = timetable.held?(today) ? today + 1 : today

        # @param from [Date]
        # @return [Date] the day a plan from then on goes to, see {Planning::Calendar.plan_end}
        def plan_end(from = today) =
          Planning::Calendar.plan_end(from, timetable.next_after(from), practice)

        # @param week [Planning::PlannedWeek]
        # @return [Date, nil] the lesson it goes to, or the next one after the calendar's week;
        #   nil where none is in sight
        def lesson_of(week) =
          week.with_lesson ? week.next_lesson : timetable.next_after(week.next_lesson - 1)

        # @return [Boolean]
        def practised_today? = practised_on.include?(today)

        # @return [WeekOverrides] of the week that ends with a lesson
        def overrides_of(next_lesson) = overrides.fetch(next_lesson, WeekOverrides.new)

        # @param key [String] of the routine
        # @return [Practice::Routine]
        # @raise [MissingError]
        def routine(key) = routines[key] || raise(MissingError, Phrase["missing.routine"])

        # @return [Rational] the student's pace; 1 is average
        def pace = Progress::Pace.of(pieces.flat_map { |one| one.progress.days_taken })

        # What was tapped today counts from tomorrow on, so that nothing moves while it is tapped.
        # @return [Progress::Timing] what the student takes for a repetition
        def timing = Progress::Timing.of(pieces.map(&:progress), before: today)

        # @return [Progress::Tempos] that the student holds
        def tempos = Progress::Tempos.of(pieces.map(&:progress), known: student.held)

        # @return [Record] as if nothing had been tapped today
        def without_taps =
          with(
            pieces: pieces.map { |one| one.with(progress: one.progress.without_taps_of(today)) },
            practised_on: practised_on - [today]
          )

        # @return [Record] as it stood when the day began
        def before_today =
          with(
            pieces: pieces.map { |one| one.with(progress: one.progress.before(today)) },
            practised_on: practised_on.reject { |date| date >= today }
          )
      end
  end
end
