# frozen_string_literal: true

module Stairwell
  module Planning
    # What keeps a week from holding more of what is needed, in words, and what lifts it:
    # `begin_per_day` as it would be, or `what` of which piece is to be introduced; none of these
    # where there is nothing more to learn.
    PlannedLimit = Stairwell.value(:kind, :why, begin_per_day: nil, assignment_id: nil, what: nil)
  end
end
