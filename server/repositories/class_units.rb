# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Units of classes, what each member has of them, and how they were judged.
      class ClassUnits
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param class_ids [Array<Integer>]
        # @return [Array<Hash>] those under way, the next due first; then the past ones
        def of(class_ids)
          @tables[:units]
            .where(class_id: class_ids)
            .order(Sequel.desc(Sequel.expr(ended_at: nil)), :due_on, :due_time, :id)
            .all
        end

        # @return [Hash]
        # @raise [MissingError]
        def find(id) = @tables[:units].first(id: id) || raise(MissingError, Phrase["missing.unit"])

        # @param key [String] from the client; the same one twice is one unit
        # @return [Hash, nil] the row; nil where it was there already
        def add(key:, criteria:, piece_ids:, by:, **values)
          row = {
            studio_id: @tables.studio_id,
            key: key,
            criteria: Sequel.pg_jsonb(criteria),
            piece_ids: Sequel.pg_array(piece_ids, :bigint),
            made_by: by,
            **values
          }
          @tables.db[:units]
            .insert_conflict(target: %i[studio_id key])
            .returning
            .insert(**row)
            .first
        end

        # @return [void]
        # @raise [MissingError]
        def finish(id, ended)
          if @tables[:units]
               .where(id: id)
               .update(ended_at: ended ? Sequel::CURRENT_TIMESTAMP : nil)
               .zero?
            raise MissingError, Phrase["missing.unit"]
          end
        end

        # @param unit_ids [Array<Integer>]
        # @return [Array<Hash>] :unit_id, :student_id, :assignment_id, :piece_id
        def members(unit_ids)
          @tables[:unit_members]
            .where(unit_id: unit_ids)
            .left_join(:assignments, { studio_id: :studio_id, id: :assignment_id })
            .select(
              Sequel[:unit_members][:unit_id],
              Sequel[:unit_members][:student_id],
              :assignment_id,
              :extra_work_id,
              :piece_id
            )
            .all
        end

        # What a member has of a unit, from now on.
        # @param had [Hash] assignment_id: or extra_work_id:, or neither as long as it is open
        # @return [void]
        def give(unit_id, student_id, **had)
          @tables.db[:unit_members].insert_conflict(
            target: %i[studio_id unit_id student_id],
            update: {
              assignment_id: nil,
              extra_work_id: nil,
              **had
            }
          ).insert(studio_id: @tables.studio_id, unit_id: unit_id, student_id: student_id, **had)
        end

        # @param key [String] from the client; the same one twice is one mark
        # @param level [Integer, nil] nil takes it back
        # @return [void]
        # @raise [MissingError, Problem]
        def judge(key:, unit_id:, student_id:, criterion:, level:, day:, by:)
          if @tables[:unit_members].where(unit_id: unit_id, student_id: student_id).empty?
            raise MissingError, Phrase["missing.unit_member"]
          end

          @tables.add_once(
            :criterion_marks,
            key: key,
            student_id: student_id,
            unit_id: unit_id,
            criterion: criterion,
            level: level,
            day: day,
            recorded_by: by
          )
        end

        # @param unit_ids [Array<Integer>]
        # @return [Hash{Array(Integer, Integer) => Hash{String => Integer}}] the last level of
        #   each criterion, by unit and student
        def levels(unit_ids)
          rows =
            @tables[:criterion_marks]
              .where(unit_id: unit_ids)
              .distinct(:unit_id, :student_id, :criterion)
              .order(:unit_id, :student_id, :criterion, Sequel.desc(:made_at))
              .select(:unit_id, :student_id, :criterion, :level)
              .all
          rows
            .reject { |row| row[:level].nil? }
            .group_by { |row| row.values_at(:unit_id, :student_id) }
            .transform_values { |all| all.to_h { |row| row.values_at(:criterion, :level) } }
        end

        # @return [Array<Hash>] sets of criteria kept for reuse, by name
        def criteria_sets = @tables[:criteria_sets].order(:name).all

        # @param criteria [Array<Hash>]
        # @return [void] kept under the name, in place of what was there
        def keep_criteria(name, criteria, by:)
          kept = { criteria: Sequel.pg_jsonb(criteria), made_by: by }
          @tables.db[:criteria_sets].insert_conflict(
            target: %i[studio_id name],
            update: kept
          ).insert(studio_id: @tables.studio_id, name: name, **kept)
        end
      end
    end
  end
end
