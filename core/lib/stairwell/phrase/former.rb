# frozen_string_literal: true

module Stairwell
  module Phrase
    # A text that was kept as English before phrases were: the words for bars and note
    # values are those of the language that is spoken.
    Former =
      Stairwell.value(:text) do
        include Textual

        undef_method :to_a

        def to_s
          words = I18n.t("formerly", raise: true)
          return text if words.empty?

          text.gsub(/\b(?:#{words.keys.join("|")})(?=s?\b)/) { |found| words.fetch(found.to_sym) }
        end

        def ==(other) = to_s == other.to_s

        def pack = text
      end
  end
end
