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
          @after_jump = false
          @bracket = nil
          @closed_bracket = nil
          @barlines = barlines
          @implied = implied
          barlines.each_with_index { |lines, at| read(lines, at + 1) }
          end_ending(barlines.size) if @bracket
        end

        # @return [Boolean] whether a repeat says that it is taken after a jump
        def after_jump? = @after_jump

        private

        def read(lines, bar)
          repeats = lines.filter_map { |line| line.at_xpath("repeat") }
          endings = lines.filter_map { |line| line.at_xpath("ending") }
          @after_jump ||= repeats.any? { |one| one["after-jump"] == "yes" }
          @double_bars << bar if bar < @barlines.size && lines.any? { |line| line["location"] != "left" && line.at_xpath("bar-style")&.text == "light-light" }
          @opened << bar if @implied.include?(bar) || repeats.any? { |one| one["direction"] == "forward" }
          begin_ending(endings.find { |one| one["type"] == "start" }, bar)
          backward = repeats.find { |one| one["direction"] == "backward" }
          repeat(backward, bar) if backward
          end_ending(bar) if @bracket && endings.any? { |one| %w[stop discontinue].include?(one["type"]) }
        end

        def begin_ending(ending, bar)
          return unless ending

          end_ending(bar - 1) if @bracket
          @bracket = [passes(ending["number"]), bar]
        end

        def end_ending(bar)
          passes, from = @bracket
          @endings << Score::Ending.new(passes: passes, from: from, to: bar) if bar >= from
          @bracket = nil
        end

        def repeat(element, bar)
          times = element["times"].to_s[0, 9].to_i
          raise UnreadableError.new(Phrase["formats.music_xml.reader.a_repeat_is_played", times: times, most: Constants::MOST_TIMES], code: :too_much) if times > Constants::MOST_TIMES

          @repeats << Score::Repeat.new(from: start(bar), to: bar, times: times.positive? ? times : nil)
          @closed_bracket = @bracket && [@bracket.first, bar]
        end

        # Opening signs nest; but the signs of endings that follow each other go
        # back to one and the same. The sign at the last of them belongs to the
        # repeat around.
        def start(bar)
          return @repeats.last.from if @bracket && follows?(@closed_bracket) && goes_on?(bar + 1)

          @opened.pop
        end

        # @return [Boolean] whether the bracket is the next of the one closed last
        def follows?(closed)
          closed && @bracket.last == closed.last + 1 && @bracket.first.min > closed.first.max
        end

        # @return [Boolean] whether a bracket for a later pass opens in that bar
        def goes_on?(bar)
          opening = @barlines[bar - 1].to_a.filter_map { |line| line.at_xpath("ending[@type='start']") }.first
          opening && passes(opening["number"]).min > @bracket.first.max
        end

        # The attribute is a list such as "1" or "1, 2"; some write "1.".
        def passes(text)
          found = text.to_s.scan(/\d+/).first(Constants::MOST_TIMES + 1).map { |digits| digits[0, 9].to_i }.select(&:positive?).uniq
          most = [found.max || 1, found.size].max
          raise UnreadableError.new(Phrase["formats.music_xml.reader.an_ending_is_for_pass", pass: most, most: Constants::MOST_TIMES], code: :too_much) if most > Constants::MOST_TIMES

          found.empty? ? [1] : found
        end
      end
    end
  end
end
