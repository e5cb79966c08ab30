# frozen_string_literal: true

module Stairwell
  module Studio
    # What it would come to if at this lesson nothing were introduced, the next thing, two, or
    # another: side by side, before the teacher decides. Nothing is kept.
    class Introducing
      # `what` is introduced (nothing where it is empty); `minutes` of a day are needed then in
      # the mean, `budget` are there; `begins` are titles of what begins in the week; `likely` and
      # `cautious` say when the piece is ready, nil where it never is.
      Choice =
        Stairwell.value(
          :assignment_id,
          :piece,
          :what,
          :minutes,
          :budget,
          :begins,
          :likely,
          :cautious
        )

      # @param record [Record]
      def initialize(record)
        @record = record
      end

      # @return [Array<Choice>] of each piece in which something waits to be introduced
      def to_a =
        @record.pieces.flat_map do |piece|
          weighed(waiting(piece)).map { |what| choice(piece, what) }
        end

      private

      # @param waiting [Array<String>]
      # @return [Array<Array<String>>] nothing, the next, the next two, each of some others
      def weighed(waiting)
        return [] if waiting.empty?

        [
          [],
          waiting.first(1),
          waiting.first(2),
          *waiting.drop(1).first(Constants::OTHERS_INTRODUCED).each_slice(1)
        ].uniq
      end

      # In the order in which sections are begun.
      def waiting(piece)
        names = piece.progress.introductions.reject(&:last).map(&:first)
        (SectionOrder.sections(piece) & names) | names
      end

      def choice(piece, what)
        record =
          @record.with_piece(
            piece.after(
              *what.map do |one|
                Progress::Introduction.new(
                  what: one,
                  introduced: true,
                  at: @record.moment,
                  key: "introducing #{one}"
                )
              end
            )
          )
        week = Workload.new(record).planned_week
        outlook = outlooks(what, record).fetch(piece.id)
        Choice.new(
          assignment_id: piece.id,
          piece: piece.title,
          what: what,
          begins: begins(week, piece),
          likely: outlook.date(:likely),
          cautious: outlook.date(:cautious),
          **minutes(week)
        )
      end

      # Where nothing is introduced it is the same for all pieces.
      def outlooks(what, record)
        return Outlooks.new(record).to_h if what.any?

        @outlooks ||= Outlooks.new(record).to_h
      end

      def minutes(week)
        needed =
          week
            .days
            .sum(0r) do |day|
              day.warm_ups.sum(0r, &:minutes) +
                day.items.reject { |item| item.kind == :more }.sum(0r, &:minutes)
            end
        days = [week.days.size, 1].max
        {
          minutes: Units.halves(needed / days),
          budget: Units.halves(week.days.sum(0r, &:budget) / days)
        }
      end

      def begins(week, piece) =
        week
          .days
          .flat_map do |day|
            day.items.select { |item| item.begins && item.assignment_id == piece.id }.map(&:title)
          end
          .uniq
    end
  end
end
