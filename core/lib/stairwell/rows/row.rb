# frozen_string_literal: true

module Stairwell
  module Rows
    # A row of a week: one piece of work that stays all week.
    #
    # - `kind`: of {KINDS}; `title`: as a family says it; `piece`: {Piece}, nil where it is of none
    # - `days`: {Integer => Array<Part>} by the number of the practice day, from 1; none where it
    #   isn't played that day
    # - `short_day`: whether it is for a day with little time
    # - `why`: why it's there, in a sentence
    Row =
      Stairwell.value(:id, :kind, :title, :days, piece: nil, short_day: false, why: "") do
        # @param number [Integer] of a practice day, from 1
        # @return [Array<Part>]
        def on(number) = days.fetch(number, [])

        # @return [Array<Practice::Step>] its path: the steps in the order in which they first come
        def path = days.sort.flat_map(&:last).filter_map(&:step).uniq(&:id)
      end

    # A row that waits for another week, by its first step, with the reason;
    # `fits` is false where no day is long enough for it.
    Waiting = Stairwell.value(:title, :why, :step, :piece, fits: true)
  end
end
