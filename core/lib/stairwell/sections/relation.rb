# frozen_string_literal: true

module Stairwell
  module Sections
    # How a bar relates to the earliest earlier bar it resembles most: `name` is
    # :same, :moved, :rhythm, :new or :rest; `of` that bar's index; `by` the
    # shift of :moved in semitones, or {steps: n} where only scale steps agree.
    Relation = Stairwell.value(:name, of: nil, by: nil)
  end
end
