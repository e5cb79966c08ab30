# frozen_string_literal: true

module Stairwell
  module Studio
    # When a student comes every week: `weekday` (0 is Sunday), `time` such as "16:30",
    # `minutes`, and the id of who teaches then (nil for the student's own teacher).
    LessonTime = Stairwell.value(:weekday, :time, :minutes, teacher_id: nil)
  end
end
