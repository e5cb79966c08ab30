# frozen_string_literal: true

module Stairwell
  module Score
    # What a teacher says of a join between two sections.
    Join = Stairwell.value(:from, :to, :text)
  end
end
