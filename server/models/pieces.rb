# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # Pieces of the library and the revisions of their maps.
      class Pieces
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>]
        def list = @desk[:pieces].order(:id).all

        # @return [Hash] the row
        # @raise [Problem] 404
        def find(id) = @desk[:pieces].first(id: id) || raise(Problem.not_found("piece"))

        # @return [Score::Map] as of a revision
        def map(piece_id, revision)
          row = @desk[:map_revisions].first(piece_id: piece_id, revision: revision) || raise(Problem.not_found("revision"))
          Score::Document.load(row[:map].to_hash)
        end

        # @return [Hash{Integer => Score::Map}] the newest maps by piece id
        def newest_maps
          @desk[:map_revisions].join(:pieces, studio_id: :studio_id, id: :piece_id, revision: Sequel[:map_revisions][:revision])
            .select_map([Sequel[:map_revisions][:piece_id], :map]).to_h { |id, map| [id, Score::Document.load(map.to_hash)] }
        end

        # @return [Hash] the new piece's row
        def add(map)
          piece = @desk.add(:pieces, title: map.title, book: map.book)
          revision(piece[:id], 1, map)
          piece
        end

        # Puts a new revision over the one the client saw.
        # @return [Hash] the piece's row
        # @raise [Problem] 409 when another revision came in between
        def revise(id, map, seen:)
          changed = @desk[:pieces].where(id: id, revision: seen)
            .returning.update(revision: seen + 1, title: map.title, book: map.book).first
          raise stale(id, map) unless changed

          revision(id, seen + 1, map)
          changed
        end

        # @return [void]
        def keep_score(id, name, bytes)
          @desk.add(:score_files, piece_id: id, name: name, content: Sequel.blob(bytes))
        end

        # @return [Boolean]
        def score?(id) = @desk[:score_files].where(piece_id: id).any?

        private

        def revision(id, number, map)
          @desk.add(:map_revisions, piece_id: id, revision: number, map: Sequel.pg_jsonb(Score::Document.dump(map)), made_by: @desk.account_id)
        end

        def stale(id, map)
          kept = find(id)
          Problem.stale("“#{kept[:title]}”",
            kept: {revision: kept[:revision], script: Formats::PageScript.write(self.map(id, kept[:revision]))},
            sent: {script: Formats::PageScript.write(map)})
        end
      end
    end
  end
end
