# frozen_string_literal: true

module Demo
  # A singer above the piano, who sings the tune of the right hand.
  class Voice
    DIVISIONS = 8

    # @param map [Stairwell::Score::Map]
    # @param words [String] syllables with blanks and hyphens between
    def initialize(map, words)
      @map = map
      @syllables =
        words.split.flat_map do |word|
          word
            .split("-")
            .then do |parts|
              parts.each_with_index.map { |part, at| [part, syllabic(at, parts.size)] }
            end
        end
    end

    # @param text [String] MusicXML of the piano
    # @return [String] the same with the singer above
    def above(text)
      document = Nokogiri.XML(text) { |config| config.nonet.noent }
      list = document.at_xpath("//part-list")
      list.prepend_child("<score-part id=\"V1\"><part-name>Singer</part-name></score-part>")
      document.at_xpath("//part").add_previous_sibling(
        "<part id=\"V1\">#{@map.bars.map { |bar| measure(bar) }.join}</part>"
      )
      document.to_xml
    end

    private

    def syllabic(at, count)
      return "single" if count == 1

      { 0 => "begin", count - 1 => "end" }.fetch(at, "middle")
    end

    def measure(bar)
      attributes =
        "<attributes><divisions>#{DIVISIONS}</divisions><time><beats>#{bar.meter.beats}</beats><beat-type>#{bar.meter.unit}</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>"
      notes = @map.notes.dig(bar.index, :right).to_a
      "<measure number=\"#{bar.number}\">#{attributes if bar.index == 1}#{notes.map { |note| sung(note) }.join}</measure>"
    end

    def sung(note)
      text, syllabic = @syllables.shift
      alter = note.pitch.alter.zero? ? "" : "<alter>#{note.pitch.alter}</alter>"
      lyric =
        (
          if text
            "<lyric number=\"1\"><syllabic>#{syllabic}</syllabic><text>#{text}</text></lyric>"
          else
            ""
          end
        )
      "<note><pitch><step>#{note.pitch.step}</step>#{alter}<octave>#{note.pitch.octave}</octave></pitch><duration>#{(note.length * 4 * DIVISIONS).to_i}</duration>#{lyric}</note>"
    end
  end
end
