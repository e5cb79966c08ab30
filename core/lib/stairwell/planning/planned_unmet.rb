# frozen_string_literal: true

module Stairwell
  module Planning
    # What the teacher decided and that leads nowhere.
    PlannedUnmet = Stairwell.value(:id, :title, :why, date: nil)
  end
end
