# frozen_string_literal: true

module Stairwell
  module Planning
    # Changes that make a piece ready sooner, in words, and the cautious date with them.
    # `change` names them for whoever takes them, several with a plus between; `reaches` says
    # whether it is ready in time then.
    Option = Stairwell.value(:change, :words, :date, :days_sooner, :reaches)
  end
end
