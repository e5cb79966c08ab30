# frozen_string_literal: true

module Stairwell
  module Score
    # Where a bar stands on paper.
    Address =
      Stairwell.value(:page, :line, :bar) do
        # @return [Phrase]
        def said = Phrase["score.layout.page_line_bar", page: page, line: line, bar: bar]

        def to_s = said.to_s
      end
  end
end
