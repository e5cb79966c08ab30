# frozen_string_literal: true

module Stairwell
  module Studio
    # A student's lessons: those of the weekly times, none on days without lessons, and what
    # was changed of single ones by hand, which stands whatever the pattern says.
    #
    # - `times`: {LessonTime}; `away`: Planning::Away
    # - `changed`: {Appointment} that are kept as rows
    Timetable =
      Stairwell.value(:times, away: Planning::Away.new(stretches: []), changed: []) do
        # @param from [Date]
        # @param to [Date] included
        # @return [Array<Appointment>] in order, those left out among them
        def between(from, to)
          given = (from..to).flat_map { |date| given_on(date) }
          (given + changed.select { |one| one.day.between?(from, to) }).sort_by do |one|
            [one.day, one.begins]
          end
        end

        # @param date [Date]
        # @return [Appointment, nil] of that day; one that is held before one left out
        def on(date)
          all = between(date, date)
          all.find { |one| !one.left_out } || all.first
        end

        # @param date [Date]
        # @return [Boolean] whether a lesson is held that day
        def held?(date) = changed.any? { |one| one.day == date && one.held? } || given_on(date).any?

        # @param date [Date]
        # @return [Date, nil] of the next lesson after it that is held; nil where none is
        #   within sight
        def next_after(date) =
          (1..Constants::DAYS_LOOKED_AHEAD)
            .lazy
            .map { |days| date + days }
            .find { |day| held?(day) }

        # @param appointment [Appointment]
        # @return [Timetable] with it in place of what it was
        def with_changed(appointment) =
          with(changed: changed.reject { |one| one.same?(appointment) } + [appointment])

        private

        # @return [Array<Appointment>] what the weekly times alone give
        def given_on(date)
          given = times.select { |time| time.weekday == date.wday }
          if given.empty? || away.lessonless?(date) || changed.any? { |one| one.planned_on == date }
            return []
          end

          given.map do |time|
            Appointment.new(
              day: date,
              time: time.time,
              minutes: time.minutes,
              planned_on: date,
              teacher_id: time.teacher_id
            )
          end
        end
      end
  end
end
