# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A class lesson as its screen shows one. Columns are what the members have in common.
      class ClassLessonJson
        # @param read [ClassRead]
        # @param records [Array<Studio::Record>]
        # @param lessons [Array<Timetable::Held>] of today
        # @param finished [Array<Integer>] students whose lesson is finished
        # @param context [StudioContext]
        def initialize(read, records, lessons, finished, context)
          @read = read
          @records = records.to_h { |record| [record.student.id, record] }
          @lessons = lessons.to_h { |one| [one.student[:id], one.lesson] }
          @finished = finished
          @context = context
          @unit = read.units.find { |unit| unit[:ended_at].nil? }
          @steps = read.members.to_h { |row| [row[:id], steps(row[:id])] }
        end

        # @return [Hash] see the contract's ClassLesson
        def to_h
          ClassJson.card(@read.row, @read.members, @read.units).merge(
            unit: @unit && ClassJson.plain(@unit, @read),
            today: @context.today.to_s,
            steps: columns,
            members: @read.members.map { |row| member(row) }
          )
        end

        private

        # Steps worth hearing of the pieces of the unit; of all where there is no unit with one.
        def steps(student_id)
          record = @records[student_id] or return []

          pieces = @unit ? @unit[:piece_ids].to_a : []
          Studio::LessonSteps
            .new(record)
            .to_a
            .select { |one| pieces.empty? || pieces.include?(one.piece.piece_id) }
        end

        # In the order in which most need to be heard.
        def columns
          all =
            @steps
              .values
              .flat_map { |steps| steps.each_with_index.map { |one, at| [key(one), one, at] } }
              .group_by(&:first)
          all
            .sort_by { |_, same| [-same.size, same.sum(&:last)] }
            .first(Limits::CLASS_COLUMNS)
            .map do |key, same|
              one = same.first[1]
              {
                key: key,
                title: one.step.title,
                piece: one.piece.title,
                piece_id: one.piece.piece_id,
                step_id: one.step.id
              }
            end
        end

        def key(one) = "#{one.piece.piece_id}/#{one.step.id}"

        def member(row)
          lesson = @lessons[row[:id]]
          {
            id: row[:id],
            name: row[:name],
            finished: @finished.include?(row[:id]),
            may: @read.may.fetch(row[:id]),
            lesson: lesson && LessonTimeJson.appointment(lesson),
            addressed: !row[:email].to_s.empty? || row[:contacts].to_a.any?,
            levels: @unit ? @read.levels.fetch([@unit[:id], row[:id]], {}) : {},
            in_unit:
              (
                if @unit
                  @read.had.any? do |one|
                    one[:unit_id] == @unit[:id] && one[:student_id] == row[:id]
                  end
                else
                  false
                end
              ),
            cells:
              @steps
                .fetch(row[:id])
                .to_h do |one|
                  [
                    key(one),
                    {
                      assignment_id: one.piece.id,
                      step_id: one.step.id,
                      result: one.heard&.result&.to_s,
                      state: one.standing.state.to_s
                    }
                  ]
                end
          }
        end
      end
    end
  end
end
