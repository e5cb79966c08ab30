# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Who learns a piece, and what its page as it is now would come to for each.
      class LearnersOfPage
        # @param context [StudioContext]
        # @param id [Integer] of the piece
        def initialize(context, id)
          @context = context
          @id = id
        end

        # @return [Array<Hash>] see the contract's LearnerOfPage
        def to_a
          rows = @context.read { |tables| rows(tables) }
          records =
            Repositories::Records
              .new(@context)
              .load(rows.map { |row| row[:student_id] }.uniq)
              .to_h { |record| [record.student.id, record] }
          rows.filter_map do |row|
            records[row[:student_id]]&.then { |record| learner(row, record) }
          end
        end

        private

        def rows(tables)
          Repositories::Pieces.new(tables).find(@id)
          rows =
            tables[:assignments]
              .where(piece_id: @id, ended: nil)
              .join(:students, studio_id: :studio_id, id: :student_id)
              .where(Sequel[:students][:left_on] => nil)
          rows =
            rows
              .select(
                Sequel[:assignments][:id],
                :student_id,
                Sequel.lit("former IS NOT NULL").as(:former),
                Sequel[:students][:name],
                Sequel[:students][:teacher_id],
                Sequel[:students][:more_lessons]
              )
              .order(Sequel[:students][:name])
              .all
          rows.map do |row|
            row.merge(may: Rights.among(@context) { Repositories::Students.teachers(row) })
          end
        end

        def learner(row, record)
          piece = record.piece(row[:id])
          {
            student_id: row[:student_id],
            name: row[:name],
            assignment_id: row[:id],
            can_take_back: row[:former],
            may: row[:may],
            **coming(record, piece)
          }
        end

        # What would move; nothing is kept.
        def coming(record, piece)
          moved = Studio::TakeOver.moved(piece, Studio::TakeOver.renewed(record, piece)).to_h
          {
            refused: nil,
            behind:
              piece.revision < piece.newest_revision || moved.except(:kept).values.any?(&:any?),
            moved: moved
          }
        rescue RefusedError => error
          {
            refused: error.message.to_s,
            behind: true,
            moved: {
              added: [],
              gone: [],
              changed: [],
              kept: [],
              lost: []
            }
          }
        end
      end
    end
  end
end
