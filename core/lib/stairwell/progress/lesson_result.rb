# frozen_string_literal: true

module Stairwell
  module Progress
    # What was heard at a lesson: :not_heard, :not_yet, :shaky, :steady or
    # :secure. The last one said for a step on a day holds.
    LessonResult = Stairwell.value(:step_id, :date, :result, :at, key: nil)
  end
end
