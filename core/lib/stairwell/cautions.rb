# frozen_string_literal: true

module Stairwell
  # What to take care of at the piano, where it applies. General advice of the
  # trade (common practice, no source), not medical advice: a doctor and local
  # rules go first.
  module Cautions
    # `short` in a line, `full` for who wants to know more.
    Caution = Stairwell.value(:topic, :short, :full)

    ALL = [
      Caution.new(
        topic: :pain, short: "Something hurts or tingles? Stop and rest; see a doctor if it comes back.",
        full: "Stop at pain, tingling or numbness and rest. If it comes back, see a doctor or a hand specialist. This is general advice, not medical " \
          "advice; what your doctor and local rules say goes first."
      ),
      Caution.new(
        topic: :posture, short: "Sit far enough back that the forearms are level.",
        full: "Sit far enough back that the forearms are level and the body leans slightly forward. A small player may need a footstool and a higher seat."
      ),
      Caution.new(
        topic: :sitting, short: "Take a break after 20 minutes.",
        full: "Take a break at least every 20 to 25 minutes: stand up, let the arms hang. Keep a small child's sessions short; two short ones a day are better than one long one."
      ),
      Caution.new(
        topic: :pedal, short: "Pedal with the heel on the floor.",
        full: "Keep the heel on the floor when pedalling and move the foot from the ankle. If the foot does not reach, leave the pedal out or use an extension."
      ),
      Caution.new(
        topic: :stretch, short: "Never force the wide stretch: break the chord or leave a note out.",
        full: "Never force a stretch: move early, break the chord, or leave a note out; a small hand may. If a hand hurts, tingles or goes numb, stop and rest; see a doctor if it " \
          "comes back. This is general advice, not medical advice."
      ),
      Caution.new(
        topic: :headphones, short: "Headphones: keep them at a moderate volume.",
        full: "Keep headphones at a moderate volume, so that you still hear someone speak beside you, and take them off for a while now and then."
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
      {pain: true, posture: !long, sitting: long, pedal: pedal, stretch: stretch, headphones: listening}.select { |_, applies| applies }.keys.map { |topic| ALL.fetch(topic) }
    end

    # @param semitones [Integer] sounding together in one hand
    # @param span [Integer, nil] semitones the hand reaches, nil where it was not
    #   measured
    # @return [Boolean]
    def self.wide?(semitones, span) = span ? semitones > span : semitones >= Constants::WIDE_STRETCH
  end
end
