# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Pieces of the library: bring in, look at.
      class Library
        # Endings of files that are loaded: scores, and maps as exported.
        KINDS = %w[.musicxml .xml .mxl .json].freeze

        # @param context [StudioContext]
        # @param waiting [Waiting] for whom a piece is made
        def initialize(context, waiting = Waiting.new({}))
          @context = context
          @waiting = waiting
        end

        # @return [Array<Hash>] see the contract's PieceCard
        def list = @context.read { |tables| Repositories::Pieces.new(tables).list }.map { |row| card(row) }

        # @param bytes [String] a score file as uploaded
        # @param name [String] its name
        # @param key [String, nil] from the client; sent twice it is one piece
        # @param title [String, nil] where the score has none
        # @param hands [Hash{Symbol => String}] where they are, as a person says it
        # @param sure [Boolean] whether a person has looked over what was assumed
        # @return [Hash] see the contract's Piece
        # @raise [Problem] 422 when it is no readable score, or wants to be looked over; nothing is kept
        def load_score(bytes, name, key: nil, title: nil, hands: {}, sure: false)
          ending = File.extname(name).downcase
          unless KINDS.include?(ending)
            raise Problem.new(422, Phrase["server.piece.library.does_not_end_in_musicxml_xml", name: name],
              code: "unknown_kind", field: "name")
          end
          map = named(ForeignFile.read(bytes, ending, hands), title)
          # A map was looked over when it was made.
          look_over(map, bytes, ending) unless sure || ending == ".json"
          add(map, key: key) { |tables, id| Repositories::Pieces.new(tables).keep_score(id, name, bytes) unless ending == ".json" }
        end

        # @param script [String]
        # @return [Hash] see the contract's Piece
        # @raise [RefusedError] when the script does not give a page
        def type_piece(script, key: nil) = add(Studio::Bench.read(script), key: key, script: script)

        # @return [Hash] {piece:, problems:}; nothing is kept
        def try_script(script)
          result = Formats::PageScript.read(script)
          {piece: result.map && PageJson.new(result.map).to_h, problems: result.problems.map(&:to_h)}
        end

        private

        # What a person is asked about before the score is loaded.
        ASKED = %w[hands right_hand left_hand one_staff no_title].freeze
        private_constant :ASKED

        def named(map, title)
          title = title.to_s.strip
          title.empty? ? map : map.with(title: title, assumed: map.assumed.reject { |one| one.first == "no_title" })
        end

        def look_over(map, bytes, ending)
          codes = map.assumed.map { |what, _| what.split(": ").first }
          return unless (codes & ASKED).any?

          staves = ForeignFile.staves(bytes, ending)
          raise Problem.new(422, Phrase["server.piece.library.look_over"], code: "look_over",
            look_over: {title: (map.title unless codes.include?("no_title")), staves: staves, assumed: map.assumed.map { |what, _| Score::Assumed.said(what) }})
        end

        def add(map, key:, script: nil)
          map = Studio::Bench.shortened(map)
          columns = {title: map.title, book: map.book, key: key}
          document = Score::Document.dump(map)
          figures = Drawn.of(map).columns
          @waiting.check!
          row = @context.write do |tables|
            piece, fresh = Repositories::Pieces.new(tables).add(columns, document, figures, script: script, by: @context.account_id)
            yield tables, piece[:id] if fresh && block_given?
            piece
          end
          Piece.new(@context, row[:id]).show
        end

        def card(row)
          lists = %i[pages sections meters].to_h { |name| [name, row[name].to_a] }
          row.merge(lists).merge(keys: row[:keys].map { |key| Score::Key.parse(key).name })
        end
      end
    end
  end
end
