# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # What is carried from one measure of a part to the next: the divisions of
      # a quarter note, the transposition, and the slurs that are open.
      Carried = Struct.new(:divisions, :transposition, :slurs) do
        def initialize = super(1, Transposition::NONE, Set.new)
      end
    end
  end
end
