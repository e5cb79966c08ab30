# frozen_string_literal: true

module Stairwell
  module Score
    # A part of the piece that is learned as one: its label, its places
    # (spans), its variant, and how hard it is from 1 to 5.
    Section =
      Stairwell.value(:label, :spans, variant: nil, difficulty: Constants::DIFFICULTY) do
        # @return [Array<Integer>] the bars one learns: those of its first place
        def bars = spans.first.bars

        def cover?(index) = spans.any? { |span| span.cover?(index) }
      end
  end
end
