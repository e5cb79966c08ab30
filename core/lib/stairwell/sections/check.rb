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
              "#{@map.bars.size} bars. Correct its bars.")
          end
        end
      end

      def overlaps
        @map.sections.combination(2).filter_map do |one, other|
          shared = one.spans.product(other.spans).find { |a, b| a.overlap?(b) }
          next unless shared

          bar = shared.map(&:from).max
          told(:sections_overlap, bar, "Sections #{one.label} and #{other.label} both hold #{@wording.bar(bar)}. " \
            "It is counted to #{one.label}; shorten one of them.")
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
            "but no section before it has that name. It is taken as new; correct the name.")
        end
      end

      def told(code, bar, message) = Roadmap::Diagnostic.new(code: code, bar: bar, message: message)
    end
  end
end
