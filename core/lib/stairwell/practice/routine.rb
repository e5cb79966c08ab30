# frozen_string_literal: true

module Stairwell
  module Practice
    # One layer of learning. `scope` is :section, :seam or :whole; `hands`
    # :right, :left or :both; `tempo_share` the share of the aim; `good_days`
    # how many it takes on fully new bars of middling difficulty; `needs` the
    # stages that must be done on earlier days, `after` those that must at
    # least come earlier in the same sitting.
    Stage = Stairwell.value(
      :key, :name, :hands, :scope, :tempo_share, :good_days, :done,
      needs: [], after: [], repetitions: Constants::REPETITIONS
    )

    # An ordered list of stages, and for whom it is.
    Routine = Stairwell.value(:key, :name, :for_whom, :stages) do
      # @return [Stage]
      def stage(key) = stages.find { |one| one.key == key }

      # @param order [Symbol] :right or :left, the hand that comes first
      # @return [Routine] with the hands-alone stages in that order
      def with_hand_first(order)
        first, second = (order == :left) ? %i[left right] : %i[right left]
        alone = [stage(first).with(after: []), stage(second).with(after: [first])]
        with(stages: alone + stages.reject { |one| %i[left right].include?(one.key) })
      end
    end

    # What a teacher chooses when giving a piece: which hand first, the tempo
    # aim in counts a minute (nil for the map's own), and the student's pace
    # (1 is average, more is slower).
    Choices = Stairwell.value(hand_order: :right, aim: nil, pace: 1r)

    # The routine of the first slice. Good days and tempo shares are our own
    # choice; the order of the layers is common practice.
    HAND_BY_HAND = Routine.new(
      key: "hand_by_hand",
      name: "Hand by hand",
      for_whom: "For most students: each hand alone, then together slowly, then the joins, then speed.",
      stages: [
        Stage.new(
          key: :right, name: "right hand", hands: :right, scope: :section, tempo_share: 6/10r, good_days: 2,
          done: "it goes without a stop, even if slow"
        ),
        Stage.new(
          key: :left, name: "left hand", hands: :left, scope: :section, tempo_share: 6/10r, good_days: 2, after: %i[right],
          done: "it goes without a stop, even if slow"
        ),
        Stage.new(
          key: :together, name: "hands together", hands: :both, scope: :section, tempo_share: 5/10r, good_days: 3,
          needs: %i[right left], done: "the pulse stays even without stumbling"
        ),
        Stage.new(
          key: :join, name: "the join", hands: :both, scope: :seam, tempo_share: 6/10r, good_days: 2, needs: %i[together],
          repetitions: Constants::HARD_REPETITIONS, done: "there is no gap between the two"
        ),
        Stage.new(
          key: :faster, name: "faster", hands: :both, scope: :section, tempo_share: 8/10r, good_days: 2,
          needs: %i[together], done: "three times in a row are clean"
        ),
        Stage.new(
          key: :whole, name: "without a stop", hands: :both, scope: :whole, tempo_share: 8/10r, good_days: 2,
          needs: %i[join faster], repetitions: 2, done: "it goes from beginning to end without a stop"
        ),
        Stage.new(
          key: :tempo, name: "up to tempo", hands: :both, scope: :whole, tempo_share: 1r, good_days: 3,
          needs: %i[whole], repetitions: 2, done: "it goes at the aim without a stop"
        )
      ]
    )

    ROUTINES = {HAND_BY_HAND.key => HAND_BY_HAND}.freeze
  end
end
