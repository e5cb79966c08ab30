# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # Pieces of the library and the revisions of their maps.
      class Pieces
        # Changes one person makes without a longer pause than this, in minutes,
        # are shown as one. Own choice.
        SITTING = 15

        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>]
        def list = @desk[:pieces].order(:id).all

        # @return [Hash] the row
        # @raise [Problem] 404
        def find(id) = @desk[:pieces].first(id: id) || raise(Problem.not_found("piece"))

        # @return [Score::Map] as of a revision
        def map(piece_id, revision) = Score::Document.load(row(piece_id, revision)[:map].to_hash)

        # @return [String] the script as typed, or as it would be written
        def script(piece_id, revision)
          row = row(piece_id, revision)
          row[:script] || Formats::PageScript.write(Score::Document.load(row[:map].to_hash))
        end

        # @return [Score::Map, nil] the first map that has notes: those of the
        #   score as it was loaded
        def scored(piece_id)
          row = @desk[:map_revisions].where(piece_id: piece_id).where(Sequel.lit("map -> 'notes' <> '{}'")).order(:revision).get(:map)
          row && Score::Document.load(row.to_hash)
        end

        # @return [Hash{Integer => Score::Map}] the newest maps by piece id
        def newest_maps
          @desk[:map_revisions].join(:pieces, studio_id: :studio_id, id: :piece_id, revision: Sequel[:map_revisions][:revision])
            .select_map([Sequel[:map_revisions][:piece_id], :map]).to_h { |id, map| [id, Score::Document.load(map.to_hash)] }
        end

        # The last revision of each sitting of one person, newest first.
        # @return [Array<Hash>] :revision, :before (the sitting before), :by, :made_at
        def sittings(piece_id) = Sittings.of(@desk, @desk[:map_revisions].where(piece_id: piece_id))

        # @return [Hash] the new piece's row
        def add(map, script: nil)
          piece = @desk.add(:pieces, title: map.title, book: map.book)
          revision(piece[:id], 1, map, script)
          piece
        end

        # Puts a new revision over the one the client saw.
        # @return [Hash] the piece's row
        # @raise [Problem] 409 when another revision came in between
        def revise(id, map, script:, seen:)
          changed = @desk[:pieces].where(id: id, revision: seen)
            .returning.update(revision: seen + 1, title: map.title, book: map.book).first
          raise stale(id, script, seen) unless changed

          revision(id, seen + 1, map, script)
          changed
        end

        # @return [void]
        def keep_score(id, name, bytes)
          @desk.add(:score_files, piece_id: id, name: name, content: Sequel.blob(bytes))
        end

        # @return [Boolean]
        def score?(id) = @desk[:score_files].where(piece_id: id).any?

        # @return [String, nil] bytes as loaded
        def score(id) = @desk[:score_files].where(piece_id: id).get(:content)

        private

        def row(piece_id, revision)
          @desk[:map_revisions].first(piece_id: piece_id, revision: revision) || raise(Problem.not_found("revision"))
        end

        def revision(id, number, map, script)
          @desk.add(:map_revisions, piece_id: id, revision: number, map: Sequel.pg_jsonb(Score::Document.dump(map)), script: script, made_by: @desk.account_id)
        end

        def stale(id, mine, seen)
          kept = find(id)
          theirs = script(id, kept[:revision])
          by = @desk[:map_revisions].where(piece_id: id, revision: kept[:revision]).join(:accounts, id: :made_by).get(:name)
          Problem.stale("“#{kept[:title]}”",
            kept: {revision: kept[:revision], script: theirs, by: by, merged: Formats::PageScript.merge(base: script(id, seen), mine: mine, theirs: theirs)},
            sent: {script: mine})
        end
      end

      # Groups revisions by who made them and when.
      module Sittings
        # @param desk [Desk]
        # @param revisions [Sequel::Dataset] with revision, made_by, made_at
        # @return [Array<Hash>]
        def self.of(desk, revisions)
          next_by, next_at = %i[made_by made_at].map { |column| Sequel.function(:lead, column).over(order: :revision) }
          rows = revisions.select(:revision, :made_by, :made_at, next_by.as(:next_by), next_at.as(:next_at))
          ended = rows.from_self.where(
            Sequel.lit("next_by IS DISTINCT FROM made_by OR next_at > made_at + ? * interval '1 minute'", Pieces::SITTING)
          )
          found = ended.join(:accounts, id: :made_by).select(:revision, :made_at, Sequel[:accounts][:name].as(:by)).order(:revision).all
          found.each_with_index { |row, at| row[:before] = at.zero? ? nil : found[at - 1][:revision] }.reverse
        end
      end
    end
  end
end
