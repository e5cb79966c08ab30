# frozen_string_literal: true

module Stairwell
  module Studio
    # A student as the rules need one: when there are lessons and practice, what a
    # hand reaches, what is known.
    #
    # - `practice_days`: weekdays, 0 is Sunday; `minutes_by_day` {Integer => Integer}
    #   where they differ from `minutes_a_day`
    # - `begin_per_day`: new steps that may begin on one day
    # - `warm_ups`: see {Workload::WARM_UPS}; `introduce_first`: whether sections
    #   wait until they were introduced at a lesson, as for a child
    # - `lesson_weekday`, `lesson_time`, `lesson_minutes`: of the lesson every week;
    #   `more_lessons` {LessonTime} of further ones; `paused_on`: the day since which there
    #   are none, and no practice
    # - `locale`: the language they are spoken to in, see {Locales}
    Student = Stairwell.value(
      :id, :name, :practice_days, :minutes_a_day, :begin_per_day, :lesson_weekday, :lesson_time, :hand_order,
      minutes_by_day: {}, hand_span: nil, has_pedal: true, warm_ups: "five_finger", away: Planning::Away.new(stretches: []), introduce_first: false,
      note_names: :letters, locale: :en, reads: true, known: [], lesson_minutes: Constants::LESSON_MINUTES, more_lessons: [], paused_on: nil
    ) do
      # @param holidays [Planning::Away] of the studio
      # @return [Planning::Practice]
      def practice(holidays)
        Planning::Practice.new(
          weekdays: practice_days, minutes: minutes_a_day.to_r, by_day: minutes_by_day.transform_values(&:to_r), begin_per_day: begin_per_day, absent: away | holidays | pause
        )
      end

      # @return [Boolean] who is spoken to and cautioned as a child
      def child? = introduce_first

      # @return [Planning::Away] from the day they paused on
      def pause = Planning::Away.new(stretches: paused_on ? [paused_on..Constants::LAST_DATE] : [])

      # @return [Array<LessonTime>] of every week, in its order from Monday
      def lesson_times
        [LessonTime.new(weekday: lesson_weekday, time: lesson_time, minutes: lesson_minutes), *more_lessons].sort_by { |one| [(one.weekday - 1) % 7, one.time] }
      end
    end
  end
end
