# frozen_string_literal: true

module Stairwell
  module Score
    # The scale of a key, one octave up from its tonic.
    class Scale
      # @param key [Key]
      def initialize(key)
        @key = key
      end

      # @return [Array<String>] eight note names; a minor key gets its harmonic
      #   form, with the seventh step raised (common practice)
      def names
        first = Pitch::STEPS.index(@key.tonic[0])
        steps = (0..7).map { |at| Pitch::STEPS[(first + at) % 7] }
        steps.each_with_index.map do |step, at|
          alter = @key.alter(step) + ((@key.mode == "minor" && at == 6) ? 1 : 0)
          "#{step}#{Pitch::SIGNS.fetch(alter)}"
        end
      end
    end
  end
end
