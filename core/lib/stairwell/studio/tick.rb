# frozen_string_literal: true

require "digest"

module Stairwell
  module Studio
    # Ticks of a paper chart, a row at a time: on these days all repetitions of a step
    # that the day asked for were done; or, taken back, none that were ticked that way.
    class Tick
      # @param record [Record]
      # @param ticked [Set<String>] keys of marks that a teacher entered
      def initialize(record, ticked)
        @record = record
        @ticked = ticked
        @asked = record.week ? record.week.asked : {}
      end

      # @param days [Array<Date>] those after today are passed over
      # @param done [Boolean]
      # @param key [String] from the client; the same one twice counts once
      # @return [Change]
      # @raise [MissingError]
      def call(assignment_id:, step_id:, days:, done:, key:)
        piece, standing = @record.step(assignment_id, step_id)
        marks =
          days
            .select { |day| day <= @record.today }
            .flat_map do |day|
              done ? missing(piece, standing.step, day, key) : taken_back(piece, step_id, day, key)
            end
        marks = marks.reject { |mark| @record.known_keys.include?(mark.key) }
        rows =
          marks.map do |mark|
            {
              key: mark.key,
              assignment_id: assignment_id,
              step_id: step_id,
              day: mark.date,
              kind: mark.kind.to_s,
              undoes: mark.undoes,
              asked: mark.asked
            }
          end
        record =
          @record.with_piece(piece.after(*marks)).with(
            practised_on: @record.practised_on | marks.map(&:date),
            known_keys: @record.known_keys | marks.map(&:key)
          )
        Change.new(record: record, added: rows.any? ? { marks: rows } : {})
      end

      private

      def missing(piece, step, day, key)
        counted = Tapped.on(piece, step.id, day)[:done]
        asked = @asked.dig([piece.id, step.id], day) || step.repetitions
        [asked - counted, 0].max.times.map do |at|
          mark(step.id, day, :repetition, name(key, "#{day} #{at}"), asked: asked)
        end
      end

      def taken_back(piece, step_id, day, key)
        marks =
          piece
            .progress
            .marks_of(step_id, day)
            .select { |mark| mark.kind == :repetition && @ticked.include?(mark.key) }
        marks.map do |mark|
          mark(step_id, day, :undo, name(key, "undo #{mark.key}"), undoes: mark.key)
        end
      end

      def mark(step_id, day, kind, key, **said) =
        Progress::Mark.new(
          key: key,
          step_id: step_id,
          date: day,
          kind: kind,
          at: @record.moment,
          **said
        )

      # A key out of the client's own: the same row makes the same keys.
      def name(key, text) =
        Digest::SHA1
          .hexdigest("#{key} #{text}")
          .then do |hex|
            [hex[0, 8], hex[8, 4], "5#{hex[13, 3]}", "8#{hex[17, 3]}", hex[20, 12]].join("-")
          end
    end
  end
end
