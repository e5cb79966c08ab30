# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What lies over the studio's script: a teacher's changes, a student's. Every
      # revision is kept.
      class Layers
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param whose [Hash] teacher_id: or student_id:
        # @return [Hash] :revision (0 before there is one), :script, :made_by
        def newest(piece_id, whose) = rows(piece_id, whose).reverse(:revision).first || {revision: 0, script: "", made_by: nil}

        # @return [Hash] as {#newest}
        # @raise [MissingError]
        def revision(piece_id, whose, number) = rows(piece_id, whose).first(revision: number) || raise(MissingError, Phrase["missing.revision"])

        # @return [Array<Hash>] see {Sittings}
        def sittings(piece_id, whose) = Sittings.of(rows(piece_id, whose))

        # @param seen [Integer] the revision it lies over
        # @return [Boolean] false when another came in between
        def add(piece_id, whose, script, seen:, by:)
          @tables.db[:piece_layers].insert_conflict.returning(:id)
            .insert(studio_id: @tables.studio_id, piece_id: piece_id, **whole(whose), revision: seen + 1, script: script, made_by: by).any?
        end

        # Over whatever is there: the caller holds the student.
        # @return [void]
        def put(piece_id, whose, script, by) = add(piece_id, whose, script, seen: newest(piece_id, whose)[:revision], by: by)

        private

        def whole(whose) = {teacher_id: nil, student_id: nil}.merge(whose)

        def rows(piece_id, whose) = @tables[:piece_layers].where(piece_id: piece_id, **whole(whose))
      end

      # Groups revisions by who made them and when.
      module Sittings
        # Changes one person makes without a longer pause than this, in minutes, are
        # shown as one. Own choice.
        PAUSE = 15

        # @param revisions [Sequel::Dataset] with revision, made_by, made_at
        # @return [Array<Hash>] the last revision of each sitting, newest first: :revision,
        #   :before (the sitting before), :by, :made_at
        def self.of(revisions)
          next_by, next_at = %i[made_by made_at].map { |column| Sequel.function(:lead, column).over(order: :revision) }
          rows = revisions.select(:revision, :made_by, :made_at, next_by.as(:next_by), next_at.as(:next_at))
          ended = rows.from_self.where(Sequel.lit("next_by IS DISTINCT FROM made_by OR next_at > made_at + ? * interval '1 minute'", PAUSE))
          found = ended.join(:accounts, id: :made_by).select(:revision, :made_at, Sequel[:accounts][:name].as(:by)).order(:revision).all
          found.each_with_index { |row, at| row[:before] = at.zero? ? nil : found[at - 1][:revision] }.reverse
        end
      end
    end
  end
end
