# frozen_string_literal: true

module Stairwell
  module Planning
    # What is known so far, from the start without stopping: once, on the last
    # practice day of the week.
    Run = Stairwell.value(:id, :minutes, title: nil)
  end
end
