# frozen_string_literal: true

module Stairwell
  module Studio
    # Another score for a page: a typed page gets its notes, or another edition takes its place.
    # What teachers said of the page stays: sections, spots, notes; what is printed is the score's.
    class OtherScore
      # What teachers say, and what is printed.
      SAID = %i[
        pass_notes
        starts
        hands
        introduces
        spots
        dismissed
        hard
        joins
        section_notes
        harmony
        patterns
        parts
      ].freeze
      PRINTED = %i[fermatas ritardandi dynamics pedal ornaments verses octaves tempos].freeze
      SIGNS = %i[repeats endings segno coda to_coda fine jumps leaves].freeze
      private_constant :SAID, :PRINTED, :SIGNS

      # @return [Array<Phrase>] what finds no place in the other print
      attr_reader :lost

      # @param page [Score::Map] as it is
      # @param score [Score::Map] the other one
      def initialize(page, score)
        @page = page
        @score = score
        @match = Score::BarMatch.new(page, score)
        @lost = []
      end

      # @return [Boolean] whether all bars stand where they stood
      def same_bars? = @match.same?

      # @return [Score::Map]
      def map
        @map ||=
          @score.with(
            title: @page.title,
            composer: @page.composer || @score.composer,
            book: @page.book || @score.book,
            level: @page.level || @score.level,
            pages: pages,
            tempo: @score.tempo.with(target: @page.tempo.target),
            sections: sections,
            markings: markings,
            remarks: @page.remarks,
            **signs
          ).with_hands_said
      end

      private

      # How the lines lie in the studio's book, as long as they hold the same bars.
      def pages
        numbered = [@page, @score].map { |map| map.bars.count { |bar| bar.number&.positive? } }
        (@page.pages.any? && numbered.uniq.one?) ? @page.pages : @score.pages
      end

      def sections
        @page.sections.filter_map do |section|
          spans = section.spans.filter_map { |span| @match.span(span) }
          next no_place(:section, label: section.label) if spans.empty?

          section.with(
            spans: spans,
            variant:
              section.variant&.with(except: section.variant.except.filter_map { |bar| @match[bar] })
          )
        end
      end

      # Those of the score; a score that has none is only notes.
      def signs
        return {} if SIGNS.any? { |member| @score[member].any? }

        marks =
          %i[segno coda to_coda fine].to_h do |member|
            [member, @page[member].filter_map { |bar| @match[bar] }]
          end
        spans = {
          repeats: %i[from to],
          endings: %i[from to],
          jumps: %i[after sign],
          leaves: %i[after to]
        }
        marks.merge(
          spans.to_h do |member, ends|
            [member, @page[member].filter_map { |one| placed(one, ends) }]
          end
        )
      end

      # The same sign where its bars are now; nil where one of them is not.
      def placed(sign, ends)
        ends.inject(sign) do |one, member|
          next one if one.nil? || one[member].nil?

          @match[one[member]]&.then { |bar| one.with(member => bar) }
        end
      end

      def markings
        said = SAID.to_h { |member| [member, together(member)] }
        printed =
          PRINTED.to_h do |member|
            [member, @score.markings[member].any? ? @score.markings[member] : moved(member)]
          end
        @score.markings.with(
          **said,
          **printed,
          track: @page.markings.track || @score.markings.track
        )
      end

      # What was said comes before what the score has at the same place.
      def together(member)
        own = moved(member)
        others = @score.markings[member]
        if member == :starts
          others =
            others.reject do |one|
              own.any? do |said|
                said.hand == one.hand && said.bar == one.bar && said.guide == one.guide
              end
            end
        end
        (own + others).uniq
      end

      def moved(member) =
        @page.markings[member].filter_map { |value| move(value) || no_place(:mark, what: member) }

      def move(value)
        return @match.span(value) if value.is_a?(Score::Span)
        if value.respond_to?(:span)
          return(
            value.span ? @match.span(value.span)&.then { |span| value.with(span: span) } : value
          )
        end
        return @match[value.bar]&.then { |bar| value.with(bar: bar) } if value.respond_to?(:bar)

        value
      end

      def no_place(what, **about)
        about = { what: Phrase["studio.other_score.kinds.#{about[:what]}"] } if about.key?(:what)
        @lost |= [Phrase["studio.other_score.no_place_for_#{what}", **about]]
        nil
      end
    end
  end
end
