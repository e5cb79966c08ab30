# frozen_string_literal: true

module Stairwell
  module Progress
    # One thing about a student that wants a teacher's eye: its kind, and the
    # reason in words and numbers. The lower the `weight`, the sooner.
    Concern = Stairwell.value(:kind, :text, weight: 5)
  end
end
