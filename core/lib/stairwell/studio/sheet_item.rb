# frozen_string_literal: true

module Stairwell
  module Studio
    # What stands on a sheet of one step on one day: the item as planned, what to do
    # in words and pictures, where it is, and what was tapped. `keys` are those of the marks that
    # are counted in it; `last_mark` is the newest that can be taken back. `set_aside`: something
    # hurt before, see {SetAside}.
    SheetItem =
      Stairwell.value(
        :item,
        :step,
        :title,
        :place,
        :how,
        :actions,
        :done_when,
        :notes,
        :where,
        :done,
        :struggle,
        :hurts,
        :last_mark,
        :keys,
        set_aside: false
      ) do
        # @return [Rational] minutes of it that are done
        def minutes_done = item.minutes * Rational([done, item.repetitions].min, item.repetitions)
      end
  end
end
