# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A student's lesson as a stand-in prepares for it.
      class StandIn
        # @param context [StudioContext]
        # @param id [Integer] of the student
        def initialize(context, id)
          @context = context
          @id = id
        end

        # @return [Hash] see the contract's StandIn
        # @raise [MissingError]
        def show
          beside = nil
          record =
            Repositories::Records.new(@context).find(@id) { |tables| beside = beside(tables) }
          StandInJson.new(record, beside).to_h
        end

        private

        def beside(tables)
          row = Repositories::Students.new(tables).find(@id)
          {
            row: row,
            may: Rights.with_student(@context, tables, row),
            teacher: tables.db[:accounts].where(id: row[:teacher_id]).get(:name),
            last: Repositories::Lessons.new(tables, @context).last(@id),
            layers: layers(tables, row),
            drills: Repositories::Repertoire.new(tables).drills(@id)
          }
        end

        # How the student's teacher names and fingers things: their own changes of the pages,
        # and the student's.
        def layers(tables, row)
          whose = { teacher_id: row[:teacher_id], student_id: row[:id] }
          whose
            .flat_map do |column, id|
              tables[:piece_layers]
                .where(column => id)
                .distinct(:piece_id)
                .order(:piece_id, Sequel.desc(:revision))
                .select(:piece_id, :script)
                .all
                .reject { |layer| layer[:script].strip.empty? }
                .map { |layer| layer.merge(whose: column.to_s.delete_suffix("_id")) }
            end
            .group_by { |layer| layer[:piece_id] }
        end
      end
    end
  end
end
