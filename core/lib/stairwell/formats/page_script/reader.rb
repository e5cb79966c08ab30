# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # Reads a script in three rounds: how many bars there are and how they lie
      # on the page; how long they are; then everything that speaks of bars and
      # beats. So the order of the lines does not matter.
      class Reader
        TEXTS = %w[title composer book level].freeze
        MARKS = {
          "segno" => :segno,
          "coda" => :coda,
          "to coda" => :to_coda,
          "fine" => :fine,
          "double bar" => :double_bars
        }.freeze
        SHAPE = %w[page bars pickup unnumbered].freeze
        LENGTHS = %w[time bar].freeze

        # What stands at most once; the last line that says it counts.
        SINGLE = %i[
          title
          composer
          book
          level
          tempo_words
          tempo_mark
          tempo_target
          count
          pickup
          track
        ].freeze
        # What a tempo statement can say; each part for itself.
        TEMPO = %i[tempo_words tempo_mark tempo_target].freeze

        # @param parts [Hash{Symbol => Object}] by {TEMPO}
        # @return [Score::Tempo]
        def self.tempo(parts)
          unit, mark = parts[:tempo_mark]
          Score::Tempo.new(
            words: parts[:tempo_words],
            mark_unit: unit,
            mark: mark,
            target: parts[:tempo_target]
          )
        end

        # One line taken apart: `head` before the colon without its keyword.
        Statement = Struct.new(:line, :text, :keyword, :head, :value, :column)
        private_constant :Statement

        # What a line says: a member of Score::Map or Score::Markings (or
        # :count, :pickup, :meters, :counts, :unnumbered, :numbers, of which the
        # bars are made) and a
        # value of it.
        Claim = Struct.new(:line, :member, :value)

        # @return [Array<Claim>] in the order they were read, once {result} was
        #   asked for
        attr_reader :claims

        # @param statement [String]
        # @return [Boolean] whether it says how the bars lie on the page, which
        #   needs no page to be understood
        def self.shape?(statement) =
          SHAPE.any? { |word| statement.strip.downcase.start_with?(word) }

        # @param text [String]
        def initialize(text)
          @lines = PageScript.lines(text)
          @problems = []
          @remarks = []
          @claims = []
          @counted = Hash.new(0)
        end

        # @return [Result]
        def result
          if @lines.size > Constants::MOST_STATEMENTS
            return(
              too_much(
                Phrase[
                  "formats.page_script.reader.too_many_lines",
                  most: Constants::MOST_STATEMENTS
                ]
              )
            )
          end

          statements = @lines.each_with_index.filter_map { |line, at| statement(line, at + 1) }
          shape, others = statements.partition { |one| SHAPE.include?(one.keyword) }
          shape.each { |one| attempt(one) { |scan| read_shape(one, scan) } }
          unless count.between?(1, Constants::MOST_BARS)
            return Result.new(map: nil, problems: sorted(no_bars))
          end

          others
            .partition { |one| LENGTHS.include?(one.keyword) }
            .each do |round|
              @places = Places.new(bars, Score::Layout.new(in_order(all(:pages)), bars))
              round.each { |one| attempt(one) { |scan| read(one, scan) } }
            end
          Result.new(map: Score::Bounds.check(map), problems: sorted)
        rescue UnreadableError => error
          too_much(error.message)
        end

        private

        # What is counted says so before anything is made of it.
        def too_much(message)
          Result.new(
            map: nil,
            problems: [
              *sorted,
              Problem.new(
                line: @lines.size.clamp(1..),
                column: 1,
                text: "",
                message: message,
                suggestion: nil
              )
            ]
          )
        end

        def sorted(more = []) = (@problems + more).sort_by { |one| [one.line, one.column] }

        def statement(line, number)
          if line.size > Constants::MOST_LETTERS
            return(
              keep(
                number,
                line,
                Phrase["formats.page_script.reader.too_long", most: Constants::MOST_LETTERS],
                column: 1
              )
            )
          end

          text, comment = Text.apart(line)
          @remarks << comment if comment
          return if text.strip.empty?

          head, value = text.split(":", 2)
          keyword, rest = Keywords.split(head)
          if keyword && value
            return Statement.new(number, text.rstrip, keyword, rest, value, head.length + 2)
          end
          keep(
            number,
            text,
            Phrase["formats.page_script.reader.this_is_not_a_statement_stairwell"]
          ) { Keywords.nearest(text) }
        end

        # @yieldreturn [String] what was probably meant
        def keep(number, text, message, column: text[/\A\s*/].size + 1)
          @remarks << text.rstrip
          return if @problems.size >= Constants::MOST_PROBLEMS

          suggestion = yield if block_given?
          @problems << Problem.new(
            line: number,
            column: column,
            text: text.rstrip,
            message: message,
            suggestion: suggestion
          )
          nil
        end

        # A statement claims what it says only when all of it is understood.
        def attempt(statement)
          scan = Scan.new(statement.value, statement.column)
          said = yield scan
          scan.finish!
          said.each do |member, value|
            @claims << Claim.new(statement.line, member, value)
            @counted[member] += 1
            Score::Bounds.refuse(member, @counted[member]) if Score::Bounds::MOST.key?(member)
          end
        rescue Stumble => error
          keep(
            statement.line,
            statement.text,
            Phrase["formats.page_script.reader.stumbled", what: error.message],
            column: error.column
          ) { Keywords::EXAMPLES.fetch(statement.keyword) }
        end

        def read_shape(statement, scan)
          case statement.keyword
          when "page"
            [[:pages, page(statement, scan)]]
          when "bars"
            [
              [
                :count,
                scan.number!(
                  Phrase["formats.page_script.reader.a_number_of_bars"],
                  1..Constants::MOST_BARS
                )
              ]
            ]
          when "pickup"
            [[:pickup, scan.counts!]]
          when "unnumbered"
            unnumbered(scan)
          end
        end

        def page(statement, scan)
          number =
            Scan.new(statement.head, statement.text.index(/\S/).to_i + 6).number!(
              Phrase["formats.page_script.reader.a_page_number"],
              1..9999
            )
          lines = [scan.number!(Phrase["formats.page_script.reader.the_bars_of_a_line"], 0..99)]
          until scan.done?
            lines << scan.number!(Phrase["formats.page_script.reader.the_bars_of_a_line"], 0..99)
          end
          if all(:pages).any? { |one| one.number == number }
            scan.stumble(
              Phrase["formats.page_script.reader.page_is_described_twice", number: number]
            )
          end
          Score::Page.new(number: number, lines: lines)
        end

        # Bars that have no number are named by their index alone.
        def unnumbered(scan)
          found = []
          loop do
            found << [
              :unnumbered,
              scan.take!(
                /#\d{1,4}/,
                Phrase["formats.page_script.reader.bars_by_their_place_such_as"]
              )[
                1..
              ].to_i
            ]
            break unless scan.take(/,/)
          end
          found.reject { |_, index| index.zero? }
        end

        # @return [Array<Array(Symbol, Object)>] members and values
        def read(statement, scan)
          case statement.keyword
          when *TEXTS
            [[statement.keyword.to_sym, scan.text]]
          when "time"
            [[:meters, Values.time(scan, @places)]]
          when "key"
            [[:keys, Values.key(scan, @places)]]
          when "bar"
            [bar(statement, scan)]
          when "tempo"
            if statement.head.to_s.empty?
              Values.tempo(scan)
            else
              [[:tempos, tempo_change(statement, scan)]]
            end
          when "repeat"
            [[:repeats, Values.repeat(scan, @places)]]
          when "ending"
            [[:endings, ending(statement, scan)]]
          when *MARKS.keys
            [[MARKS[statement.keyword], @places.bar!(scan)]]
          when "leave"
            [
              [
                :leaves,
                Score::Leave.new(after: @places.bar!(head(statement)), to: @places.bar!(scan))
              ]
            ]
          when "da capo", "dal segno"
            [[:jumps, Values.jump(statement.keyword, scan, @places)]]
          when *Markings::EXAMPLES.keys
            marking(statement, scan)
          when "clef"
            [[:clefs, clef(statement, scan)]]
          when "section"
            [[:sections, Values.section(label(statement), scan, @places)]]
          end
        end

        def head(statement) =
          Scan.new(statement.head, statement.text.index(/\S/).to_i + statement.keyword.size + 2)

        # How long a bar is, or the number it is printed with.
        def bar(statement, scan)
          bar = @places.bar!(head(statement))
          if scan.take(/number\b/i)
            return [
              :numbers,
              [
                bar,
                scan.number!(
                  Phrase["formats.page_script.reader.a_bar_number"],
                  1..Constants::MOST_BARS
                )
              ]
            ]
          end

          [:counts, [bar, scan.counts!].tap { scan.take(/counts?\b/i) }]
        end

        def tempo_change(statement, scan)
          bar = @places.bar!(head(statement))
          said = Values.tempo(scan).to_h
          scan.stumble(Phrase["formats.page_script.reader.one_target"]) if said.key?(:tempo_target)
          unit, mark = said[:tempo_mark]
          Score::TempoChange.new(bar: bar, words: said[:tempo_words], mark_unit: unit, mark: mark)
        end

        def ending(statement, scan)
          passes = Values.passes(head(statement))
          span = @places.span!(scan)
          Score::Ending.new(passes: passes, from: span.from, to: span.to)
        end

        def clef(statement, scan)
          hand = head(statement).take!(/(right|left)\b/i, "“right” or “left”").downcase.to_sym
          name =
            scan.words!(Phrase["formats.page_script.reader.a_clef_such_as_treble"], before: "from")
          bar, beat = scan.take(/from\b/i) ? @places.position!(scan) : [1, nil]
          Score::Clef.new(hand: hand, name: name, bar: bar, beat: beat || 1r)
        end

        def marking(statement, scan)
          member, found = Markings.read(statement.keyword, head(statement), scan, @places)
          [found].flatten(1).map { |value| [member, value] }
        end

        def label(statement)
          scan = head(statement)
          found = scan.take!(LABEL, Phrase["formats.page_script.reader.a_label_such_as_a_or"])
          scan.finish!
          found
        end

        def all(member) = @claims.select { |one| one.member == member }.map(&:value)

        def count = all(:count).last || all(:pages).sum { |page| page.lines.sum }

        def bars
          meters = all(:meters).sort_by(&:bar).reverse.uniq(&:bar).reverse
          meters.unshift(Score::Meter.new(beats: 4, unit: 4)) unless meters.first&.bar == 1
          Score.bars(
            count,
            meters: meters,
            pickup: all(:pickup).last,
            counts: all(:counts).to_h,
            unnumbered: all(:unnumbered).uniq,
            numbers: all(:numbers).to_h
          )
        end

        def map
          said = @claims.group_by(&:member).transform_values { |claims| claims.map(&:value) }
          said =
            said
              .to_h { |member, values| [member, SINGLE.include?(member) ? values.last : values] }
              .reject { |_, value| value == "" }
          Score::Map.new(
            title: Phrase["score.untitled"].to_s,
            bars: bars,
            remarks: @remarks,
            markings: Score::Markings.new(**said.slice(*Score::Markings.members)),
            tempo: Reader.tempo(said),
            **said.slice(*Score::Map.members),
            **%i[pages keys].to_h { |key| [key, in_order(said.fetch(key, []))] }
          )
        end

        def in_order(values) =
          values.sort_by { |one| one.is_a?(Score::Page) ? one.number : one.bar }

        def no_bars
          message =
            Phrase[
              "formats.page_script.reader.the_script_does_not_say_how",
              most: Constants::MOST_BARS
            ]
          [
            Problem.new(
              line: @lines.size.clamp(1..),
              column: 1,
              text: "",
              message: message,
              suggestion: "page 12: 4 4 4 4"
            )
          ]
        end
      end
    end
  end
end
