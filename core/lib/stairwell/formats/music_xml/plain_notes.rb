# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Notes without any marks, as lines of text that one transformation of the whole score gives: most notes of most
      # scores. To look at each as an element, and at the elements in it, is most of what reading a score costs.
      class PlainNotes
        # A line for each note: step, sign, octave, duration, voice, staff, whether it is in a chord, and tied; "X" where there
        # is more to be seen of it.
        LINES = Nokogiri::XSLT(<<~XSLT)
          <xsl:stylesheet version="1.0" xmlns:xsl="http://www.w3.org/1999/XSL/Transform">
            <xsl:output method="text"/>
            <xsl:template match="/">
              <xsl:for-each select="score-partwise/part/measure | score-timewise/measure/part">
                <xsl:text>M&#10;</xsl:text>
                <xsl:for-each select="note">
                  <xsl:choose>
                    <xsl:when test="notations | lyric | grace | cue"><xsl:text>X</xsl:text></xsl:when>
                    <xsl:otherwise>
                      <xsl:value-of select="normalize-space(pitch/step)"/><xsl:text>&#9;</xsl:text><xsl:value-of select="normalize-space(pitch/alter)"/><xsl:text>&#9;</xsl:text><xsl:value-of select="normalize-space(pitch/octave)"/><xsl:text>&#9;</xsl:text>
                      <xsl:value-of select="normalize-space(duration)"/><xsl:text>&#9;</xsl:text><xsl:value-of select="normalize-space(voice)"/><xsl:text>&#9;</xsl:text><xsl:value-of select="normalize-space(staff)"/><xsl:text>&#9;</xsl:text>
                      <xsl:if test="chord">c</xsl:if><xsl:text>&#9;</xsl:text><xsl:if test="tie[@type='stop']">t</xsl:if>
                    </xsl:otherwise>
                  </xsl:choose>
                  <xsl:text>&#10;</xsl:text>
                </xsl:for-each>
              </xsl:for-each>
            </xsl:template>
          </xsl:stylesheet>
        XSLT
        MEASURES = "score-partwise/part/measure | score-timewise/measure/part"
        MARKED = "X"
        NONE = [].freeze
        private_constant :LINES, :MEASURES, :MARKED, :NONE

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
            @lines[measure] = lines.split("\n").map { |line| (line == MARKED) ? nil : line.split("\t", -1) }
          end
        end
      end
    end
  end
end
