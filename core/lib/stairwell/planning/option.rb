# frozen_string_literal: true

module Stairwell
  module Planning
    # One way to be ready sooner: what changes, in words, and when it would be
    # done with every day kept. `change` names it for whoever takes it.
    Option = Stairwell.value(:change, :words, :date, :days_sooner)
  end
end
