# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # What is carried from one measure of a part to the next: the divisions of
      # a quarter note, the transposition, and the slurs that are open; and pitches and lengths by
      # the way they are written.
      Carried =
        Struct.new(:divisions, :transposition, :slurs, :pitches, :lengths) do
          def initialize = super(1, Transposition::NONE, Set.new, {}.compare_by_identity, {})

          # @param transposition [Transposition] from now on
          # @return [void]
          def transpose(transposition)
            self.transposition = transposition
            pitches.clear
          end
        end
    end
  end
end
