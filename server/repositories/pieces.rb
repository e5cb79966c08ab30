# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Pieces of the library and the revisions of their maps.
      class Pieces
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Array<Hash>] with :document, the newest map as JSON
        def list
          @tables[:pieces].join(:map_revisions, studio_id: :studio_id, piece_id: :id, revision: :revision).order(Sequel[:pieces][:id])
            .select(Sequel[:pieces][:id], :title, :book, Sequel.cast(:map, :text).as(:document)).all
        end

        # @return [Hash] the row
        # @raise [MissingError]
        def find(id) = @tables[:pieces].first(id: id) || raise(MissingError, Phrase["missing.piece"])

        # @return [Hash] :document (JSON), :script, :by
        # @raise [MissingError]
        def revision(piece_id, number)
          @tables[:map_revisions].where(piece_id: piece_id, revision: number).join(:accounts, id: :made_by)
            .select(Sequel.cast(:map, :text).as(:document), :script, Sequel[:accounts][:name].as(:by)).first || raise(MissingError, Phrase["missing.revision"])
        end

        # @return [Array<Hash>] see {Sittings}
        def sittings(piece_id) = Sittings.of(@tables[:map_revisions].where(piece_id: piece_id))

        # @param columns [Hash] title:, book:
        # @param document [Hash] the map
        # @return [Hash] the new piece's row
        def add(columns, document, by:, script: nil)
          piece = @tables.add(:pieces, **columns)
          add_revision(piece[:id], 1, document, script, by)
          piece
        end

        # Puts a new revision over the one the client saw.
        # @return [Hash, nil] the piece's row; nil when another came in between
        def revise(id, columns, document, script:, seen:, by:)
          changed = @tables.revise(@tables[:pieces].where(id: id), seen: seen, counted: :revision, **columns)
          add_revision(id, seen + 1, document, script, by) if changed
          changed
        end

        # @return [void]
        def keep_score(id, name, bytes) = @tables.add(:score_files, piece_id: id, name: name, content: Sequel.blob(bytes))

        # @return [Boolean]
        def score?(id) = @tables[:score_files].where(piece_id: id).any?

        # @return [String, nil] bytes as loaded
        def score(id) = @tables[:score_files].where(piece_id: id).get(:content)

        private

        def add_revision(id, number, document, script, by)
          @tables.add(:map_revisions, piece_id: id, revision: number, map: Sequel.pg_jsonb(document), script: script, made_by: by)
        end
      end
    end
  end
end
