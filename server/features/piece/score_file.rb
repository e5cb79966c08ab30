# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A score as a person brings it: read, and looked over where its title or its hands were
      # assumed.
      class ScoreFile
        # Endings of files that are loaded: scores, and maps as exported.
        KINDS = %w[.musicxml .xml .mxl .json].freeze
        # What a person is asked about before the score is loaded.
        ASKED = %w[hands right_hand left_hand one_staff no_title].freeze
        private_constant :ASKED

        # @return [String] bytes, as uploaded
        attr_reader :bytes
        # @return [String]
        attr_reader :name

        # @param bytes [String]
        # @param name [String]
        # @param hands [Hash{Symbol => String}] where they are, as a person says it
        # @param title [String, nil] where the score has none
        # @param sure [Boolean] whether a person has looked over what was assumed
        # @raise [Problem] 422 when it is no score
        def initialize(bytes, name, hands: {}, title: nil, sure: false)
          @bytes = bytes
          @name = name
          @ending = File.extname(name).downcase
          unless KINDS.include?(@ending)
            raise Problem.new(
                    422,
                    Phrase["server.piece.library.does_not_end_in_musicxml_xml", name: name],
                    code: "unknown_kind",
                    field: "name"
                  )
          end

          @hands = hands
          @title = title.to_s.strip
          @sure = sure
        end

        # @return [Boolean] whether it is a score, and no map
        def score? = @ending != ".json"

        # @return [Score::Map]
        # @raise [Problem] 422 when it is no readable score, or wants to be looked over
        def map
          found = named(ForeignFile.read(bytes, @ending, @hands))
          # A map was looked over when it was made.
          look_over(found) unless @sure || !score?
          found
        end

        private

        def named(map) =
          if @title.empty?
            map
          else
            map.with(title: @title, assumed: map.assumed.reject { |one| one.first == "no_title" })
          end

        def look_over(map)
          codes = map.assumed.map { |what, _| what.split(": ").first }
          return unless (codes & ASKED).any?

          staves = ForeignFile.staves(bytes, @ending)
          raise Problem.new(
                  422,
                  Phrase["server.piece.library.look_over"],
                  code: "look_over",
                  look_over: {
                    title: (map.title unless codes.include?("no_title")),
                    staves: staves,
                    assumed: map.assumed.map { |what, _| Score::Assumed.said(what) }
                  }
                )
        end
      end
    end
  end
end
