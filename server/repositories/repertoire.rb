# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What a student can play already, and how "where next?" went.
      class Repertoire
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Hash{Integer => Array<Hash>}] by student, the pieces they work on: piece_id:,
        #   title:
        def in_hand
          @tables[:assignments]
            .where(ended: nil)
            .join(:pieces, studio_id: :studio_id, id: :piece_id)
            .order(:assigned_at, Sequel[:assignments][:id])
            .select_hash_groups(:student_id, %i[piece_id title])
            .transform_values do |all|
              all.map { |piece_id, title| { piece_id: piece_id, title: title } }
            end
        end

        # @return [Array<Hash>] pieces that ended, the newest first
        def of(student_id)
          @tables[:assignments]
            .where(student_id: student_id)
            .exclude(ended: nil)
            .join(:pieces, studio_id: :studio_id, id: :piece_id)
            .select(
              Sequel[:assignments][:id],
              :piece_id,
              :title,
              :ended,
              :ended_on,
              :keep_for,
              Sequel.cast(:assigned_at, :date).as(:assigned_on)
            )
            .order(Sequel.desc(:ended_on), :title)
            .all
        end

        # @return [Array<Hash>] the newest result for each piece
        def drills(student_id)
          newest =
            @tables[:drill_results]
              .where(student_id: student_id)
              .distinct(:piece_id)
              .order(:piece_id, Sequel.desc(:made_at))
          newest
            .from_self(alias: :drill_results)
            .join(:pieces, studio_id: :studio_id, id: :piece_id)
            .select(:title, :day, :asked, :correct)
            .order(:title)
            .all
        end

        # @param row [Hash] student_id:, key:, piece_id:, day:, asked:, correct:, missed:, by:
        # @return [void]
        def keep_drill(missed:, by:, **row) =
          @tables.add_once(
            :drill_results,
            missed: Sequel.pg_array(missed, :integer),
            made_by: by,
            **row
          )
      end
    end
  end
end
