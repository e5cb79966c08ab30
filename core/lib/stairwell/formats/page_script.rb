# frozen_string_literal: true

require "did_you_mean"
require_relative "page_script/text"
require_relative "page_script/stumble"
require_relative "page_script/scan"
require_relative "page_script/places"
require_relative "page_script/values"
require_relative "page_script/markings"
require_relative "page_script/keywords"
require_relative "page_script/reader"
require_relative "page_script/writer"
require_relative "page_script/edit"
require_relative "page_script/layer"
require_relative "page_script/clicks"

module Stairwell
  module Formats
    # The page script: what is printed, typed one statement a line.
    module PageScript
      # @param text [String]
      # @return [Array<String>] its lines, without what no text can hold
      def self.lines(text) = text.to_s.scrub("?").delete("\u0000").lines(chomp: true)

      # @param text [String]
      # @return [Result] never raises for what a person can type
      def self.read(text) = Reader.new(text).result

      # @param text [String]
      # @return [Score::Map]
      # @raise [UnreadableError] on the first line that was not understood
      def self.read!(text)
        result = read(text)
        problem = result.problems.first
        raise UnreadableError.new(problem.to_s, code: :script) if problem

        result.map
      end

      # @param map [Score::Map]
      # @return [String] a script that reads back as the same map, its notes
      #   and what only a score can say apart
      def self.write(map) = Writer.new(map).to_s

      # What was said anew and what no longer between two states of a piece.
      #
      # @param from [Score::Map]
      # @param to [Score::Map]
      # @return [Hash{Symbol => Array<String>}] statements to :drop and to :put
      def self.difference(from, to)
        before, after = [from, to].map { |map| write(map).lines(chomp: true) - map.remarks }
        { drop: before - after, put: after - before }
      end

      # @param map [Score::Map]
      # @param mend [Roadmap::Mend]
      # @return [Hash{Symbol => Array<String>}] statements to :drop and to :put
      def self.mend(map, mend)
        writer = Writer.new(map)
        %i[drop put].to_h do |verb|
          [verb, mend[verb].map { |member, value| writer.statement(member, value) }]
        end
      end

      # Puts one person's changes on top of another's, who began from the same.
      #
      # @param base [String] the script both began from
      # @param mine [String]
      # @param theirs [String]
      # @return [String] theirs with what mine changed; where both changed the
      #   same, mine stands
      def self.merge(base:, mine:, theirs:)
        before, after = [base, mine].map { |text| read(text).map }
        return theirs unless before && after

        Edit.new(theirs).call(**difference(before, after), lenient: true)
      end

      # What a teacher says about a section behind its bars.
      #
      # @param map [Score::Map]
      # @param section [Score::Section]
      # @return [String] such as "like A except 8"; empty when nothing is said
      def self.words(map, section) = Writer.new(map).words(section)
    end
  end
end
