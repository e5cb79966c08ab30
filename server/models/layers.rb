# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # For whom a piece is shown: the studio, all students of one teacher, or
      # one student.
      Whose = Stairwell.value(:kind, id: nil) do
        # @return [Hash] columns of a layer
        def columns = {teacher_id: (id if kind == :teacher), student_id: (id if kind == :student)}

        def studio? = kind == :studio
      end

      # What lies over the studio's script: a teacher's changes, a student's.
      class Layers
        def initialize(desk)
          @desk = desk
        end

        # @param text [String, nil] "studio", "teacher" or a student's id
        # @return [Whose]
        # @raise [Problem] 404 when there is no such student
        def whose(text)
          case text
          when nil, "studio" then Whose.new(kind: :studio)
          when "teacher" then Whose.new(kind: :teacher, id: @desk.account_id)
          else Whose.new(kind: :student, id: student(text.to_i)[:id])
          end
        end

        # @return [Hash] the student's row
        def student(id) = Students.new(@desk).find(id)

        # @param whose [Whose] a teacher's or a student's
        # @return [Hash] :revision (0 before there is one), :script
        def newest(piece_id, whose)
          rows(piece_id, whose).reverse(:revision).first || {revision: 0, script: ""}
        end

        # @return [Array<String>] scripts that lie under this one, the lowest first
        def under(piece_id, whose)
          return [] unless whose.kind == :student

          [newest(piece_id, Whose.new(kind: :teacher, id: student(whose.id)[:teacher_id]))[:script]]
        end

        # @return [Hash] as {#newest}
        # @raise [Problem] 404
        def revision(piece_id, whose, number) = rows(piece_id, whose).first(revision: number) || raise(Problem.not_found("revision"))

        # @return [Array<Hash>] as {Pieces#sittings}
        def sittings(piece_id, whose) = Sittings.of(@desk, rows(piece_id, whose))

        # @return [void]
        # @raise [Problem] 409 when another revision came in between
        def add(piece_id, whose, script, seen:)
          kept = newest(piece_id, whose)
          raise stale(kept, script) unless kept[:revision] == seen

          @desk.db.transaction(savepoint: true) do
            @desk.add(:piece_layers, piece_id: piece_id, **whose.columns, revision: seen + 1, script: script, made_by: @desk.account_id)
          end
        rescue Sequel::UniqueConstraintViolation
          raise stale(newest(piece_id, whose), script)
        end

        private

        def rows(piece_id, whose) = @desk[:piece_layers].where(piece_id: piece_id, **whose.columns)

        # Layers are short lists; theirs and what mine has besides is both.
        def stale(kept, mine)
          theirs = kept[:script]
          merged = [*theirs.lines(chomp: true), *(mine.lines(chomp: true) - theirs.lines(chomp: true))].map { |line| "#{line}\n" }.join
          by = kept[:made_by] && @desk.db[:accounts].where(id: kept[:made_by]).get(:name)
          Problem.stale("these changes", kept: {revision: kept[:revision], script: theirs, by: by, merged: merged}, sent: {script: mine})
        end
      end
    end
  end
end
