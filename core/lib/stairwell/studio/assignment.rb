# frozen_string_literal: true

module Stairwell
  module Studio
    # What a teacher asks for when assigning a piece: how its target tempo is said
    # (`target_by` :number, :share or :mark), and what else is chosen (`choices`, see
    # {Assigned::CHOSEN}). `introduce_first` is the student's where nil. `known` is what the studio
    # knows of the page ({KnownOfPage.beforehand}), which is chosen too unless it is declined.
    Assignment =
      Stairwell.value(
        :piece_id,
        :title,
        :revision,
        :routine,
        :hand_order,
        :target_tempo,
        :page,
        target_by: :number,
        due_on: nil,
        priority: 0,
        introduce_first: nil,
        choices: {
        },
        key: nil,
        beforehand: true,
        known: {
        }
      )
  end
end
