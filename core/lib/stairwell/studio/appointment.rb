# frozen_string_literal: true

module Stairwell
  module Studio
    # One lesson as it stands in the calendar.
    #
    # - `day`, `time` such as "16:30", `minutes`
    # - `planned_on`: the day the weekly times give it on, however often it was moved; nil
    #   for one that was put in
    # - `teacher_id`: who holds it, where that is not whoever teaches at that time
    # - `left_out`, with `why` in the teacher's words; `makes_up_for`: a day left out before
    # - `attendance`: of {ATTENDANCE}, nil before it is known
    # - `id`, `version`: of its row; 0 where the weekly times alone give it
    Appointment =
      Stairwell.value(
        :day,
        :time,
        :minutes,
        planned_on: nil,
        teacher_id: nil,
        left_out: false,
        why: nil,
        makes_up_for: nil,
        attendance: nil,
        id: nil,
        version: 0,
        key: nil
      ) do
        # @return [Boolean] whether it is, or was, really held
        def held? = !left_out && !%i[missed excused].include?(attendance)

        # @return [Boolean]
        def moved? = !planned_on.nil? && planned_on != day

        # @param other [Appointment]
        # @return [Boolean] whether it is the same lesson, wherever it stands now
        def same?(other) =
          planned_on ? planned_on == other.planned_on : (other.planned_on.nil? && key == other.key)

        # @return [Integer] minutes of the day at which it begins
        def begins = time.split(":").then { |hour, minute| hour.to_i * 60 + minute.to_i }

        # @param other [Appointment]
        # @return [Boolean] whether both take place at one time
        def meets?(other) =
          day == other.day && begins < other.begins + other.minutes &&
            other.begins < begins + minutes
      end

    # Who came in time, came late, did not come, or had said before that they would not.
    Appointment::ATTENDANCE = %i[came late missed excused].freeze
  end
end
