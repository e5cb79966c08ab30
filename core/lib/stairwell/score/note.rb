# frozen_string_literal: true

module Stairwell
  module Score
    # A sounding note: onset from the start of its bar and length, both in
    # whole notes. `tied` says that it only holds on a note struck before;
    # `finger` is 1 for the thumb; `touch` its articulations in words; `graces`
    # the pitches of short notes before it.
    Note =
      Stairwell.value(
        :onset,
        :length,
        :pitch,
        tied: false,
        finger: nil,
        articulation: [],
        graces: []
      )
  end
end
