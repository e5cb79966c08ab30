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

        # @return [Array<Hash>] as they stand on the shelf, with their figures
        def list
          columns = Studio::Figures.members.map { |name| Sequel[:piece_figures][name] }
          @tables[:pieces]
            .join(:piece_figures, studio_id: :studio_id, piece_id: :id)
            .order(
              Sequel.lit("book IS NULL"),
              :book,
              Sequel.lit("pages[1] NULLS FIRST"),
              :title,
              Sequel[:pieces][:id]
            )
            .select(
              Sequel[:pieces][:id],
              :title,
              :book,
              Sequel.lit("deleted_at IS NOT NULL").as(:deleted),
              *columns
            )
            .all
        end

        # @return [Array<Hash>] all with their newest revision
        def newest =
          @tables[:pieces]
            .select(
              :id,
              :title,
              :book,
              :revision,
              Sequel.lit("deleted_at IS NOT NULL").as(:deleted)
            )
            .order(:id)
            .all

        # @param live [Boolean] only where it is not deleted
        # @return [Hash] the row
        # @raise [MissingError]
        def find(id, live: false)
          row = @tables[:pieces].first(id: id)
          (row unless live && row&.fetch(:deleted_at)) ||
            raise(MissingError, Phrase["missing.piece"])
        end

        # @param by [Integer, nil] who deletes it; nil takes it back
        # @return [void]
        # @raise [MissingError]
        def delete(id, by:)
          changed =
            @tables[:pieces].where(id: id).update(
              deleted_at: by && Sequel.function(:coalesce, :deleted_at, Sequel::CURRENT_TIMESTAMP),
              deleted_by: by
            )
          raise MissingError, Phrase["missing.piece"] if changed.zero?
        end

        # @return [Hash] :document (JSON), :script, :by
        # @raise [MissingError]
        def revision(piece_id, number)
          @tables[:map_revisions]
            .where(piece_id: piece_id, revision: number)
            .join(:accounts, id: :made_by)
            .select(
              Sequel.cast(:map, :text).as(:document),
              :script,
              Sequel[:accounts][:name].as(:by)
            )
            .first || raise(MissingError, Phrase["missing.revision"])
        end

        # @return [Array<Hash>] see {Sittings}
        def sittings(piece_id) = Sittings.of(@tables[:map_revisions].where(piece_id: piece_id))

        # @param columns [Hash] title:, book:
        # @param document [Hash] the map
        # @param figures [Hash] columns of {PieceFigures}
        # @return [Array(Hash, Boolean)] the piece's row, and whether it is new: the same key
        #   twice is one piece
        def add(columns, document, figures, by:, script: nil)
          piece =
            @tables.db[:pieces]
              .insert_conflict(target: %i[studio_id key])
              .returning
              .insert(studio_id: @tables.studio_id, **columns)
              .first
          return @tables[:pieces].first(key: columns[:key]), false unless piece

          add_revision(piece[:id], 1, document, figures, script, by)
          [piece, true]
        end

        # Puts a new revision over the one the client saw.
        # @return [Hash, nil] the piece's row; nil when another came in between
        def revise(id, columns, document, figures, script:, seen:, by:)
          changed =
            @tables.revise(
              @tables[:pieces].where(id: id),
              seen: seen,
              counted: :revision,
              **columns
            )
          add_revision(id, seen + 1, document, figures, script, by) if changed
          changed
        end

        # @param revision [Integer] whose notes are those of the score
        # @return [void]
        def keep_score(id, name, bytes, revision: 1) =
          @tables.add(
            :score_files,
            piece_id: id,
            name: name,
            content: Sequel.blob(bytes),
            revision: revision
          )

        # Goes on as another piece, with its classes and drills; what ended stays history of that
        # one.
        # @return [void]
        def merge(id, into, revision, by:)
          @tables[:pieces].where(id: id).update(
            deleted_at: Sequel.function(:coalesce, :deleted_at, Sequel::CURRENT_TIMESTAMP),
            deleted_by: by
          )
          @tables[:units].where(Sequel.lit("? = ANY(piece_ids)", id)).update(
            piece_ids:
              Sequel.function(
                :array_replace,
                :piece_ids,
                Sequel.cast(id, :bigint),
                Sequel.cast(into, :bigint)
              )
          )
          @tables[:drill_results].where(piece_id: id).update(piece_id: into)
          having = @tables[:assignments].where(piece_id: into).select(:student_id)
          @tables[:assignments]
            .where(piece_id: id)
            .exclude(ended: nil)
            .exclude(student_id: having)
            .update(piece_id: into, revision: revision)
        end

        # @return [Boolean]
        def score?(id) = @tables[:score_files].where(piece_id: id).any?

        # @return [String, nil] bytes as loaded, of the newest
        def score(id) = @tables[:score_files].where(piece_id: id).reverse(:revision).get(:content)

        private

        def add_revision(id, number, document, figures, script, by)
          @tables.add(
            :map_revisions,
            piece_id: id,
            revision: number,
            map: Sequel.pg_jsonb(document),
            script: script,
            made_by: by
          )
          PieceFigures.new(@tables).keep(id, number, figures)
        end
      end
    end
  end
end
