# frozen_string_literal: true

module Stairwell
  module Phrase
    # What begins a sentence.
    Capital =
      Stairwell.value(:said) do
        include Textual

        undef_method :to_a

        def to_s = said.to_s.then { |text| "#{text[0]&.upcase}#{text[1..]}" }

        def pack = { "capital" => Phrase.pack(said) }
      end
  end
end
