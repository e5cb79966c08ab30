# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Lists what a score holds and Stairwell does not use, so that nothing is
      # dropped without a word.
      class Unread
        # Elements by name, and what a teacher calls them.
        NAMES = {
          "rehearsal" => "rehearsal marks",
          "harmony" => "chord symbols",
          "figured-bass" => "figured bass",
          "unpitched" => "unpitched notes",
          "cue" => "cue notes",
          "glissando" => "slides",
          "slide" => "slides",
          "tremolo" => "tremolos",
          "tuplet" => nil,
          "dashes" => nil,
          "string-mute" => "mutes",
          "scordatura" => "tunings",
          "image" => "pictures",
          "measure-repeat" => "bars written as “repeat the bar before”"
        }.compact.freeze
        EVERY = [*NAMES.keys.map { |name| ".//#{name}" }, ".//words", ".//*[@time-only]"].join(
          " | "
        ).freeze

        def initialize
          @bars = Hash.new { |all, what| all[what] = [] }
        end

        # @param measure [Nokogiri::XML::Element]
        # @param index [Integer]
        # @return [void]
        def look(measure, index)
          measure
            .xpath(EVERY)
            .each do |node|
              next if tempo?(node)
              next add("what holds on one pass only", index) if node.key?("time-only")
              next add(NAMES.fetch(node.name), index) unless node.name == "words"

              add("the words “#{node.text.strip[0, 60]}”", index) unless used?(node.text)
            end
        end

        # @param what [String]
        # @param index [Integer, nil] bar, nil for the whole piece
        def add(what, index = nil)
          @bars[what] << index if index && @bars[what].last != index
          @bars[what]
        end

        # Tempo marks and the words beside them are used.
        def tempo?(node) =
          node.name == "words" &&
            (
              Score::TempoWords.known?(node.text) || node.text.match?(Tempos::PRIMO) ||
                !node
                  .ancestors("direction")
                  .first
                  &.at_xpath("direction-type/metronome | sound[@tempo]")
                  .nil?
            )

        def used?(words)
          words.strip.empty? || PhraseBook.used?(words) || Marks.words?(words) ||
            Crossing.named(words)
        end
        private :tempo?, :used?

        # @return [Array<Array(String, Array<Integer>)>]
        def to_a = @bars.sort.map { |what, bars| [what, bars.uniq] }
      end
    end
  end
end
