# frozen_string_literal: true

module Stairwell
  module Studio
    # A student as the rules need one: when there are lessons and practice, what a
    # hand reaches, what is known.
    #
    # - `practice_days`: weekdays, 0 is Sunday; `minutes_by_day` {Integer => Integer}
    #   where they differ from `minutes_a_day`
    # - `begin_per_day`: new steps that may begin on one day
    # - `rows_a_week`: rows the teacher set; nil for what is usual
    # - `warm_ups`: see {Workload::WARM_UPS}; `introduce_first`: whether sections
    #   wait until they were introduced at a lesson, as for a child
    # - `lesson_weekday`, `lesson_time`, `lesson_minutes`: of the lesson every week;
    #   `more_lessons` {LessonTime} of further ones; `paused_on`: the day since which there
    #   are none, and no practice; `came_on` and `left_on`: the first day and, of one who has
    #   left, the day of that
    # - `counting`: how one counts with them, of {Aspects::Counting::SYSTEMS}
    # - `held`: notes a second that went in pieces that ended, by kind of step, see
    # {Progress::Tempos}
    # - `locale`: the language they are spoken to in, see {Locales}
    Student =
      Stairwell.value(
        :id,
        :name,
        :practice_days,
        :minutes_a_day,
        :begin_per_day,
        :lesson_weekday,
        :lesson_time,
        :hand_order,
        minutes_by_day: {
        },
        hand_span: nil,
        has_pedal: true,
        warm_ups: "five_finger",
        away: Planning::Away.new(stretches: []),
        child: false,
        introduce_first: false,
        note_names: :letters,
        counting: :bar,
        locale: :en,
        reads: true,
        known: [],
        rows_a_week: nil,
        lesson_minutes: Constants::LESSON_MINUTES,
        more_lessons: [],
        paused_on: nil,
        came_on: nil,
        left_on: nil,
        held: {
        }
      ) do
        # @param holidays [Planning::Away] of the studio
        # @return [Planning::Practice]
        def practice(holidays)
          Planning::Practice.new(
            weekdays: practice_days,
            minutes: minutes_a_day.to_r,
            by_day: minutes_by_day.transform_values(&:to_r),
            begin_per_day: begin_per_day,
            absent: away | holidays | elsewhere
          )
        end

        # @return [Boolean] who is spoken to and cautioned as a child
        def child? = child

        # @return [Planning::Away] before they came, and from the day they paused or left on
        def elsewhere
          before = Constants::FIRST_DATE..(came_on - 1) if came_on
          since = [paused_on, left_on].compact.min
          after = since..Constants::LAST_DATE if since
          Planning::Away.new(stretches: [before, after].compact)
        end

        # @return [Array<LessonTime>] of every week, in its order from Monday
        def lesson_times
          [
            LessonTime.new(weekday: lesson_weekday, time: lesson_time, minutes: lesson_minutes),
            *more_lessons
          ].sort_by { |one| [(one.weekday - 1) % 7, one.time] }
        end
      end

    # What is so where it was not said: as many steps begin on a day as its minutes hold, two of a
    # child's, and a child is shown each section at a lesson.
    # @param values [Hash{Symbol => Object}] of a new student
    # @return [Hash{Symbol => Object}]
    def Student.usual(values)
      child = values.fetch(:child, false)
      count = Planning::Practice.usual_begin(values.fetch(:minutes_a_day))
      count = [count, Constants::BEGIN_PER_DAY[:child]].min if child
      { child: child, begin_per_day: count, introduce_first: child }.merge(values.compact)
    end
  end
end
