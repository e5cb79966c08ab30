# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # Notes without any marks, as lines of text that one transformation of the whole score gives:
      # most notes of most scores. To look at each as an element, and at the elements in it, is most
      # of what reading a score costs.
      class PlainNotes
        # A line for each note: what it says of itself in the order it stands there, each behind its
        # letter; "X" where there is more to be seen of it.
        LINES = Nokogiri.XSLT(<<~XSLT)
          <xsl:stylesheet version="1.0" xmlns:xsl="http://www.w3.org/1999/XSL/Transform">
            <xsl:output method="text"/>
            <xsl:template match="/"><xsl:apply-templates select="score-partwise/part/measure | score-timewise/measure/part"/></xsl:template>
            <xsl:template match="measure | part">
              <xsl:text>M&#10;</xsl:text>
              <xsl:apply-templates select="note"/>
            </xsl:template>
            <xsl:template match="note">
              <xsl:apply-templates select="@time-only | *"/>
              <xsl:text>&#10;</xsl:text>
            </xsl:template>
            <xsl:template match="chord">c|</xsl:template>
            <xsl:template match="pitch">p<xsl:value-of select="step"/>,<xsl:value-of select="alter"/>,<xsl:value-of select="octave"/>|</xsl:template>
            <xsl:template match="duration">d<xsl:value-of select="."/>|</xsl:template>
            <xsl:template match="tie">t<xsl:value-of select="@type"/>|</xsl:template>
            <xsl:template match="tie[@time-only] | @time-only | notations | lyric | grace | cue | unpitched">X</xsl:template>
            <xsl:template match="voice">v<xsl:value-of select="."/>|</xsl:template>
            <xsl:template match="staff">s<xsl:value-of select="."/>|</xsl:template>
            <xsl:template match="*"/>
          </xsl:stylesheet>
        XSLT
        MEASURES = "score-partwise/part/measure | score-timewise/measure/part"
        # The fields of a note as the specification orders them. What is written otherwise, or with
        # spaces or lines of its own, is looked at as an element too.
        PLAIN =
          /\A(c\|)?(?:p([A-G]),(-?[\d.]*),(\d)\|)?d([\d.]+)\|((?:t[a-z-]+\|)*)(?:v([^\s|]+)\|)?(?:s(\d+)\|)?\z/
        # A note without marks: as written, but for the two that are true or false.
        Plain = Struct.new(:step, :alter, :octave, :duration, :voice, :staff, :chord, :tied)
        NONE = [].freeze
        private_constant :LINES, :MEASURES, :PLAIN, :NONE

        # @param document [Nokogiri::XML::Document]
        def initialize(document)
          @lines = {}.compare_by_identity
          @document = document
        end

        # @param measure [Nokogiri::XML::Element] as it stands in the document
        # @return [Array<Plain, nil>] its notes, nil where one bears marks
        def of(measure)
          read if @lines.empty?
          @lines.fetch(measure, NONE)
        end

        private

        def read
          # Few are written in their own way alone: each is read once.
          known = Hash.new { |all, line| all[line] = plain(line) }
          @document
            .xpath(MEASURES)
            .zip(LINES.apply_to(@document).split("M\n").drop(1)) do |measure, lines|
              @lines[measure] = lines.split("\n").map { |line| known[line] }
            end
        end

        def plain(line)
          return unless (found = PLAIN.match(line))

          chord, step, alter, octave, duration, ties, voice, staff = found.captures
          Plain.new(
            step,
            alter,
            octave,
            duration,
            voice.to_s,
            [staff.to_i, 1].max,
            !chord.nil?,
            ties.include?("tstop|")
          ).freeze
        end
      end
    end
  end
end
