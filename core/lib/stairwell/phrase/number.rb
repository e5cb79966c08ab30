# frozen_string_literal: true

module Stairwell
  module Phrase
    # A number as people write it, with halves: 2½; otherwise to one decimal.
    Number =
      Stairwell.value(:value) do
        include Textual

        undef_method :to_a

        def to_s
          whole, rest = value.to_r.divmod(1)
          return whole.to_s if rest.zero?
          return "#{whole unless whole.zero?}½" if rest == 1 / 2r

          value.to_f.round(1).to_s.sub(".", I18n.t("number.decimal", raise: true))
        end

        def pack = { "number" => value.to_r.to_s }
      end
  end
end
