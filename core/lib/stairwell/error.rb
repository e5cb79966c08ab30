# frozen_string_literal: true

module Stairwell
  # What every error of the core inherits from. Its message is written for a
  # teacher: what is wrong, where, and how to mend it.
  class Error < StandardError
  end
end
