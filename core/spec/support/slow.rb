# frozen_string_literal: true

require "date"

# Comparisons that take long run with SLOW=1, all of them. With SLOW=rotate, as CI does,
# those whose turn it is: each has a number, and on PARTS days in a row all of them run.
module Slow
  PARTS = 3

  # @param part [Integer] of the comparison, from 0
  # @return [Boolean]
  def self.turn?(part, wanted: ENV["SLOW"], today: Date.today)
    case wanted
    when nil, "" then false
    when "rotate" then today.jd % PARTS == part
    else true
    end
  end
end
