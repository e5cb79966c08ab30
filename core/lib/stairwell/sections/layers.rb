# frozen_string_literal: true

module Stairwell
  module Sections
    # What differs between two bars whose notes are the same: a layer that still
    # has to be learnt when the notes are known.
    class Layers
      NAMES = %i[articulation fingering dynamics].freeze

      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @loud = map.markings.dynamics.group_by { |one| one.span.from }
      end

      # @param bar [Integer]
      # @param other [Integer] a bar with the same notes in that hand
      # @param hand [Symbol] :right or :left
      # @return [Array<Symbol>] of {NAMES}
      def between(bar, other, hand)
        mine, theirs = [bar, other].map { |index| look(index, hand) }
        NAMES.reject { |name| mine[name] == theirs[name] }
      end

      private

      def look(index, hand)
        notes = @map.notes.dig(index, hand).to_a.sort_by { |note| [note.onset, note.pitch.midi] }
        {
          articulation: notes.map { |note| [note.articulation, note.graces] },
          fingering: notes.map(&:finger),
          dynamics: @loud.fetch(index, []).map { |one| [one.span.from_beat, one.words] }
        }
      end
    end
  end
end
