# frozen_string_literal: true

module Stairwell
  module Formats
    module Calendar
      # Days of a calendar file, both ends included.
      Holiday = Stairwell.value(:from, :to, :name)
    end
  end
end
