# frozen_string_literal: true

module Stairwell
  module Score
    # Which coda a To Coda means, where there are several: it leaves after a bar for another, once.
    Leave = Stairwell.value(:after, :to)
  end
end
