# frozen_string_literal: true

module Stairwell
  module Sections
    # One time a section comes in playing order. `label` is nil for bars in no
    # section; `from` and `to` are its first and last bar as played; `at` its
    # place among the visits, from 0.
    Occurrence = Stairwell.value(:label, :from, :to, :at)
  end
end
