# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Rows of one class: itself, its members, its units, what each member has of them and
      # how they were judged, and pieces by id.
      ClassRead = Stairwell.value(:row, :members, :units, :had, :levels, :pieces, :sets, :may)

      # @param context [StudioContext]
      # @param id [Integer]
      # @return [ClassRead]
      # @raise [MissingError]
      def ClassRead.of(context, id)
        context.read do |tables|
          row = Repositories::Classes.new(tables).find(id)
          row = row.merge(teacher: tables.db[:accounts].where(id: row[:teacher_id]).get(:name))
          units = Repositories::ClassUnits.new(tables)
          all = units.of([id])
          ids = all.map { |unit| unit[:id] }
          members = Repositories::Classes.new(tables).members([row[:name]]).fetch(row[:name], [])
          new(
            row: row,
            members: members,
            units: all,
            had: units.members(ids),
            levels: units.levels(ids),
            sets: units.criteria_sets,
            pieces:
              tables[:pieces].where(
                id: all.flat_map { |unit| unit[:piece_ids].to_a }.uniq
              ).select_hash(:id, :title),
            may:
              members.to_h do |student|
                [student[:id], Rights.with_student(context, tables, student)]
              end
          )
        end
      end
    end
  end
end
