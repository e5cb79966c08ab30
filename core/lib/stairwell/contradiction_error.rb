# frozen_string_literal: true

module Stairwell
  # Values that contradict each other: a circle of needs, an unknown step, a
  # practice week without a day.
  class ContradictionError < Error
  end
end
