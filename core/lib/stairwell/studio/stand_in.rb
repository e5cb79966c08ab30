# frozen_string_literal: true

module Stairwell
  module Studio
    # What a teacher who does not know a student needs before a lesson: how far each section
    # of each piece is, what was hard at home, what to take care of.
    class StandIn
      # How far a section is: how many of its steps are steady or secure, of how many, and
      # what is under way in it.
      Section = Stairwell.value(:name, :done, :of, :under_way)
      # A piece with its {Section}s and what did not go at home, in words.
      Piece = Stairwell.value(:piece, :sections, :hard)

      # @param record [Record]
      def initialize(record)
        @record = record
      end

      # @return [LessonStep, nil] what to hear first
      def hear_first = LessonSteps.new(@record).to_a.find(&:first)

      # @return [Array<Piece>]
      def pieces =
        @record.pieces.map { |one| Piece.new(piece: one, sections: sections(one), hard: hard(one)) }

      # @return [Array<Cautions::Caution>] of the week
      def cautions = CautionsOfDays.new(@record, @record.week ? @record.week.days : []).to_a

      private

      def sections(piece)
        piece
          .progress
          .standings
          .values
          .select { |one| one.step.section }
          .group_by { |one| one.step.section }
          .map do |name, all|
            Section.new(
              name: name,
              done: all.count(&:done?),
              of: all.size,
              under_way: all.select { |one| one.state == :begun }.map { |one| one.step.title }
            )
          end
      end

      # Steps that were marked as a struggle since the last lesson.
      def hard(piece)
        since = @record.lessons.select { |day| day < @record.today }.max
        piece
          .progress
          .standings
          .values
          .select do |one|
            one.days.any? { |day, tapped| tapped[:struggle] && (since.nil? || day >= since) }
          end
          .map { |one| one.step.title }
      end
    end
  end
end
