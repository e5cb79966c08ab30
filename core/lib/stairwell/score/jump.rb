# frozen_string_literal: true

module Stairwell
  module Score
    # An instruction to go back after a bar. `to` is :capo (the beginning) or
    # :segno (the sign); `until_sign` is :end, :fine or :coda; `repeats` says
    # whether repeats are taken again on the way; `sign` is the bar of the segno that is meant, nil
    # for the nearest before it.
    Jump = Stairwell.value(:after, :to, until_sign: :end, repeats: false, sign: nil)

    Jump::WORDS = { capo: "da capo", segno: "dal segno" }.freeze
  end
end
