# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Lists what a score holds and Stairwell does not use, so that nothing is
      # dropped without a word.
      class Unread
        # Elements by name, and what a teacher calls them.
        NAMES = {
          "dynamics" => "loud and soft", "wedge" => "crescendo and diminuendo", "pedal" => "pedal marks",
          "octave-shift" => "octave lines", "rehearsal" => "rehearsal marks",
          "words" => "words in the score", "slur" => "slurs", "articulations" => "articulations", "fermata" => "fermatas",
          "ornaments" => "ornaments", "technical" => "fingerings and other technical marks", "lyric" => "words to sing",
          "grace" => "grace notes", "harmony" => "chord symbols", "transpose" => "transposition", "unpitched" => "unpitched notes",
          "cue" => "cue notes", "arpeggiate" => "broken chords"
        }.freeze
        # Words that name the tempo are used; others are not.
        WORDS = ".//words[not(ancestor::direction//metronome or ancestor::direction//sound[@tempo])]"
        EVERY = (NAMES.keys - ["words"]).map { |name| ".//#{name}" }.push(WORDS).join(" | ").freeze

        def initialize
          @bars = Hash.new { |all, what| all[what] = [] }
        end

        # @param measure [Nokogiri::XML::Element]
        # @param index [Integer]
        def note(measure, index)
          measure.xpath(EVERY).each do |node|
            add(NAMES.fetch(node.name), index) unless node.name == "words" && Jumps.words?(node.text)
          end
        end

        # @param what [String]
        # @param index [Integer, nil] bar, nil for the whole piece
        def add(what, index = nil)
          @bars[what] << index if index && @bars[what].last != index
          @bars[what]
        end

        # @return [Array<Array(String, Array<Integer>)>]
        def to_a = @bars.sort.map { |what, bars| [what, bars.uniq] }
      end
    end
  end
end
