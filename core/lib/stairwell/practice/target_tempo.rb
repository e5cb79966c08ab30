# frozen_string_literal: true

module Stairwell
  module Practice
    # The target tempo as a teacher says it: as printed, a share of the print, or a
    # number.
    module TargetTempo
      module_function

      # @param map [Score::Map]
      # @return [Integer, nil] the printed mark in beats per minute
      def printed(map)
        mark = map.tempo&.mark
        mark && (mark * map.tempo.mark_unit / map.bars.first.meter.count_length).round
      end

      # @param map [Score::Map]
      # @param by [Symbol] :mark, :share or :number
      # @param value [Integer, nil] percent of the mark, or beats per minute
      # @return [Integer] beats per minute
      # @raise [ContradictionError] when the piece has no printed mark
      def of(map, by:, value: nil)
        return value if by == :number

        mark =
          printed(map) ||
            raise(
              ContradictionError,
              Phrase["practice.habits.has_no_printed_metronome_mark_say", title: map.title]
            )
        ((by == :mark) ? mark : (mark * value / 100r).round).clamp(
          Constants::TARGET_TEMPOS.min,
          Constants::TARGET_TEMPOS.max
        )
      end
    end
  end
end
