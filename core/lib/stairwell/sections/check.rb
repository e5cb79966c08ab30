# frozen_string_literal: true

module Stairwell
  module Sections
    # Says what is wrong with sections as a person marked them.
    class Check
      # @param map [Score::Map]
      # @return [Array<Roadmap::Diagnostic>]
      def self.call(map) = new(map).call

      def initialize(map)
        @map = map
        @wording = Roadmap::Wording.new(map)
      end

      def call = past_the_end + overlaps + twice + kin

      private

      def past_the_end
        @map.sections.flat_map do |section|
          section.spans.reject { |span| span.from >= 1 && span.to <= @map.bars.size && span.from <= span.to }.map do |span|
            told(:section_off_page, nil, "Section #{section.label} runs from bar #{span.from} to #{span.to}, but the piece has " \
              "#{@map.bars.size} bars. Correct its bars.", mend: shortened(section, span))
          end
        end
      end

      def overlaps
        @map.sections.combination(2).filter_map do |one, other|
          shared = one.spans.product(other.spans).find { |a, b| a.overlap?(b) }
          next unless shared

          bar = shared.map(&:from).max
          told(:sections_overlap, bar, "Sections #{one.label} and #{other.label} both hold #{@wording.bar(bar)}. " \
            "It is counted to #{one.label}; shorten one of them.", mend: apart(one, other, *shared))
        end
      end

      def twice
        @map.sections.map(&:label).tally.select { |_, count| count > 1 }.map do |label, _|
          told(:label_twice, @map.sections.reverse.find { |one| one.label == label }.spans.first.from,
            "Two sections are called #{label}. Give one of them another name, or make it a second place of the first.")
        end
      end

      def kin
        @map.sections.each_with_index.filter_map do |section, at|
          next unless section.kin && @map.sections.first(at).none? { |earlier| earlier.label == section.kin.of }

          told(:kin_unknown, section.spans.first.from, "Section #{section.label} is said to be like #{section.kin.of}, " \
            "but no section before it has that name. It is taken as new; correct the name.",
            mend: changed("Take it as new", section, kin: nil))
        end
      end

      def changed(words, section, **changes)
        Roadmap::Mend.new(words: words, drop: [[:sections, section]], put: [[:sections, section.with(**changes)]])
      end

      def shortened(section, span)
        return unless span.from.between?(1, @map.bars.size)

        inside = span.with(to: @map.bars.size, to_beat: nil)
        changed("End it with the last bar", section, spans: section.spans.map { |one| (one == span) ? inside : one })
      end

      # The one that begins first ends where the other begins.
      def apart(one, other, span, later)
        one, _, span, later = other, one, later, span if later.from < span.from
        return if later.from == span.from || later.from_beat

        shorter = span.with(to: later.from - 1, to_beat: nil)
        changed("End #{one.label} before #{@wording.bar(later.from)}", one, spans: one.spans.map { |place| (place == span) ? shorter : place })
      end

      def told(code, bar, message, mend: nil) = Roadmap::Diagnostic.new(code: code, bar: bar, message: message, mend: mend)
    end
  end
end
