# frozen_string_literal: true

module Stairwell
  module Phrase
    # Several, one after another; `by` names what stands between them: :and or :or for
    # lists with words, otherwise a key of `between` in the locale files.
    List =
      Stairwell.value(:items, by: :and) do
        include Textual

        undef_method :to_a

        def to_s
          return items.first.to_s if items.size < 2
          return items.join(I18n.t("between.#{by}", raise: true)) unless %i[and or].include?(by)

          I18n.t(
            "lists.#{by}",
            raise: true,
            before: items[0...-1].join(I18n.t("between.comma", raise: true)),
            last: items.last.to_s
          )
        end

        def pack = { "list" => items.map { |one| Phrase.pack(one) }, "by" => by.to_s }
      end
  end
end
