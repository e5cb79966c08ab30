# frozen_string_literal: true

module Stairwell
  module Planning
    # What keeps a week from holding more of what is needed: `kind` is :begin (no more steps may
    # begin on a day), :introduce (what is next waits to be introduced; `id` of the first step
    # of it) or :nothing (there is no more to learn). `needed` are the minutes of a day in the
    # mean, `lifted` those it would have without that, nil where it is not known.
    Limit = Stairwell.value(:kind, :needed, lifted: nil, id: nil)
  end
end
