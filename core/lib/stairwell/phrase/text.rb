# frozen_string_literal: true

module Stairwell
  module Phrase
    # A text of the locale files; `values` is a Hash{Symbol => Object}, in which :count
    # chooses the plural form.
    Text =
      Stairwell.value(:key, values: {}) do
        include Textual

        undef_method :to_a

        # @raise [I18n::MissingTranslation, KeyError] for a text or a value that is not there
        def to_s
          template = Locales.template(key)
          if template
            template.map { |part| part.is_a?(Symbol) ? values.fetch(part).to_s : part }.join
          else
            I18n.t(key, raise: true, **values)
          end
        end

        # @return [Hash{String => Object}] to be kept
        def pack =
          {
            "say" => key,
            **(
              if values.empty?
                {}
              else
                { "with" => values.to_h { |name, value| [name.to_s, Phrase.pack(value)] } }
              end
            )
          }
      end
  end
end
