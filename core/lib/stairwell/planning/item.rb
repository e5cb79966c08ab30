# frozen_string_literal: true

module Stairwell
  module Planning
    # One thing to do on a day, with its reason. `kind` is :warm_up, :step,
    # :review, :extra_work, :run, :added, or :more (beyond what is needed). `pinned` where the
    # teacher put it there; `breaks` says what that breaks. `part` is [which, of how many] of its
    # section's parts it is that day, nil for all of it.
    Item =
      Stairwell.value(
        :id,
        :minutes,
        :why,
        kind: :step,
        title: nil,
        repetitions: nil,
        begins: false,
        pinned: false,
        breaks: nil,
        part: nil
      )
  end
end
