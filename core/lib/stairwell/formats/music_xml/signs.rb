# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Repeats and endings out of the bar lines of each measure.
      class Signs
        # @return [Array<Score::Repeat>]
        attr_reader :repeats
        # @return [Array<Score::Ending>]
        attr_reader :endings
        # @return [Array<Integer>] bars where a printed repeat opens that is never closed
        attr_reader :unclosed
        # @return [Array<Integer>] bars that end with a double line
        attr_reader :double_bars

        # @param barlines [Array<Array<Nokogiri::XML::Element>>] by measure; the
        #   parts' bar lines of one measure together
        # @param implied [Set<Integer>] bars at which a repeat begins without a
        #   printed sign
        def initialize(barlines, implied = Set.new)
          @repeats = []
          @endings = []
          @opened = []
          @double_bars = []
          @bracket = nil
          @closed_bracket = nil
          @count = barlines.size
          @implied = implied
          @left, @right = sides(barlines)
          (1..@count).each { |bar| read(bar) }
          end_ending(@count) if @bracket
          @unclosed = (@opened - @implied.to_a).uniq
        end

        private

        # A line between two bars may be written with either: what opens stands at the left of a
        # bar, what closes at the right of one.
        # @return [Array(Hash, Hash)] signs by bar
        def sides(barlines)
          left, right = Array.new(2) { Hash.new { |all, bar| all[bar] = [] } }
          barlines.each_with_index do |lines, at|
            lines.each { |line| placed(line, at + 1, left, right) }
          end
          [left, right]
        end

        def placed(line, bar, left, right)
          at_left = line["location"] == "left"
          children = line.element_children.group_by(&:name)
          if bar < @count && !at_left && children["bar-style"]&.first&.text == "light-light" &&
               @double_bars.last != bar
            @double_bars << bar
          end
          children
            .values_at("repeat", "ending")
            .compact
            .flatten
            .each do |sign|
              opens = sign["direction"] == "forward" || sign["type"] == "start"
              place =
                if opens
                  at_left ? bar : bar + 1
                else
                  at_left ? bar - 1 : bar
                end
              (opens ? left : right)[place] << sign if place.between?(1, @count)
            end
        end

        def read(bar)
          @opened << bar if @implied.include?(bar) || sign(@left[bar], "forward")
          begin_ending(sign(@left[bar], "start"), bar)
          backward = sign(@right[bar], "backward")
          repeat(backward, bar) if backward
          end_ending(bar) if @bracket && sign(@right[bar], "stop", "discontinue")
        end

        def sign(signs, *kinds) =
          signs.find { |one| kinds.include?(one["direction"] || one["type"]) }

        def begin_ending(ending, bar)
          return unless ending

          end_ending(bar - 1) if @bracket
          @bracket = [passes(ending), bar]
        end

        def end_ending(bar)
          passes, from = @bracket
          @endings << Score::Ending.new(passes: passes, from: from, to: bar) if bar >= from
          @bracket = nil
          @closed_bracket = [passes, bar]
        end

        def repeat(element, bar)
          times = element["times"].to_s[0, 9].to_i
          if times > Constants::MOST_TIMES
            raise UnreadableError.new(
                    Phrase[
                      "formats.music_xml.reader.a_repeat_is_played",
                      times: times,
                      most: Constants::MOST_TIMES
                    ],
                    code: :too_much
                  )
          end

          @repeats << Score::Repeat.new(
            from: start(bar),
            to: bar,
            times: times.positive? ? times : nil,
            again: element["after-jump"] == "yes"
          )
        end

        # Opening signs nest; but the signs of endings that follow each other go
        # back to one and the same. The sign at the last of them belongs to the
        # repeat around.
        def start(bar)
          if @bracket && @repeats.any? && follows?(@closed_bracket) &&
               (goes_on?(bar + 1) || alternates?(@closed_bracket))
            return @repeats.last.from
          end

          @opened.pop
        end

        # @return [Boolean] whether the bracket is the next of the one closed last
        def follows?(closed) =
          closed && @bracket.last == closed.last + 1 && later?(@bracket.first, closed.first)

        # @return [Boolean] whether a bracket for a later pass opens in that bar
        def goes_on?(bar)
          opening = sign(@left[bar], "start")
          opening && later?(passes(opening), @bracket.first)
        end

        # Passes of one that come between those of the other: both go back to the same sign.
        def alternates?(closed) = closed && @bracket.first.min < closed.first.max

        def later?(passes, before) = passes.min > before.min && (passes & before).empty?

        # The attribute is a list such as "1" or "1, 2"; some write "1.", or say it only in the text
        # that is printed, such as "1.–3.". Where nothing is said it is the next one.
        def passes(ending)
          found = numbers(ending["number"]).then { |said| said.any? ? said : numbers(ending.text) }
          most = [found.max || 1, found.size].max
          if most > Constants::MOST_TIMES
            raise UnreadableError.new(
                    Phrase[
                      "formats.music_xml.reader.an_ending_is_for_pass",
                      pass: most,
                      most: Constants::MOST_TIMES
                    ],
                    code: :too_much
                  )
          end

          found.empty? ? [next_pass] : found
        end

        def next_pass =
          if @closed_bracket && @repeats.any? { |one| one.to == @closed_bracket.last }
            [@closed_bracket.first.max + 1, Constants::MOST_TIMES].min
          else
            1
          end

        # @param text [String, nil]
        # @return [Array<Integer>] with those between "1.–3."
        def numbers(text)
          ranges =
            text.to_s[0, 400].scan(/(\d+)\.?(?:\s*[-–—]\s*(\d+))?/).first(Constants::MOST_TIMES + 1)
          ranges
            .flat_map { |from, to| span(from[0, 9].to_i, (to || from)[0, 9].to_i) }
            .select(&:positive?)
            .uniq
        end

        def span(from, to) =
          to.between?(from, from + Constants::MOST_TIMES) ? (from..to).to_a : [from, to]
      end
    end
  end
end
