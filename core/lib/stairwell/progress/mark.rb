# frozen_string_literal: true

module Stairwell
  module Progress
    # One tap on the sheet. `kind` is :repetition, :struggle, :hurts or :undo; `key`
    # names the mark, `undoes` the mark an undo takes back. `date` is the day
    # it is for, in the studio's time zone; `at` when it arrived, `tapped_at` when it was
    # really tapped, nil where that is not known. `asked` is how many repetitions the day
    # asked for then, nil for those of the step.
    Mark =
      Stairwell.value(:key, :step_id, :date, :kind, :at, undoes: nil, tapped_at: nil, asked: nil)
  end
end
