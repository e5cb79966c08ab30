# frozen_string_literal: true

module Stairwell
  module Practice
    # What a teacher chooses when giving a piece: which hand first (:right,
    # :left, :easier, :harder), how sections are joined (:pairs, :from_start,
    # :from_end), where the pedal comes (:last, :before_dynamics, :none), who
    # decides articulation and who dynamics (:teacher, :student), whether it is learnt by
    # heart, the order of aspects (stage keys, for routines that allow it), the
    # target tempo in beats per minute (nil for the map's own), the target tempo by which slow
    # tempos go where it was lowered since (`learnt_at`), whether repeats are taken
    # after a jump (:as_printed, :taken, :not_taken), how fermatas are held
    # (:as_said, :twice, :free), whether the left hand plays its shapes as blocked chords
    # (`texture`, :as_printed or :left_blocked), and the student's pace (1 is average, more is
    # slower), and how often on a day what is strenuous is played at the most; how one
    # counts (`counting`, of {Aspects::Counting::SYSTEMS}).
    Choices =
      Stairwell.value(
        hand_order: :right,
        join: :pairs,
        pedal: :last,
        articulation_by: :teacher,
        dynamics_by: :teacher,
        memory: false,
        order: [],
        target_tempo: nil,
        learnt_at: nil,
        repeats: :as_printed,
        fermata: :as_said,
        texture: :as_printed,
        pace: 1r,
        most_strenuous: Constants::MOST_STRENUOUS[:other],
        counting: Aspects::Counting::SYSTEMS.first
      )

    Choices::HAND_ORDERS = %i[right left easier harder].freeze
    Choices::JOINS = %i[pairs from_start from_end].freeze
    Choices::PEDALS = %i[last before_dynamics none].freeze
    Choices::DECIDES = %i[teacher student].freeze
    Choices::REPEATS = %i[as_printed taken not_taken].freeze
    Choices::TEXTURES = %i[as_printed left_blocked].freeze
    Choices::FERMATAS = %i[as_said twice free].freeze
  end
end
