# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Notes without any marks, as lines of text that one transformation of the whole score gives: most notes of most
      # scores. To look at each as an element, and at the elements in it, is most of what reading a score costs.
      class PlainNotes
        # A line for each note: step, sign, octave, duration, voice, staff, whether it is in a chord, and whether it is tied; "X"
        # where there is more to be seen of it.
        LINES = Nokogiri::XSLT(<<~XSLT)
          <xsl:stylesheet version="1.0" xmlns:xsl="http://www.w3.org/1999/XSL/Transform">
            <xsl:output method="text"/>
            <xsl:template match="/">
              <xsl:for-each select="score-partwise/part/measure | score-timewise/measure/part">
                <xsl:text>M&#10;</xsl:text>
                <xsl:for-each select="note">
                  <xsl:choose>
                    <xsl:when test="notations | lyric | grace | cue | unpitched | @time-only | tie[@time-only]"><xsl:text>X</xsl:text></xsl:when>
                    <xsl:otherwise><xsl:value-of select="normalize-space(concat(pitch/step, '|', pitch/alter, '|', pitch/octave, '|', duration, '|', voice, '|', staff, '|', boolean(chord), '|', boolean(tie[@type = 'stop'])))"/></xsl:otherwise>
                  </xsl:choose>
                  <xsl:text>&#10;</xsl:text>
                </xsl:for-each>
              </xsl:for-each>
            </xsl:template>
          </xsl:stylesheet>
        XSLT
        MEASURES = "score-partwise/part/measure | score-timewise/measure/part"
        # What is written with spaces or lines of its own is looked at as an element too.
        PLAIN = /\A[^ |]*(?:\|[^ |]*){7}\z/
        NONE = [].freeze
        private_constant :LINES, :MEASURES, :PLAIN, :NONE

        # @param document [Nokogiri::XML::Document]
        def initialize(document)
          @lines = {}.compare_by_identity
          @document = document
        end

        # @param measure [Nokogiri::XML::Element] as it stands in the document
        # @return [Array<Array<String>, nil>] the fields of its notes, nil where a note bears marks
        def of(measure)
          read if @lines.empty?
          @lines.fetch(measure, NONE)
        end

        private

        def read
          @document.xpath(MEASURES).zip(LINES.apply_to(@document).split("M\n").drop(1)) do |measure, lines|
            @lines[measure] = lines.split("\n").map { |line| line.split("|", -1) if line.match?(PLAIN) }
          end
        end
      end
    end
  end
end
