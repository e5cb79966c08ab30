# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # Free text inside a statement. It stands as it is wherever it would be read
      # back the same; otherwise in double quotes, in which `\n` is a line feed
      # and `\"` a quote, and in which `#` begins no comment.
      #
      # @example
      #   Text.write("Study # 3")   # => "\"Study # 3\""
      #   Text.read("\"Study # 3\"") # => "Study # 3"
      module Text
        QUOTED = /"(?:[^"\\]|\\.)*"/
        ESCAPES = {
          "\n" => "\\n",
          "\r" => "\\r",
          "\t" => "\\t",
          "\"" => "\\\"",
          "\\" => "\\\\"
        }.freeze
        MEANS = ESCAPES.invert.freeze
        # A comment begins at a `#` that stands by itself.
        COMMENT = /#(?=\s|\z)/

        module_function

        # @param text [String]
        # @param list [Boolean] whether a comma would end it
        # @return [String] as it stands in a script
        def write(text, list: false)
          text = text.to_s
          plain =
            text == text.strip && !text.empty? && !text.match?(/[\n\r\t]/) &&
              !text.start_with?("\"") && !text.match?(/(?:\A|\s)#{COMMENT}/o)
          (plain && !(list && text.include?(","))) ? text : quote(text)
        end

        # @param text [String]
        # @return [String] in quotes, whatever it holds
        def quote(text) = "\"#{text.gsub(/["\\\n\r\t]/, ESCAPES)}\""

        # @param written [String] as {write} gives, or as a person typed it
        # @return [String]
        def read(written)
          return written unless written.match?(/\A#{QUOTED}\z/mo)

          written[1...-1].gsub(/\\(.)/m) { |escape| MEANS.fetch(escape, escape[1]) }
        end

        # Takes a line apart in one go from left to right; a quote that is never
        # closed is a letter like any other.
        #
        # @param line [String]
        # @return [Array(String, String)] what is said, and the comment behind it
        #   with its sign (nil where there is none)
        def apart(line)
          scanner = StringScanner.new(line)
          quotes = true
          until scanner.eos?
            before = scanner.pos.zero? ? " " : line.getbyte(scanner.pos - 1).chr
            if before.match?(/\s/n) && scanner.match?(COMMENT)
              return line.byteslice(0, scanner.pos), scanner.rest
            end
            next if quotes && opens?(scanner, before) && (quotes = scanner.skip(QUOTED))

            scanner.getch
            scanner.skip(/[^\s#":,]+/)
          end
          [line, nil]
        end

        def opens?(scanner, before) = scanner.match?(/"/) && before.match?(/[\s:,]/n)
        private_class_method :opens?
      end
    end
  end
end
