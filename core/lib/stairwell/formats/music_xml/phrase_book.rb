# frozen_string_literal: true

require "yaml"

module Stairwell
  module Formats
    module MusicXML
      # What printed words say of the playing order, in the languages of `phrase_book.yml`, with
      # the signs themselves in the middle of the words.
      module PhraseBook
        READ = YAML.load_file(File.join(__dir__, "phrase_book.yml")).freeze
        # Glyphs that programs write as letters: Unicode's musical symbols, and those of the
        # Standard Music Font Layout, which engraving fonts share.
        GLYPHS =
          READ
            .fetch("signs")
            .flat_map do |word, glyphs|
              glyphs.map { |glyph| [glyph, word.match?(/\A\w+\z/) ? " {#{word}} " : word] }
            end
            .to_h
            .freeze
        # Every meaning with one pattern.
        MEANINGS =
          READ
            .except("signs")
            .to_h do |meaning, rows|
              [meaning.to_sym, Regexp.union(rows.map { |pattern, _, _| Regexp.new(pattern) })]
            end
            .freeze
        # Words that are much longer are no instruction. Own choice.
        LONGEST = 120

        module_function

        # @param text [String] as printed, signs as {sign}
        # @return [String] in small letters, blanks as one
        def plain(text)
          text = text[0, LONGEST + 1].downcase.gsub(Regexp.union(GLYPHS.keys), GLYPHS)
          text.tr("\u00a0", " ").squeeze(" ").strip
        end

        # @param text [String]
        # @return [Array<Symbol>] what it means, of {MEANINGS}
        def of(text)
          text = plain(text)
          return [] if text.empty? || text.size > LONGEST

          MEANINGS.filter_map { |meaning, pattern| meaning if text.match?(pattern) }
        end

        # @param text [String]
        # @return [Boolean] whether it says anything of the playing order
        def used?(text) = (of(text) - %i[al_fine to_the_end repeats]).any?
      end
    end
  end
end
