# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Finds which parts are the hands: one part with two staves, or two parts
      # with one each. Other parts (a voice above) lend only their words.
      class Hands
        # @return [Array<Array<Nokogiri::XML::Element>>] for each hand part its
        #   measures
        attr_reader :parts
        # @return [Hash{String => Array<Nokogiri::XML::Element>}] by name the
        #   measures of parts that are no hand; they lend their words
        attr_reader :others
        # @return [Array<Array<Nokogiri::XML::Element>>] the measures of every part
        attr_reader :all

        # @param parts [Hash{String => Array<Nokogiri::XML::Element>}] measures
        #   by part id
        # @param names [Hash{String => String}]
        def initialize(parts, names)
          ids = choose(parts, names)
          @parts = parts.values_at(*ids)
          @all = parts.values
          @others = (parts.keys - ids).to_h { |id| [(names[id].to_s.empty? ? id : names[id]), parts[id]] }
        end

        # @param part [Integer] which hand part
        # @param staff [Integer] 1 the upper
        # @return [Symbol] :right or :left
        def hand(part, staff)
          return part.zero? ? :right : :left if parts.size == 2

          (staff == 1) ? :right : :left
        end

        private

        def choose(parts, names)
          piano = parts.keys.find { |id| two_staves?(parts[id]) }
          return [piano] if piano

          named = parts.keys.select { |id| names.fetch(id, "").match?(/piano|hand/i) }
          (named.size >= 2) ? named.first(2) : parts.keys.last(2)
        end

        def two_staves?(measures)
          measures.any? { |measure| measure.at_xpath("attributes/staves[. > 1]") || measure.at_xpath("note/staff[. > 1]") }
        end
      end
    end
  end
end
