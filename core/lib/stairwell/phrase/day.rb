# frozen_string_literal: true

module Stairwell
  module Phrase
    # A day, as a format of the locale files writes it: :weekday, :day_and_month, :with_year, :full.
    Day =
      Stairwell.value(:date, :format) do
        include Textual

        undef_method :to_a

        def to_s = I18n.l(date, format: format)

        def pack = { "day" => date.to_s, "as" => format.to_s }
      end
  end
end
