# frozen_string_literal: true

module Stairwell
  module Studio
    # Steps at which something hurt. They rest until the next lesson: until something is heard, or
    # the day after a lesson.
    class SetAside
      # One of them: when it hurt last.
      One = Stairwell.value(:piece, :step, :date)

      # @param record [Record]
      def initialize(record)
        @record = record
        @heard = record.pieces.filter_map { |piece| piece.progress.heard_at }.max
        @over =
          Hash.new do |all, date|
            all[date] = record
              .timetable
              .next_after(date)
              &.then { |lesson| lesson < record.today } || false
          end
      end

      # @return [Array<One>]
      def to_a
        @to_a ||=
          @record.pieces.flat_map do |piece|
            piece
              .progress
              .hurts
              .reject { |mark| over?(mark) }
              .group_by { |mark| Planning::More.of(mark.step_id) }
              .filter_map do |id, marks|
                standing = piece.standing(id)
                standing && One.new(piece: piece, step: standing.step, date: marks.map(&:date).max)
              end
          end
      end

      # @return [Boolean] whether a step rests
      def include?(assignment_id, step_id)
        id = Planning::More.of(step_id)
        to_a.any? { |one| one.piece.id == assignment_id && one.step.id == id }
      end

      private

      def over?(mark) = (!@heard.nil? && @heard >= mark.at) || @over[mark.date]
    end
  end
end
