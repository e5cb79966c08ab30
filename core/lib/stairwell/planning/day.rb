# frozen_string_literal: true

module Stairwell
  module Planning
    # One practice day, empty ones too.
    Day =
      Stairwell.value(:date, :items) do
        # @return [Rational]
        def minutes = items.sum(0r, &:minutes)
      end
  end
end
