# frozen_string_literal: true

module Stairwell
  module Rows
    # How much a week may hold.
    #
    # - `rows`: besides warm-ups, sight-reading and other work
    # - `new_rows`: of new sections, over all pieces; `new_bars`: in one of them
    # - `hard_places`: of one piece
    Limits = Stairwell.value(:rows, new_rows: 2, new_bars: 8, hard_places: 2)

    # @param child [Boolean]
    # @param reads [Boolean]
    # @param rows [Integer, nil] what the teacher set
    # @return [Limits]
    def Limits.usual(child:, reads:, rows: nil)
      who = (child && !reads && :no_reader) || (child && :child) || :other
      new(
        rows: rows || Constants::ROWS.fetch(who),
        new_bars: reads ? Constants::NEW_BARS : Constants::NEW_BARS_UNREAD,
        hard_places: reads ? Constants::HARD_PLACES : 1
      )
    end
  end
end
