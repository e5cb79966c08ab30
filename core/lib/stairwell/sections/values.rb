# frozen_string_literal: true

module Stairwell
  module Sections
    # Names the note values of a piece, and says how its meters are counted.
    class Values
      NAMES = {
        1r => "whole",
        1 / 2r => "half",
        1 / 4r => "quarter",
        1 / 8r => "eighth",
        1 / 16r => "sixteenth",
        1 / 32r => "thirty_second",
        1 / 64r => "sixty_fourth"
      }.freeze

      # @param map [Score::Map]
      def initialize(map)
        @map = map
      end

      # @return [Array<String>] longest first; values held over a tie or bar
      #   line count by their parts
      def names
        lengths = @map.notes.values.flat_map(&:values).flatten.map(&:length).uniq
        lengths.sort.reverse.map { |length| name(length) }.uniq
      end

      # @param meter [Score::Meter]
      # @return [String]
      def counting(meter)
        if meter.compound?
          return(
            Phrase[
              "sections.values.count_swinging_beats_at_first_all",
              swinging: meter.beats / 3,
              beats: meter.beats
            ]
          )
        end
        if meter.unit == 2
          return(
            Phrase[
              "sections.values.count_in_half_notes",
              beats: beats(meter),
              quarters: meter.beats * 2
            ]
          )
        end

        Phrase["sections.values.count", beats: beats(meter)]
      end

      # @param length [Rational] in whole notes
      # @return [Phrase]
      def name(length)
        NAMES.each do |value, name|
          return Phrase["note_values.#{name}"] if length == value
          if length == value * 3 / 2
            return Phrase["sections.values.dotted", name: Phrase["note_values.#{name}"]]
          end
          if length == value * 2 / 3
            return Phrase["sections.values.triplet", name: Phrase["note_values.#{name}"]]
          end
        end
        Phrase["sections.values.of_a_whole", length: length]
      end

      private

      def beats(meter) = (1..meter.beats).to_a.join(" ")
    end
  end
end
