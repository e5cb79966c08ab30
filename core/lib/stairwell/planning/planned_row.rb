# frozen_string_literal: true

module Stairwell
  module Planning
    # A row of a planned week, whose cells are the items of its days that name it. `kind` is of
    # {Rows::KINDS}; `short_day` where it is for a day with little time.
    PlannedRow =
      Stairwell.value(:id, :kind, :title, :why, piece: nil, assignment_id: nil, short_day: false)
  end
end
