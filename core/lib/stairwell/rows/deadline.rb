# frozen_string_literal: true

module Stairwell
  module Rows
    # How a piece is learnt that has to be ready by a date which the usual path doesn't reach.
    #
    # - `due_on`: that date; in the last days before it no section is begun
    # - `same_day`: whether stages that otherwise wait for a day share one
    # - `one_day`: whether one good day of each step is enough
    Deadline =
      Stairwell.value(:due_on, same_day: false, one_day: false) do
        # @param date [Date]
        # @return [Boolean] whether it is too late to begin something that day
        def too_late?(date) = date.between?(due_on - Constants::NOTHING_NEW, due_on)
      end
  end
end
