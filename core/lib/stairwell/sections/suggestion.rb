# frozen_string_literal: true

module Stairwell
  module Sections
    # Suggests sections: the piece cut where a musician hears phrases, with letters. The same music
    # gets the same letter and another place; what nearly comes back gets the letter with a number.
    class Suggestion
      LETTERS = ("A".."Z").to_a.freeze

      # @param map [Score::Map]
      # @param cuts [Cuts] of it
      def initialize(map, cuts = Cuts.of(map))
        @map = map
        @cuts = cuts
      end

      # @return [Array<Score::Section>] with letters, places and variant
      def sections
        @letters = LETTERS.dup
        @numbers = Hash.new(0)
        places = {}
        variants = @cuts.stretches && Variants.new(@cuts.stretches)
        spans
          .zip(bodies)
          .each_with_object([]) do |(span, stretch), found|
            variant = variants&.variant(stretch)
            if variant&.relation == :same && variant.except.empty? && variant.hand.nil?
              at = places.fetch(variant.of)
              found[at] = found[at].with(spans: found[at].spans + [span])
            else
              places[name = label(variant)] = found.size
              found << Score::Section.new(label: name, spans: [span], variant: variant)
              variants&.add(found.last.label, stretch)
            end
          end
      end

      # @return [Array<Score::Span>] that cover the piece
      def spans
        begins = @cuts.bars.map { |bar| place(bar) }
        begins[0] = [1, nil]
        begins.each_with_index.map do |(bar, beat), at|
          Score::Span.new(from: bar, from_beat: beat, **ending(begins[at + 1]))
        end
      end

      private

      def bodies
        [*@cuts.bars, nil].each_cons(2)
          .map do |from, to|
            Stretches::Stretch.new(
              bars: (from...(to || (@map.bars.size + 1))).to_a,
              upbeat: @cuts.upbeat(from),
              cut: to ? @cuts.upbeat(to) : 0r
            )
          end
      end

      # @return [Array(Integer, Rational)] bar and beat at which a section begins; no beat at the
      #   bar line
      def place(bar)
        upbeat = @cuts.upbeat(bar)
        return bar, nil if upbeat.zero? || bar == 1

        before = @map.bar(bar - 1)
        [bar - 1, before.meter.counts(before.length - upbeat) + 1]
      end

      def ending(following)
        return { to: @map.bars.size } unless following

        bar, beat = following
        beat ? { to: bar, to_beat: beat - 1 } : { to: bar - 1 }
      end

      # The next letter; of what nearly comes back, its letter with the next number.
      def label(variant)
        return @letters.shift || "Z#{@numbers["Z"] += 1}" unless variant&.relation == :same

        stem = variant.of[/\A[A-Z]/]
        "#{stem}#{@numbers[stem] += 1}"
      end
    end
  end
end
