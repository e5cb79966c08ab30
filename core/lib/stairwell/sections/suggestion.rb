# frozen_string_literal: true

module Stairwell
  module Sections
    # Suggests sections by the least cost: four bars are best, two to eight are
    # allowed, and a break is cheap where the page breaks anyway or where an
    # earlier bar begins to come back. All costs are our own choice.
    class Suggestion
      LETTERS = ("A".."Z").to_a.freeze

      # @param map [Score::Map]
      def initialize(map)
        @map = map
        @likeness = Likeness.new(map) if map.notes?
        @similar_sections = SimilarSections.new(map, @likeness) if map.notes?
        @pickup = map.pickup? ? 1 : 0
      end

      # @return [Array<Score::Section>] with letters, places and variant
      def sections = name(spans)

      # @return [Array<Score::Span>] that cover the piece, of least cost
      def spans
        last = @map.bars.size
        best = {@pickup => [0r, nil]}
        ((@pickup + 1)..last).each do |to|
          found = Constants::SECTION_BARS.filter_map { |size| option(best, to - size, to) }.min_by(&:first)
          best[to] = found if found
        end
        # One bar is fewer than any allowed length.
        return [Score::Span.new(from: 1, to: last)] unless best[last]

        trace(best, last)
      end

      private

      def option(best, from, to)
        return unless best[from]

        [best[from].first + Constants::LENGTH_COST * (to - from - 4)**2 + price(from + 1), from]
      end

      def trace(best, to)
        found = []
        while to > @pickup
          from = best[to].last
          found.unshift(Score::Span.new(from: (from == @pickup) ? 1 : from + 1, to: to))
          to = from
        end
        found
      end

      # What it costs to begin a section at a bar.
      def price(bar)
        return 0r if bar <= @pickup + 1

        Constants::BREAK_COST - Constants::CHEAPER_BREAK.select { |place, _| public_send(:"#{place}?", bar) }.values.sum
      end

      public

      # The places where a page breaks anyway; `bar` is the first after it.
      def repeat?(bar)
        @map.repeats.any? { |one| one.from == bar || one.to == bar - 1 } || [@map.coda, @map.segno].any? { |all| all.include?(bar) }
      end

      def ending?(bar) = @map.endings.any? { |one| one.from == bar || one.to == bar - 1 }

      def change?(bar) = @map.keys.any? { |key| key.bar == bar } || @map.bar(bar).meter != @map.bar(bar - 1).meter

      def line?(bar) = lines.include?(bar)

      # Two or more bars that came earlier begin to come back here.
      def returns?(bar) = ((back(bar) & back(bar + 1)) - back(bar - 1)).any?

      # Two or more bars that came back have ended here.
      def differs?(bar) = ((back(bar - 1) & back(bar - 2)) - back(bar)).any?

      # Nothing sounds at the end of the bar before, or one long note does.
      def rest?(bar)
        return false unless @likeness

        notes = @map.notes.dig(bar - 1, :right).to_a
        ends = notes.map { |note| note.onset + note.length }.max
        ends.nil? || ends < @map.bar(bar - 1).length || notes.last.length * 2 >= @map.bar(bar - 1).length
      end

      private

      # @return [Set<Integer>] bars that begin a line, where the lines are known
      def lines
        @lines ||= @map.layout.then { |layout| layout.assumed? ? [] : layout.lines.map { |_, _, bars| bars.first.index } }.to_set
      end

      # @return [Array<Integer>] how many bars before the same bar stands
      def back(bar)
        return [] unless @likeness && bar.between?(1, @map.bars.size)

        @back ||= {}
        @back[bar] ||= @likeness.twins(bar).map { |earlier| bar - earlier }
      end

      # The same music gets the same letter and another place; what nearly comes
      # back gets the letter with a number.
      def name(spans)
        letters = LETTERS.dup
        spans.each_with_object([]) do |span, found|
          variant = @similar_sections&.variant(span)
          if variant&.relation == :same && variant.except.empty?
            at = found.index { |section| section.label == variant.of }
            found[at] = found[at].with(spans: found[at].spans + [span])
          else
            found << Score::Section.new(label: label(variant, found, letters), spans: [span], variant: variant)
            @similar_sections&.add(found.last)
          end
        end
      end

      def label(variant, found, letters)
        return letters.shift || "Z#{found.size}" unless variant&.relation == :same

        stem = variant.of[/\A[A-Z]/]
        "#{stem}#{(1..).find { |number| found.none? { |section| section.label == "#{stem}#{number}" } }}"
      end
    end
  end
end
