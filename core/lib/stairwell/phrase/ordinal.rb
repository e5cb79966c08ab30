# frozen_string_literal: true

module Stairwell
  module Phrase
    # A place in an order: 1st, 21st. Languages say which numbers end otherwise than
    # the others.
    Ordinal =
      Stairwell.value(:number) do
        include Textual

        undef_method :to_a

        def to_s
          endings = I18n.t("ordinals", raise: true)
          two, one = [number % 100, number % 10].map { |digits| digits.to_s.to_sym }
          format(
            endings.dig(:last_two_digits, two) || endings.dig(:last_digit, one) ||
              endings.fetch(:other),
            number: number
          )
        end

        def pack = { "ordinal" => number }
      end
  end
end
