# frozen_string_literal: true

module Stairwell
  module Score
    # One printed page: its number, and for each line how many numbered bars
    # it holds.
    Page = Stairwell.value(:number, :lines)
  end
end
