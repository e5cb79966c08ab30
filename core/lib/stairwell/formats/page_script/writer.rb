# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # Writes a map as the script a teacher would have typed.
      class Writer
        def initialize(map)
          @map = map
        end

        # @return [String]
        def to_s =
          "#{[texts, shape, music, signs, sections, Markings.lines(@map.markings, self), @map.remarks].flatten.compact.join("\n")}\n"

        # @param section [Score::Section]
        # @return [String] its variant and difficulty in words
        def words(section)
          difficulty = "difficulty #{section.difficulty}" unless section.difficulty ==
            Constants::DIFFICULTY
          [variant(section.variant), difficulty].compact.join(" ")
        end

        # @param one [Score::Span]
        # @return [String] such as "9-13" or "12 beat 3 - 13 beat 1"
        def span(one)
          from, to =
            [[one.from, one.from_beat], [one.to, one.to_beat]].map { |place| position(*place) }
          return from if from == to

          (one.from_beat || one.to_beat) ? "#{from} - #{to}" : "#{from}-#{to}"
        end

        # @return [String] such as "12 beat 3"
        def position(index, beat) = beat ? "#{bar(index)} beat #{number(beat)}" : bar(index)

        # @param member [Symbol] of Score::Map: :repeats, :endings, :segno, :coda,
        #   :to_coda, :fine, :jumps, :sections, or of Score::Markings
        # @param value [Object] one of that member
        # @return [String] the statement that says it
        def statement(member, value)
          case member
          when :repeats
            "repeat: #{value.from ? bars(value) : "to #{bar(value.to)}"}#{" x#{value.times}" if value.times}#{" again" if value.again}"
          when :endings
            "ending #{value.passes.join(", ")}: #{bars(value)}"
          when :jumps
            jump(value)
          when :leaves
            "leave #{bar(value.after)}: #{bar(value.to)}"
          when :sections
            section(value)
          when :counts
            "bar #{bar(value.first)}: #{number(value.last)} counts"
          when :clefs
            "clef #{value.hand}: #{value.name}#{" from #{position(value.bar, (value.beat unless value.beat == 1))}" unless [value.bar, value.beat] == [1, 1]}"
          when *Reader::MARKS.values
            "#{Reader::MARKS.key(member)}: #{bar(value)}"
          else
            statements(member, [value]).first
          end
        end

        # @param claims [Array<Reader::Claim>] of one line
        # @return [Array<String>] as few statements as say them
        def say(claims)
          members = claims.map(&:member)
          if (members - Reader::TEMPO).empty?
            return [tempo(Reader.tempo(claims.to_h { |one| [one.member, one.value] }))]
          end

          statements(members.first, claims.map(&:value))
        end

        # @param member [Symbol] of Score::Markings
        # @param values [Array<Object>]
        # @return [Array<String>] as few statements as say them
        def statements(member, values) = Markings.lines(Score::Markings.new(member => values), self)

        # @param one [Score::TempoChange]
        # @return [String]
        def tempo_change(one) = tempo(one).sub("tempo:", "tempo #{bar(one.bar)}:")

        # @return [String] exact
        def number(value) = Roadmap.number(value)

        private

        def texts
          Reader::TEXTS.filter_map do |key|
            (value = @map.public_send(key)) && "#{key}: #{Text.write(value)}"
          end
        end

        def shape
          numbered = @map.bars.size - (@map.pickup? ? 1 : 0) - unnumbered.size
          lines = @map.pages.map { |page| "page #{page.number}: #{page.lines.join(" ")}" }
          lines << "bars: #{numbered}" unless @map.pages.sum { |page| page.lines.sum } == numbered
          if unnumbered.any?
            lines << "unnumbered: #{unnumbered.map { |bar| "##{bar.index}" }.join(", ")}"
          end
          lines
        end

        def unnumbered = @unnumbered ||= @map.bars.select { |bar| bar.number.nil? }

        def music
          [
            @map.meters.map { |meter| "time: #{meter}#{from(meter.bar)}" },
            @map.keys.map { |key| "key: #{key}#{from(key.bar)}" },
            ("pickup: #{number(@map.bars.first.counts)}" if @map.pickup?),
            @map
              .bars
              .drop(@map.pickup? ? 1 : 0)
              .reject(&:full?)
              .map { |bar| statement(:counts, [bar.index, bar.counts]) },
            renumbered.map { |index| "bar ##{index}: number #{@map.bar(index).number}" },
            tempo,
            @map.clefs.map { |clef| statement(:clefs, clef) }
          ]
        end

        def tempo(tempo = @map.tempo)
          target = tempo.target if tempo.is_a?(Score::Tempo)
          parts = [
            (tempo_words(tempo.words) if tempo.words),
            mark(tempo),
            ("target #{target}" if target)
          ].compact
          "tempo: #{parts.join(", ")}" if parts.any?
        end

        # Commas in tempo words stand as they are where they read back the same.
        def tempo_words(words)
          parts = words.split(",", -1).map(&:strip)
          if parts.join(", ") == words &&
               parts.none? { |part|
                 part.empty? || part.match?(/\A(?:marked\b|#{Values::TARGET})/io)
               }
            Text.write(words)
          else
            Text.quote(words)
          end
        end

        def mark(tempo)
          return unless tempo.mark

          name = UNITS.key(tempo.mark_unit) || "dotted #{UNITS.key(tempo.mark_unit * 2 / 3)}"
          "marked #{name} = #{tempo.mark}"
        end

        def signs =
          SIGNS.flat_map { |member| @map.public_send(member).map { |one| statement(member, one) } }

        # Members of a map that are signs on the page.
        SIGNS = [:repeats, :endings, *Reader::MARKS.values, :jumps, :leaves].freeze

        def sections = @map.sections.map { |one| statement(:sections, one) }

        def jump(one)
          said = ["#{Score::Jump::WORDS.fetch(one.to)}: #{bar(one.after)}"]
          said << "to #{bar(one.sign)}" if one.sign
          said << "al #{one.until_sign}" unless one.until_sign == :end
          said << "with repeats" if one.repeats
          said.join(" ")
        end

        def section(one)
          places = one.spans.map { |place| span(place) }.join(", ")
          "section #{one.label}: #{places} #{words(one)}".rstrip
        end

        def variant(variant)
          return unless variant

          except =
            variant
              .except
              .sort
              .slice_when { |a, b| b != a + 1 }
              .map { |bars| span(Score::Span.new(from: bars.first, to: bars.last)) }
          [
            ("#{variant.hand} hand" if variant.hand),
            "like #{variant.of}",
            ("except #{except.join(", ")}" if except.any?),
            (variant.relation unless variant.relation == :same)
          ].compact.join(" ")
        end

        def bars(one) = span(Score::Span.new(from: one.from, to: one.to))

        def from(index) = (index == 1) ? "" : " from #{bar(index)}"

        # Bars at which the printed numbers do not go on by one.
        def renumbered
          number = @map.pickup? ? -1 : 0
          @map.bars.filter_map do |bar|
            next unless bar.number

            expected = number + 1
            number = bar.number
            bar.index unless bar.number == expected
          end
        end

        # How often each number is printed.
        def numbers = @numbers ||= @map.bars.map(&:number).tally

        # The printed number, unless there is none or it is printed twice.
        def bar(index)
          number = @map.bar(index).number
          (number && numbers[number] == 1) ? number.to_s : "##{index}"
        end
      end
    end
  end
end
