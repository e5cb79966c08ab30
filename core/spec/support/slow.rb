# frozen_string_literal: true

require "date"

# Comparisons that take long run with SLOW=1, whole. With SLOW=rotate, as CI does, a part
# of each runs every day, and in PARTS days all of it.
module Slow
  PARTS = 10

  # @return [Boolean] whether they run at all
  def self.wanted?(wanted = ENV["SLOW"]) = !wanted.to_s.empty?

  # @return [Boolean] whether they run whole
  def self.whole?(wanted = ENV["SLOW"]) = wanted?(wanted) && wanted != "rotate"

  # @param total [Integer] of cases
  # @return [Array(Integer, Integer)] how many of them run, and how many stand before
  def self.part(total, wanted: ENV["SLOW"], today: Date.today)
    return total, 0 if whole?(wanted)

    count = total / PARTS
    [count, count * (today.jd % PARTS)]
  end
end
