# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Pieces of the library: bring in, look at.
      class Library
        # @param context [StudioContext]
        # @param waiting [Waiting] for whom a piece is made
        def initialize(context, waiting = Waiting.new({}))
          @context = context
          @waiting = waiting
        end

        # @return [Array<Hash>] see the contract's PieceCard
        def list =
          @context.read { |tables| Repositories::Pieces.new(tables).list }.map { |row| card(row) }

        # @param file [ScoreFile]
        # @param key [String, nil] from the client; sent twice it is one piece
        # @return [Hash] see the contract's Piece
        # @raise [Problem] 422 when it is no readable score, or wants to be looked over; nothing is
        #   kept
        def load_score(file, key: nil) =
          add(file.map, key: key) do |tables, id|
            Repositories::Pieces.new(tables).keep_score(id, file.name, file.bytes) if file.score?
          end

        # @param script [String]
        # @return [Hash] see the contract's Piece
        # @raise [RefusedError] when the script does not give a page
        def type_piece(script, key: nil) = add(Studio::Bench.read(script), key: key, script: script)

        # @return [Hash] {piece:, problems:}; nothing is kept
        def try_script(script)
          result = Formats::PageScript.read(script)
          {
            piece: result.map && PageJson.new(result.map).to_h,
            problems: result.problems.map(&:to_h)
          }
        end

        private

        def add(map, key:, script: nil)
          map = Studio::Bench.shortened(map)
          columns = { title: map.title, book: map.book, key: key }
          document = Score::Document.dump(map)
          figures = Drawn.of(map).columns
          @waiting.check!
          row =
            @context.write do |tables|
              piece, fresh =
                Repositories::Pieces.new(tables).add(
                  columns,
                  document,
                  figures,
                  script: script,
                  by: @context.account_id
                )
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
