# frozen_string_literal: true

module Stairwell
  module Score
    # One printed bar. `index` counts from 1 in printed order; `number` is what
    # people say (a pickup is 0), nil where the page has none; `length` is a
    # Rational of whole notes, as written, which may differ from the meter's.
    Bar =
      Stairwell.value(:index, :number, :length, :meter) do
        # @return [Rational] its length in counts of its meter
        def counts = meter.counts(length)

        def full? = length == meter.bar_length

        def short? = !meter.free && length < meter.bar_length

        def long? = !meter.free && length > meter.bar_length

        def pickup? = number == 0

        # @return [String] how a person names it: its number, or #index where
        #   there is none
        def name = number ? number.to_s : "##{index}"
      end
  end
end
