# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # What those showed who learnt a piece, now or before.
      class Learners
        # @param tables [Tables]
        # @param piece_id [Integer]
        def initialize(tables, piece_id)
          @tables = tables
          @assigned = tables[:assignments].where(piece_id: piece_id).select(:id)
        end

        # @return [Array<Studio::KnownOfPage::Stumble>] each bar, student and cause once
        def stumbles
          @tables[:lesson_results]
            .where(assignment_id: @assigned, result: %w[not_yet shaky])
            .exclude(bar: nil)
            .distinct
            .select(:bar, :student_id, :cause)
            .map { |row| Studio::KnownOfPage::Stumble.new(**row.slice(:bar, :student_id, :cause)) }
        end

        # A section's letter is what its steps' names begin with.
        # @return [Array<Studio::KnownOfPage::Hard>]
        def hard
          section = Sequel.function(:split_part, :step_id, ".", 1).as(:section)
          @tables[:practice_marks]
            .where(assignment_id: @assigned, kind: "struggle")
            .distinct
            .select(section, :student_id)
            .map { |row| Studio::KnownOfPage::Hard.new(**row.slice(:section, :student_id)) }
        end

        # @return [Hash{Symbol => Object}] for {Studio::KnownOfPage.of}
        def to_h = { stumbles: stumbles, hard: hard, learners: count }

        # @return [Integer] students who practised it or were heard
        def count
          practised, heard =
            %i[practice_marks lesson_results].map do |table|
              @tables[table].where(assignment_id: @assigned).select(:student_id)
            end
          practised.union(heard, from_self: true).distinct.count
        end
      end
    end
  end
end
