# frozen_string_literal: true

module Stairwell
  # Something is asked about that the student does not have: a piece, a step, a
  # section. Its message names it, such as "step in this piece".
  class MissingError < Error
  end
end
