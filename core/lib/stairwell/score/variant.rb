# frozen_string_literal: true

module Stairwell
  module Score
    # How a section resembles an earlier one, in the teacher's words. `of` is
    # the earlier label; `relation` is :same, :moved or :rhythm; `except` the
    # bars that differ; `hand` is nil for both hands.
    Variant = Stairwell.value(:of, relation: :same, except: [], hand: nil)

    Variant::RELATIONS = %i[same moved rhythm].freeze
  end
end
