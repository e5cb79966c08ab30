# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # The words that lines of a script begin with.
      module Keywords
        # What can be said, with an example of each.
        EXAMPLES = {
          "title" => "title: The Slow Ferry",
          "composer" => "composer: A. Name",
          "book" => "book: Tidewater Primer 2",
          "level" => "level: 2",
          "page" => "page 12: 4 4 5 4",
          "bars" => "bars: 30",
          "time" => "time: 3/4",
          "key" => "key: G major",
          "pickup" => "pickup: 1",
          "bar" => "bar 26: 2 counts",
          "tempo" => "tempo: Andante, marked quarter = 92, target 76",
          "repeat" => "repeat: 9-13",
          "ending" => "ending 1: 21",
          "segno" => "segno: 5",
          "coda" => "coda: 27",
          "to coda" => "to coda: 13",
          "leave" => "leave 13: 27",
          "fine" => "fine: 14",
          "double bar" => "double bar: 8",
          "unnumbered" => "unnumbered: #5",
          "clef" => "clef left: treble from 9",
          "da capo" => "da capo: 28 al fine",
          "dal segno" => "dal segno: 26 al coda",
          "section" => "section A1: 5-8 like A except 8",
          **Markings::EXAMPLES
        }.freeze
        # What scripts from before called it.
        FORMERLY = {
          "words" => "lyrics",
          "loud and soft" => "dynamics",
          "touch" => "articulation"
        }.freeze
        ALL = (EXAMPLES.keys + FORMERLY.keys).sort_by { |word| -word.size }.freeze

        module_function

        # @param head [String] of a line, before its colon
        # @return [Array(String, String)] the keyword as it is called now, and what follows;
        #   nil twice for a line that begins with none
        def split(head)
          said = head.strip.downcase.squeeze(" ")
          word = ALL.find { |one| said == one || said.start_with?("#{one} ") }
          [FORMERLY.fetch(word, word), word && head.strip[word.size..].strip]
        end

        # @param text [String] a line that is no statement
        # @return [String] the same line with the keyword mended or the
        #   colon put in, else an example of what was probably meant
        def nearest(text)
          word = text[/[[:alpha:]]+/].to_s.downcase
          known =
            DidYouMean::SpellChecker.new(dictionary: EXAMPLES.keys).correct(word).first ||
              EXAMPLES.keys.find { |key| key == word }
          return "title: #{text.strip}" unless known

          head, value = text.split(":", 2)
          mended =
            (
              if value
                "#{head.strip.sub(/\A[[:alpha:]]+/, known)}:#{value}"
              else
                text.strip.sub(/\A[[:alpha:]]+:?/, "#{known}:")
              end
            )
          (split(mended.split(":", 2).first).first == known) ? mended : EXAMPLES.fetch(known)
        end
      end
    end
  end
end
