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
    # - `locale`: the language they are spoken to in, see {Locales}
    Student = Stairwell.value(
      :id, :name, :practice_days, :minutes_a_day, :begin_per_day, :lesson_weekday, :lesson_time, :hand_order,
      minutes_by_day: {}, hand_span: nil, has_pedal: true, warm_ups: "five_finger", away: Planning::Away.new(stretches: []), introduce_first: false,
      note_names: :letters, locale: :en, reads: true, known: []
    ) do
      # @param holidays [Planning::Away] of the studio
      # @return [Planning::Practice]
      def practice(holidays)
        Planning::Practice.new(
          weekdays: practice_days, minutes: minutes_a_day.to_r, by_day: minutes_by_day.transform_values(&:to_r), begin_per_day: begin_per_day, absent: away | holidays
        )
      end

      # @return [Boolean] who is spoken to and cautioned as a child
      def child? = introduce_first

      # @param date [Date]
      # @return [Boolean]
      def lesson_day?(date) = date.wday == lesson_weekday

      # What is assigned on a lesson day starts the day after.
      # @param today [Date]
      # @return [Date] the first day that may be practised
      def first_day(today) = lesson_day?(today) ? today + 1 : today
    end
  end
end
