# frozen_string_literal: true

module Stairwell
  module Rows
    # What stands in a week beside the pieces that are learnt: a warm-up, a new line to read at
    # sight, an old piece, what the teacher added. `times` are days a week, nil for every day.
    Beside = Stairwell.value(:id, :kind, :title, :minutes, times: nil)
  end
end
