# frozen_string_literal: true

module Stairwell
  # What to take care of at the piano, where it applies. General advice of the
  # trade (common practice, no source), not medical advice: a doctor and local
  # rules go first.
  module Cautions
    # `short` in a line, `full` for who wants to know more.
    Caution = Stairwell.value(:topic, :short, :full)

    ALL =
      [
        Caution.new(
          topic: :pain,
          short: Phrase["cautions.something_hurts_or_tingles_stop_and"],
          full: Phrase["cautions.stop_at_pain_tingling_or_numbness"]
        ),
        Caution.new(
          topic: :posture,
          short: Phrase["cautions.sit_far_enough_back_that_the"],
          full: Phrase["cautions.sit_far_enough_back_that_the_2"]
        ),
        Caution.new(
          topic: :sitting,
          short: Phrase["cautions.take_a_break_after_minutes"],
          full: Phrase["cautions.take_a_break_at_least_every"]
        ),
        Caution.new(
          topic: :pedal,
          short: Phrase["cautions.pedal_with_the_heel_on_the"],
          full: Phrase["cautions.keep_the_heel_on_the_floor"]
        ),
        Caution.new(
          topic: :stretch,
          short: Phrase["cautions.never_force_the_wide_stretch_break"],
          full: Phrase["cautions.never_force_a_stretch_move_early"]
        ),
        Caution.new(
          topic: :headphones,
          short: Phrase["cautions.headphones_keep_them_at_a_moderate"],
          full: Phrase["cautions.keep_headphones_at_a_moderate_volume"]
        )
      ].to_h { |one| [one.topic, one] }.freeze

    # @param minutes [Numeric] at the piano in a day
    # @param child [Boolean]
    # @param pedal [Boolean] whether it is used
    # @param stretch [Boolean] whether something is wider than the hand, see {.wide?}
    # @param listening [Boolean] whether something can be listened to
    # @return [Array<Caution>] those that apply, pain always the first
    def self.of(minutes:, child: false, pedal: false, stretch: false, listening: false)
      long = minutes > Constants::LONG_SITTING.fetch(child ? :child : :grown)
      {
        pain: true,
        posture: !long,
        sitting: long,
        pedal: pedal,
        stretch: stretch,
        headphones: listening
      }.select { |_, applies| applies }.keys.map { |topic| ALL.fetch(topic) }
    end

    # @param semitones [Integer] sounding together in one hand
    # @param span [Integer, nil] semitones the hand reaches, nil where it was not
    #   measured
    # @return [Boolean]
    def self.wide?(semitones, span) = span ? semitones > span : semitones >= Constants::WIDE_STRETCH
  end
end
