# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # What stands at a note besides its pitch and length: its finger, its
      # touch, and what concerns the place rather than the note.
      class NoteMarks
        # Events that stand behind the note.
        BEHIND = %i[slur_end breath].freeze

        # @return [Integer, nil] 1 the thumb
        attr_reader :finger
        # @return [Array<String>] articulations by their MusicXML names with
        #   blanks for hyphens; "slurred" under a slur; "broken" for a chord
        #   that is rolled
        attr_reader :articulation
        # @return [Array<Array(Symbol, Object)>] :fermata, :ornament, :lyric with the number of its
        #   verse, :inside_word for a syllable that goes on with one; and {BEHIND} the note
        attr_reader :events

        # @param parts [Hash{String => Array<Nokogiri::XML::Element>}] the
        #   note's children by name
        # @param slurs [Set] open slurs of the part by staff and number, changed
        # @param staff [Integer]
        def initialize(parts, slurs, staff)
          @articulation = []
          @events =
            parts["lyric"].to_a.map { |lyric| [:lyric, [lyric["number"].to_s[/\d+/].to_i, 1].max] }
          if parts["lyric"].to_a.any? { |lyric|
               %w[middle end].include?(lyric.at_xpath("syllabic")&.text)
             }
            @events << [:inside_word, nil]
          end
          @slurs = slurs
          @staff = staff
          under = slurs.any? { |on, _| on == staff }
          parts["notations"].to_a.each do |notations|
            notations.element_children.each { |one| read(one) }
          end
          @articulation << "slurred" if (under || @starts) && !parts.key?("rest")
          @articulation.sort!
        end

        private

        def read(one)
          case one.name
          when "slur"
            slur(one)
          when "articulations"
            articulations(one.element_children.map(&:name))
          when "arpeggiate"
            @articulation << "broken"
          when "fermata"
            @events << [:fermata, nil]
          when "ornaments"
            @events << [:ornament, nil] if one.element_children.any?
          when "technical"
            @finger ||= one.at_xpath("fingering")&.text.to_s[/[1-5]/]&.to_i
          end
        end

        def articulations(names)
          @events << [:breath, nil] if (names & %w[breath-mark caesura]).any?
          @articulation.concat(names.map { |name| name.tr("-", " ") })
        end

        def slur(one)
          @events << [:slur_end, nil] if one["type"] == "stop"
          slur = [@staff, one["number"] || "1"]
          if one["type"] == "stop"
            return @slurs.delete(slur) || @slurs.delete_if { |_, number| number == slur.last }
          end

          @starts = true
          @slurs << slur if one["type"] == "start"
        end

        # Of a note that bears none.
        NONE = new({}, Set.new, 1).freeze
      end
    end
  end
end
