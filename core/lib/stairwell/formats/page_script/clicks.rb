# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # What one says of bars with a click, a key or a drag, as statements of the script.
      class Clicks
        # One that has a button: the words on it, what it means, its key, and how the
        # script says it of the first and the last of the chosen bars. Pressing again
        # goes on to the next saying; after the last one it is taken away.
        Sign = Stairwell.value(:key, :words, :title, :shortcut, :sayings)

        bars = ->(from, to) { (from == to) ? from : "#{from}-#{to}" }
        at_first = ->(text) { ->(from, _) { "#{text}: #{from}" } }
        at_last = ->(text, how = "") { ->(_, to) { "#{text}: #{to}#{how}" } }
        sign = ->(key, words, title, shortcut, *sayings) do
          Sign.new(
            key: key,
            words: words,
            title: title,
            shortcut: shortcut,
            sayings: sayings.freeze
          )
        end
        SIGNS = [
          sign.call(
            :repeat,
            Phrase["formats.page_script.clicks.repeat"],
            Phrase["formats.page_script.clicks.repeat_these_bars_again_for_three"],
            "r",
            ->(from, to) { "repeat: #{bars.call(from, to)}" },
            ->(from, to) { "repeat: #{bars.call(from, to)} x3" }
          ),
          *(1..3).map do |pass|
            sign.call(
              :"ending_#{pass}",
              "#{pass}.",
              Phrase["formats.page_script.clicks.ending", pass: pass],
              pass.to_s,
              ->(from, to) { "ending #{pass}: #{bars.call(from, to)}" }
            )
          end,
          sign.call(
            :segno,
            Phrase["formats.page_script.clicks.sign"],
            Phrase["formats.page_script.clicks.the_sign_segno_at_the_first"],
            "g",
            at_first.call("segno")
          ),
          sign.call(
            :to_coda,
            Phrase["formats.page_script.clicks.to_coda"],
            Phrase["formats.page_script.clicks.to_coda_after_the_last_bar"],
            "t",
            at_last.call("to coda")
          ),
          sign.call(
            :coda,
            Phrase["formats.page_script.clicks.coda"],
            Phrase["formats.page_script.clicks.the_coda_begins_at_the_first"],
            "o",
            at_first.call("coda")
          ),
          sign.call(
            :fine,
            Phrase["formats.page_script.clicks.fine"],
            Phrase["formats.page_script.clicks.fine_after_the_last_bar"],
            "f",
            at_last.call("fine")
          ),
          sign.call(
            :da_capo,
            "D.C.",
            Phrase["formats.page_script.clicks.da_capo_after_the_last_bar"],
            "c",
            *["", " al fine", " al coda"].map { |how| at_last.call("da capo", how) }
          ),
          sign.call(
            :dal_segno,
            "D.S.",
            Phrase["formats.page_script.clicks.dal_segno_after_the_last_bar"],
            "d",
            *["", " al fine", " al coda"].map { |how| at_last.call("dal segno", how) }
          ),
          sign.call(
            :double_bar,
            "‖",
            Phrase["formats.page_script.clicks.a_double_bar_line_after_the"],
            "b",
            at_last.call("double bar")
          )
        ].freeze

        # What has no button, as one may type it: of chosen `{bars}`, or the first `{bar}`.
        SAYINGS = [
          "pass 2: {bars} left hand, softer",
          "fermata: {bar} for 2",
          "dynamics: {bars} mf",
          "pedal: {bars}",
          "hands: right only {bars}",
          "start right at {bar}: finger 1 on C4",
          "lyrics 1: {bars}",
          "spot: {bars} right hand, jump",
          "hard: {bars}",
          "ritardando: {bars}",
          "octave: {bars} right hand, up",
          "ornament: {bar}"
        ].freeze

        # @param map [Score::Map] as it is when one clicks
        def initialize(map)
          @map = map
          @writer = Writer.new(map)
        end

        # @param key [Symbol, String] of a {Sign}
        # @param from [Integer] index of the first chosen bar
        # @param to [Integer] of the last
        # @return [Hash{Symbol => Array<String>}] statements to :put, to :drop
        def sign(key:, from:, to:)
          names = [from, to].map { |index| @writer.position(known(index).index, nil) }
          sayings =
            SIGNS
              .find { |one| one.key == key.to_sym }
              .sayings
              .map { |saying| [saying.call(*names)] } + of_several(key.to_sym, names.last)
          now = sayings.rindex { |saying| (saying - standing).empty? }
          return { put: sayings.first } unless now

          sayings[now + 1] ? { put: sayings[now + 1] } : { drop: sayings[now] }
        end

        # A section of the chosen bars: it changes the one that stands just there; where
        # another of that letter overlaps them, that place of it moves; where one stands
        # elsewhere, they are one more place of it.
        # @param label [String]
        # @param places [Array<String>] as typed, such as "9-13"
        # @param words [String] what it is like
        # @param from [Integer, nil] index of the first chosen bar
        # @param to [Integer, nil] of the last
        # @return [Hash{Symbol => Array<String>}]
        def section(label:, places:, words: "", from: nil, to: nil)
          chosen = from && to && Score::Span.new(from: from, to: to)
          standing =
            chosen &&
              @map.sections.find do |one|
                one.spans.any? { |span| [span.from, span.to] == [from, to] }
              end
          namesake = chosen && @map.sections.find { |one| one.label == label && one != standing }
          if namesake
            places = [
              *namesake
                .spans
                .reject { |span| span.overlap?(chosen) }
                .map { |span| @writer.span(span) },
              *places
            ]
            words = @writer.words(namesake)
          end
          said = { put: ["section #{label}: #{places.join(", ")} #{words}".strip] }
          return said if standing.nil? || standing.label == label

          said.merge(drop: [@writer.statement(:sections, standing)])
        end

        # What is to be known of a section: one of each kind; an empty text takes it away.
        # @param section [String] its label
        # @param kind [String] of {Score::SectionNote::KINDS}
        # @param text [String]
        # @return [Hash{Symbol => Array<String>}]
        def section_note(section:, kind:, text:)
          note = Score::SectionNote.new(section: section, kind: kind.to_sym, text: text.strip)
          return { put: [@writer.statement(:section_notes, note)] } unless note.text.empty?

          standing =
            @map.markings.section_notes.find do |one|
              [one.section, one.kind] == [section, note.kind]
            end
          { drop: [*(@writer.statement(:section_notes, standing) if standing)] }
        end

        # @return [String, nil] the first letter no section has yet
        def next_label = (("A".."Z").to_a - @map.sections.map(&:label)).first

        # @param label [String] of a section that stands
        # @param span [Integer] which of its places, from 0
        # @param from [Integer] index of the bar it begins with from now on
        # @param to [Integer]
        # @return [Hash{Symbol => Array<String>}]
        # @raise [UnreadableError] when there is no such section any more
        def move(label:, span:, from:, to:)
          section = @map.sections.find { |one| one.label == label }
          unless section&.spans&.at(span)
            raise UnreadableError.new(
                    Phrase[
                      "formats.page_script.clicks.there_is_no_section_with_that",
                      label: label
                    ],
                    code: :statement
                  )
          end

          place = Score::Span.new(from: known(from).index, to: known(to).index)
          {
            put: [
              @writer.statement(
                :sections,
                section.with(
                  spans: section.spans.each_with_index.map { |one, at| (at == span) ? place : one }
                )
              )
            ]
          }
        end

        # @param page [Integer] its number
        # @param bars [Array<Integer>] of each line
        # @return [Hash{Symbol => Array<String>}]
        def lines(page:, bars:) = { put: ["page #{page}: #{bars.join(" ")}"] }

        private

        def known(index) =
          @map.bar(index) ||
            raise(
              UnreadableError.new(
                Phrase["formats.page_script.clicks.there_is_no_bar_on_this", index: index],
                code: :statement
              )
            )

        # Where a page has several codas or signs: which of them is meant.
        # @return [Array<Array<String>>] statements that are said together
        def of_several(key, bar)
          case key
          when :to_coda
            if @map.coda.size > 1
              @map.coda.map do |coda|
                ["to coda: #{bar}", "leave #{bar}: #{@writer.position(coda, nil)}"]
              end
            else
              []
            end
          when :dal_segno
            if @map.segno.size > 1
              @map.segno.map do |sign|
                [
                  "dal segno: #{bar} to #{@writer.position(sign, nil)}#{" al coda" if @map.coda.any?}"
                ]
              end
            else
              []
            end
          else
            []
          end
        end

        # @return [Array<String>] signs that stand on the page, as the writer says them
        def standing =
          @standing ||=
            Writer::SIGNS.flat_map do |member|
              @map.public_send(member).map { |one| @writer.statement(member, one) }
            end
      end
    end
  end
end
