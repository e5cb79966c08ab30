# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Makes of a score's directions what the page says beside its notes: loud
      # and soft, pedal, octave lines, words to sing, fermatas, ornaments, clefs.
      class Marks
        RITARDANDO = /\b(rit(\.|ard|enuto|\b)|rall)/i
        A_TEMPO = /\b(a\s+tempo|tempo\s+(primo|i\b|1))/i
        WEDGES = { "crescendo" => "louder", "diminuendo" => "softer" }.freeze
        CLEFS = {
          ["G", 2] => "treble",
          ["F", 4] => "bass",
          ["C", 3] => "alto",
          ["C", 4] => "tenor"
        }.freeze

        # @param words [String]
        # @return [Boolean] whether the words are used here
        def self.words?(words) = [RITARDANDO, A_TEMPO].any? { |pattern| words.match?(pattern) }

        # @param bars [Array<Score::Bar>]
        # @param measures [Array<Array<Measure>>] of each hand's part
        # @param voices [Array<Array<Measure>>] of other parts, for their words
        # @param hand [Proc] of part and staff
        # @param ends [Array<Integer>] bars behind which a new tempo or a new part begins
        def initialize(bars, measures, voices, hand, ends: [])
          @ends = ends
          @open = []
          @bars = bars
          @hand = hand
          @events = measures.each_with_index.flat_map { |part, which| placed(part, which) }
          @sung = @events + voices.flat_map { |part| placed(part, 0) }
        end

        # @return [Array<Integer>] bars in which it begins to slow, and nothing printed ends that
        attr_reader :open

        # @return [Score::Markings]
        def markings
          Score::Markings.new(
            fermatas: fermatas,
            ritardandi: ritardandi,
            dynamics: dynamics,
            pedal: pedal,
            octaves: octaves,
            ornaments: of(:ornament).map { |bar, event| spot(bar, event.at) }.uniq,
            verses: verses
          )
        end

        # Words are those of any part.
        # @return [Score::Phrasing]
        def phrasing
          Score::Phrasing.new(
            slurs: places(@events, :slur_end),
            breaths: places(@sung, :breath),
            inside_words: places(@sung, :inside_word)
          )
        end

        # @return [Array<Score::Clef>]
        def clefs
          of(:clef)
            .map do |bar, event, part|
              sign, line =
                event.value.at_xpath("sign")&.text,
                event.value.at_xpath("line")&.text.to_i
              octave = event.value.at_xpath("clef-octave-change")&.text.to_i
              name = [
                CLEFS.fetch(
                  [sign, line.zero? ? { "G" => 2, "F" => 4, "C" => 3 }[sign] : line],
                  Phrase["formats.music_xml.marks.clef_on_line", sign: sign, line: line]
                ),
                { 1 => "8va", -1 => "8vb" }[octave]
              ].compact.join(" ")
              Score::Clef.new(
                hand: @hand.call(part, event.staff),
                name: name,
                bar: bar,
                beat: beat(bar, event.at)
              )
            end
            .select(&:hand)
            .uniq { |one| [one.hand, one.bar, one.beat] }
            .group_by(&:hand)
            .values
            .flat_map { |all| changes(all) }
            .sort_by { |one| [one.bar, one.beat, one.hand.to_s] }
        end

        private

        def placed(part, which) =
          part.each_with_index.flat_map do |measure, at|
            measure.events.map { |event| [at + 1, event, which] }
          end

        def of(*kinds) = @events.select { |_, event, _| kinds.include?(event.kind) }

        def changes(clefs) = clefs.slice_when { |a, b| a.name != b.name }.map(&:first)

        # What is behind the last note of a bar is where the next one begins.
        def places(events, kind)
          events
            .select { |_, event, _| event.kind == kind }
            .map do |bar, event, _|
              (event.at >= @bars[bar - 1].length) ? [bar + 1, 0r] : [bar, event.at]
            end
            .select { |bar, _| bar <= @bars.size }
            .uniq
            .sort
        end

        # A beat inside a bar, 1 at its start.
        def beat(bar, at)
          bar = @bars[bar - 1]
          (1 + at / bar.meter.count_length).clamp(1r, [bar.counts, 1r].max)
        end

        # nil at the edges of a bar, as Score::Span has it.
        def from_beat(bar, at) = beat(bar, at).then { |beat| beat unless beat == 1 }

        def spot(bar, at) =
          beat(bar, at).then do |beat|
            Score::Span.new(from: bar, to: bar, from_beat: beat, to_beat: beat)
          end

        def fermatas
          of(:fermata)
            .map do |bar, event|
              [[bar, beat(bar, event.at)], event.value / @bars[bar - 1].meter.count_length]
            end
            .select { |_, counts| counts.positive? }
            .group_by(&:first)
            .map do |(bar, beat), all|
              Score::Fermata.new(bar: bar, beat: beat, counts: all.map(&:last).max)
            end
        end

        # Those above other parts hold for all.
        def words =
          @sung
            .select { |_, event, _| event.kind == :words }
            .map { |bar, event, _| [bar, event.value.text] }

        # From the word to the end of its dashes; else to a fermata, "a tempo", the next one, a
        # double bar, a new tempo, or the end.
        def ritardandi
          back = words.select { |_, text| text.match?(A_TEMPO) }.map { |bar, _| bar - 1 }
          slow = words.select { |_, text| text.match?(RITARDANDO) }.map(&:first).uniq
          dashes = dashed.to_h { |span| [span.from, span.to] }
          slow.each_with_index.map do |bar, at|
            next Score::Span.new(from: bar, to: dashes[bar]) if dashes.key?(bar)

            if [*back, *fermatas.map(&:bar), *@ends].none? { |one| one >= bar } && slow[at + 1].nil?
              next open_ended(bar)
            end

            stops = [
              *back.select { |one| one >= bar },
              *(slow[at + 1] - 1 if slow[at + 1]),
              *fermatas.map(&:bar),
              *@ends,
              @bars.size
            ]
            Score::Span.new(from: bar, to: stops.select { |one| one >= bar }.min)
          end
        end

        def open_ended(bar)
          @open << bar
          Score::Span.new(from: bar, to: @bars.size)
        end

        # Dashes behind a word show how far it holds.
        def dashed = lines(:dashes, { "start" => true }).map(&:first)

        def dynamics
          letters =
            of(:dynamics)
              .flat_map do |bar, event|
                event.value.element_children.map do |one|
                  from = from_beat(bar, event.at)
                  Score::Dynamic.new(
                    span: Score::Span.new(from: bar, to: bar, from_beat: from, to_beat: from),
                    words: (one.name == "other-dynamics") ? one.text.strip.tr(",", " ") : one.name
                  )
                end
              end
              .reject { |one| one.words.empty? }
          (
            letters +
              lines(:wedge, WEDGES).map do |span, words|
                Score::Dynamic.new(span: span, words: words)
              end
          ).uniq.sort_by { |one| [one.span.from, one.span.from_beat || 1, one.words] }
        end

        def pedal =
          lines(:pedal, { "start" => true, "sostenuto" => true, "resume" => true }).map(
            &:first
          ).uniq

        # Pitches in a score are those that sound; the line only says how they
        # are printed. "down" is printed lower than it sounds.
        def octaves
          lines(:"octave-shift", { "down" => true, "up" => false })
            .map do |span, up, part, staff|
              Score::Octave.new(span: span, hand: @hand.call(part, staff), up: up)
            end
            .uniq
        end

        # Pairs of start and stop of one part, staff and number.
        def lines(kind, starts)
          open = {}
          found =
            of(kind).filter_map do |bar, event, part|
              line = [part, event.staff, event.value["number"]]
              type = event.value["type"]
              if starts.key?(type)
                next((open[line] = [bar, event.at, starts[type], part, event.staff]) && nil)
              end
              next unless %w[stop discontinue].include?(type)

              from =
                open.delete(line) || open.delete(open.keys.find { |other| other.first == part })
              [span(from, bar, event.at), *from.drop(2)] if from
            end
          found +
            open.values.map do |from|
              [span(from, from[0], @bars[from[0] - 1].length), *from.drop(2)]
            end
        end

        # A line that stops at the start of a bar ends with the bar before.
        def span(from, bar, at)
          bar, at = bar - 1, @bars[bar - 2].length if at.zero? && bar > from[0]
          last = beat(bar, at)
          to_the_edge = at >= @bars[bar - 1].length
          backwards = bar == from[0] && last < beat(*from.first(2))
          Score::Span.new(
            from: from[0],
            to: bar,
            from_beat: from_beat(*from.first(2)),
            to_beat: (last unless to_the_edge || backwards)
          )
        end

        def verses
          sung =
            @sung
              .select { |_, event, _| event.kind == :lyric }
              .map { |bar, event, _| [event.value, bar] }
          sung
            .group_by(&:first)
            .sort
            .flat_map do |number, all|
              bars = all.map(&:last).uniq.sort
              # A bar without a syllable holds the one before.
              bars
                .slice_when { |a, b| b > a + 2 }
                .map do |run|
                  Score::Verse.new(
                    number: number.clamp(1, 20),
                    span: Score::Span.new(from: run.first, to: run.last)
                  )
                end
            end
        end
      end
    end
  end
end
