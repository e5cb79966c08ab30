# frozen_string_literal: true

module Stairwell
  module Formats
    module Calendar
      # One lesson in a calendar: `uid` stays the same however it is moved, `sequence` grows
      # with each change; `starts` and `ends` are DateTimes of the clock on the wall; `stamp`
      # the Time of the last change.
      Event =
        Stairwell.value(
          :uid,
          :starts,
          :ends,
          :summary,
          :stamp,
          description: nil,
          sequence: 0,
          cancelled: false
        )
    end
  end
end
