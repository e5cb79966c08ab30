# frozen_string_literal: true

module Stairwell
  module Score
    # Names of notes as a studio says them: letters, or fixed do.
    module Names
      # Do is always C. The syllables of the solfège.
      FIXED_DO = %w[C D E F G A B].zip(%w[do re mi fa sol la ti]).to_h.freeze
      STYLES = %i[letters fixed_do].freeze

      module_function

      # @param name [String] a letter with its signs, such as "F#" or "Bb"
      # @param style [Symbol] of {STYLES}
      # @return [String] such as "fa♯"
      def of(name, style = :letters)
        signs = name[1..].tr("#", "♯").tr("b", "♭")
        ((style == :fixed_do) ? FIXED_DO.fetch(name[0]) : name[0]) + signs
      end
    end
  end
end
