# frozen_string_literal: true

module Stairwell
  module Practice
    # A piece as this teacher has it played: whether repeats are taken after a
    # jump, and how long fermatas are held.
    module Habits
      module_function

      # @param map [Score::Map]
      # @param choices [Choices]
      # @return [Score::Map]
      def on(map, choices)
        jumps = (choices.repeats == :as_printed) ? map.jumps : map.jumps.map { |jump| jump.with(repeats: choices.repeats == :taken) }
        fermatas = (choices.fermata == :twice) ? map.markings.fermatas.map { |one| one.with(held: nil) } : map.markings.fermatas
        map.with(jumps: jumps, markings: map.markings.with(fermatas: fermatas))
      end

      # @param one [Score::Fermata]
      # @param bar [String] its printed name
      # @return [String] what to know of a fermata, in words
      def fermata(one, bar, choices)
        return "the fermata in bar #{bar}: hold it as long as you like" if choices.fermata == :free

        "the fermata in bar #{bar}: hold #{Roadmap.number(one.held || one.counts * 2)} counts"
      end
    end

    # The target tempo as a teacher says it: as printed, a share of the print, or a
    # number.
    module TargetTempo
      # What a target tempo may be, beats per minute.
      RANGE = (20..400)

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

        mark = printed(map) || raise(ContradictionError, "“#{map.title}” has no printed metronome mark. Say the target tempo as a number.")
        ((by == :mark) ? mark : (mark * value/100r).round).clamp(RANGE.min, RANGE.max)
      end
    end
  end
end
