# frozen_string_literal: true

module Stairwell
  module Sections
    # A place where one section runs into another in playing order.
    Join = Stairwell.value(:from, :to, :from_bar, :to_bar)
  end
end
