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
        def newest(piece_id, whose) =
          rows(piece_id, whose).reverse(:revision).first ||
            { revision: 0, script: "", made_by: nil }

        # @return [Hash] as {#newest}
        # @raise [MissingError]
        def revision(piece_id, whose, number) =
          rows(piece_id, whose).first(revision: number) ||
            raise(MissingError, Phrase["missing.revision"])

        # @return [Array<Hash>] see {Sittings}
        def sittings(piece_id, whose) = Sittings.of(rows(piece_id, whose))

        # @param seen [Integer] the revision it lies over
        # @return [Boolean] false when another came in between
        def add(piece_id, whose, script, seen:, by:)
          @tables.db[:piece_layers]
            .insert_conflict
            .returning(:id)
            .insert(
              studio_id: @tables.studio_id,
              piece_id: piece_id,
              **whole(whose),
              revision: seen + 1,
              script: script,
              made_by: by
            )
            .any?
        end

        # Over whatever is there: the caller holds the student.
        # @return [void]
        def put(piece_id, whose, script, by) =
          add(piece_id, whose, script, seen: newest(piece_id, whose)[:revision], by: by)

        private

        def whole(whose) = { teacher_id: nil, student_id: nil }.merge(whose)

        def rows(piece_id, whose) = @tables[:piece_layers].where(piece_id: piece_id, **whole(whose))
      end
    end
  end
end
