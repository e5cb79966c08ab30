# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # Changes a script the way a careful person would by hand: takes
      # statements out, puts others in where their kind stands, and leaves all
      # other lines, blanks and comments as they were typed. What one clicks on
      # the page becomes text this way.
      class Edit
        # Of how the page and its bars lie; the rest is read against it.
        SHAPE = %i[pages count unnumbered meters pickup counts numbers].freeze
        # The order of kinds, for a statement of a kind there is none of yet.
        ORDER = [
          :title,
          :composer,
          :book,
          :level,
          *SHAPE,
          :keys,
          *Reader::TEMPO,
          :repeats,
          :endings,
          *Reader::MARKS.values,
          :jumps,
          :leaves,
          :clefs,
          :sections,
          *Score::Markings.members
        ].freeze

        # A line as typed and the claims it makes; none for blanks, comments
        # and what was not understood.
        Line =
          Struct.new(:text, :claims) do
            def comment = Text.apart(text).last

            def members = claims.map(&:member)
          end
        private_constant :Line

        # @param text [String]
        def initialize(text)
          reader = Reader.new(text)
          @map = reader.result.map
          claims = reader.claims.group_by(&:line)
          @lines =
            PageScript
              .lines(text)
              .each_with_index
              .map { |line, at| Line.new(line, claims.fetch(at + 1, [])) }
        end

        # @param put [Array<String>] statements; one about the same thing (the
        #   same page, section, ending …) is replaced
        # @param drop [Array<String>] statements to take out; also in part, as
        #   `pedal: 9-12` out of `pedal: 1-4, 9-12`
        # @param lenient [Boolean] whether a statement that is not there, or not
        #   understood, is passed over
        # @return [String] the changed script
        # @raise [UnreadableError] naming the statement
        def call(put: [], drop: [], lenient: false)
          # The page is taken apart last and put together first: the rest is
          # read against it.
          # What is put about the same thing replaces it where it stands.
          replaced =
            put.flat_map { |statement| understood(statement, true) }.map { |claim| about(claim) }
          drop
            .partition { |statement| !Reader.shape?(statement) }
            .flatten
            .each do |statement|
              claims =
                understood(statement, lenient).reject { |claim| replaced.include?(about(claim)) }
              claims.each { |claim| take_out(claim) || gone(statement, lenient) }
            end
          put
            .partition { |statement| Reader.shape?(statement) }
            .flatten
            .each { |statement| put_in(statement, understood(statement, lenient)) }
          @lines.map { |line| "#{line.text}\n" }.join
        end

        private

        # @return [Array<Reader::Claim>] what a statement says on this page
        def understood(statement, lenient)
          page =
            (
              if Reader.shape?(statement)
                []
              else
                @lines.select { |line| (line.members & SHAPE).any? }.map(&:text)
              end
            )
          reader = Reader.new([*page, statement.lines.first.to_s.chomp].join("\n"))
          problem = reader.result.problems.find { |one| one.line == page.size + 1 }
          claims = reader.claims.select { |claim| claim.line == page.size + 1 }
          return claims if claims.any? || lenient

          raise UnreadableError.new(
                  "“#{statement}”: #{problem&.message || Phrase["formats.page_script.edit.this_says_nothing"]}",
                  code: :statement
                )
        end

        # @return [Boolean] whether it was there
        def take_out(claim)
          line = @lines.find { |one| one.claims.any? { |other| same?(other, claim) } }
          return false unless line

          rewrite(line, line.claims.reject { |other| same?(other, claim) })
          true
        end

        def gone(statement, lenient)
          return if lenient

          raise UnreadableError.new(
                  Phrase[
                    "formats.page_script.edit.the_script_does_not_say_any",
                    statement: statement
                  ],
                  code: :gone
                )
        end

        def put_in(statement, claims)
          if claims.all? { |claim|
               @lines.any? { |line| line.claims.any? { |one| same?(one, claim) } }
             }
            return
          end

          abouts = claims.map { |claim| about(claim) }
          kept =
            @lines.find do |line|
              line.claims.any? && line.claims.all? { |one| abouts.include?(about(one)) }
            end
          (@lines - [kept]).each do |line|
            rest = line.claims.reject { |one| abouts.include?(about(one)) }
            rewrite(line, rest) if rest.size < line.claims.size
          end
          if kept
            replace(kept, [Line.new(commented(statement, kept), claims)])
          else
            @lines.insert(place(claims.first.member), Line.new(statement, claims))
          end
        end

        # Says of a line only what is left of it; a comment behind it stays.
        def rewrite(line, rest)
          if rest.empty?
            return replace(line, [(Line.new(line.comment, []) if line.comment)].compact)
          end

          texts = Writer.new(@map).say(rest)
          replace(line, [Line.new(commented(texts.join(", "), line), rest)]) if texts.size == 1
          if texts.size > 1
            replace(line, rest.zip(texts).map { |claim, text| Line.new(text, [claim]) })
          end
        end

        def replace(line, others)
          at = @lines.index { |one| one.equal?(line) }
          @lines[at..at] = others
        end

        def commented(text, line) = [text, line.comment].compact.join("    ")

        # Behind the last of its kind, or of what comes before its kind.
        def place(member)
          rank = ORDER.index(member)
          found =
            @lines
              .each_with_index
              .reject { |line, _| line.claims.empty? }
              .map { |line, at| [ORDER.index(line.members.first), at] }
          behind = found.select { |other, _| other <= rank }.max
          behind ? behind.last + 1 : 0
        end

        def same?(one, other) = one.member == other.member && one.value == other.value

        # What a claim is about; another about the same takes its place.
        def about(claim)
          value = claim.value
          case claim.member
          when *Reader::SINGLE
            [claim.member]
          when :pages
            [:pages, value.number]
          when :meters, :keys
            [claim.member, value.bar]
          when :counts, :numbers
            [claim.member, value.first]
          when :repeats, :endings
            [claim.member, value.from, value.to]
          when :tempos
            [:tempos, value.bar]
          when :jumps, :leaves
            [claim.member, value.after]
          when :sections
            [:sections, value.label]
          when :fermatas
            [:fermatas, value.bar, value.beat]
          when :starts
            [:starts, value.hand, value.bar, value.beat, value.guide]
          when :harmony
            [:harmony, value.span]
          when :patterns
            [:patterns, value.span, value.hand]
          when :joins
            [:joins, value.from, value.to]
          when :clefs
            [:clefs, value.hand, value.bar, value.beat]
          when :section_notes
            [:section_notes, value.section, value.kind]
          else
            [claim.member, value]
          end
        end
      end
    end
  end
end
