# frozen_string_literal: true

require "strscan"

module Stairwell
  module Formats
    module PageScript
      # Reads one statement's value from left to right and knows the column it
      # has come to.
      class Scan
        # @param text [String] the value
        # @param column [Integer] where it starts in its line, from 1
        def initialize(text, column)
          @scanner = StringScanner.new(text)
          @column = column
        end

        def column = @column + @scanner.charpos

        # @return [String, nil] what was read, blanks around it skipped
        def take(pattern)
          @scanner.skip(/\s*/)
          found = @scanner.scan(pattern)
          @scanner.skip(/\s*/)
          found
        end

        def take!(pattern, expected) =
          take(pattern) || stumble(Phrase["formats.page_script.scan.expected", expected: expected])

        # @return [Integer]
        def number!(expected, within)
          at = column
          value = take!(/\d{1,9}/, expected).to_i
          return value if within.cover?(value)

          raise Stumble.new(
                  Phrase[
                    "formats.page_script.scan.expected_from_to_found",
                    expected: expected,
                    min: within.min,
                    max: within.max,
                    found: value
                  ],
                  at
                )
        end

        # @return [Rational] counts such as 1, 2.5 or 1/2
        def counts!
          at = column
          value =
            Rational(
              take!(
                /\d{1,4}(\/[1-9]\d?|\.\d{1,3})?/,
                Phrase["formats.page_script.scan.a_number_of_counts_such_as"]
              )
            )
          return value if value.positive? && value <= 64

          raise Stumble.new(Phrase["formats.page_script.scan.expected_between_and_counts"], at)
        end

        # @param before [String] a word that ends it
        # @return [String] words up to that one, a comma, a `#` or the end
        def words!(expected, before:)
          @scanner.skip(/\s*/)
          found = []
          while (word = @scanner.check(/[^\s,#]+/)) && word.downcase != before
            found << @scanner.scan(/[^\s,#]+/)
            @scanner.skip(/\s+/)
          end
          if found.empty?
            stumble(Phrase["formats.page_script.scan.expected", expected: expected])
          else
            found.join(" ")
          end
        end

        def done? = @scanner.eos?

        def rest
          found = @scanner.rest.strip
          @scanner.terminate
          found
        end

        # @return [String] all that is left, free text
        def text = Text.read(rest)

        # @return [String] free text up to a comma, or in quotes
        def phrase!(expected) =
          (found = take(Text::QUOTED)) ? Text.read(found) : take!(/[^,]+/, expected).strip

        def finish!
          unless done?
            stumble(
              Phrase["formats.page_script.scan.did_not_expect_here", rest: @scanner.rest.strip]
            )
          end
        end

        def stumble(message) = raise(Stumble.new(message, column))
      end
    end
  end
end
