# frozen_string_literal: true

module Stairwell
  module Studio
    # A day of a sheet: steps, and what is no step.
    SheetDay =
      Stairwell.value(:date, :minutes, :items, :warm_ups, :others) do
        # @return [Rational]
        def minutes_done = items.sum(0r, &:minutes_done)

        # @yieldparam key [Array(Integer, String)] assignment and step
        # @yieldreturn [Hash] what was tapped of it that day, see {Tapped.of}
        # @return [SheetDay] with that counted
        def tapped = with(items: items.map { |one| one.with(**yield(one.item.key)) })

        # @return [Boolean]
        def struggle? = items.any?(&:struggle)
      end
  end
end
