# frozen_string_literal: true

require "i18n"
require "i18n/backend/fallbacks"
require "i18n/backend/pluralization"

module Stairwell
  # The languages things are said in. Each is a file in every part's `locales/`, named
  # after its tag (BCP 47); what a regional one does not say is said by its language,
  # and what a language does not say in English. Plural forms other than one and other
  # come with the language (`i18n.plural.rule`, in a file of Ruby).
  module Locales
    DEFAULT = :en

    module_function

    # @param folder [String] of files such as `en.yml`
    def add(folder)
      @files = @files.to_a | Dir[File.join(folder, "*.{yml,rb}")].sort
      I18n.load_path |= @files
      I18n.available_locales = I18n.available_locales | all
      again
    end

    # @param folder [String] that was added
    # @return [void]
    def forget(folder)
      gone, @files = @files.partition { |file| File.dirname(file) == folder }
      I18n.load_path -= gone
      again
    end

    # A text is looked up and taken apart once for each language, since a page says
    # thousands.
    # @param key [String]
    # @return [Array<String, Symbol>, nil] what stands there, and names of values; nil where
    #   the form depends on a number
    def template(key)
      known = @templates[current] ||= {}
      return known[key] if known.key?(key)

      text = I18n.t(key, raise: true)
      known[key] = if text.is_a?(String)
        text.split(/(%\{\w+\})/).map { |part| part.start_with?("%{") ? part[2..-2].to_sym : part }
      end
    end

    # Texts came or went.
    def again
      @templates = {}
      I18n.reload!
    end
    private_class_method :again

    # @return [Array<Symbol>] tags
    def all = @files.map { |file| File.basename(file, ".*").to_sym }.uniq.sort

    # @param tag [String, Symbol]
    # @return [Boolean]
    def known?(tag) = all.include?(tag.to_sym)

    # @param tag [String, Symbol]
    # @return [String] what a language calls itself
    def name(tag) = I18n.t("locale.name", locale: tag)

    # @param key [String]
    # @return [Boolean] whether there is such a text
    def text?(key) = I18n.t(key, locale: DEFAULT, default: nil).is_a?(String)

    # @param tag [String, Symbol] the language in which everything is said meanwhile
    def with(tag, &) = I18n.with_locale(tag, &)

    # Speaks another language until the enclosing {with} is over.
    # @param tag [String, Symbol]
    # @return [void]
    def speak(tag) = I18n.locale = tag

    # @return [Symbol] the language that is spoken now
    def current = I18n.locale

    # @param tag [String, Symbol]
    # @param root [Symbol] a part of the texts
    # @return [Hash{Symbol => Object}] all its texts, also those of the languages it
    #   falls back to
    def texts(tag, root)
      I18n.fallbacks[tag.to_sym]
        .reverse
        .inject({}) do |all, one|
          deep_merge(all, I18n.backend.translations(do_init: true).dig(one, root) || {})
        end
    end

    def deep_merge(one, other) =
      one.merge(other) { |_, a, b| (a.is_a?(Hash) && b.is_a?(Hash)) ? deep_merge(a, b) : b }
    private_class_method :deep_merge
  end

  I18n::Backend::Simple.include(I18n::Backend::Pluralization)
  I18n::Backend::Simple.include(I18n::Backend::Fallbacks)
  Locales.add(File.expand_path("../../locales", __dir__))
  I18n.default_locale = Locales::DEFAULT
  I18n.fallbacks = I18n::Locale::Fallbacks.new([Locales::DEFAULT])
end
