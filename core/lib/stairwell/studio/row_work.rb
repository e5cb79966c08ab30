# frozen_string_literal: true

module Stairwell
  module Studio
    # A student's workload as rows are made of it: the pieces, whose turn is first in front, what
    # stands beside them, and how much a week may hold.
    class RowWork
      # @param load [Workload]
      # @param dates [Array<Date>] practice days
      # @param same_as [Array<String>, nil] ids of rows of a week under way, which stay
      def initialize(load, dates, same_as: nil)
        @load = load
        @dates = dates
        @same_as = same_as
      end

      # @return [Rows::Week]
      def week =
        @week ||=
          Rows::Week.new(
            pieces,
            days:
              @dates.map { |date| Rows::Day.new(date: date, minutes: @load.practice.budget(date)) },
            limits: limits,
            beside: @load.beside,
            overrides: overrides,
            same_as: @same_as
          )

      # @param tasks [Array<Planning::Task>, nil] with the good days they take; nil for those that
      #   are planned
      # @param kept [Numeric] share of the days that are practised
      # @return [Hash{Integer => Planning::Ending}] by assignment, when each piece is done
      def endings(tasks, kept)
        return horizon(pieces, kept: kept).endings(@load.from, @load.next_lesson) unless tasks

        left = tasks.group_by { |task| Workload::GROUP.call(task.id) }
        taking =
          pieces.map do |piece|
            own = left.fetch(piece.id, [])
            piece.taking(own.to_h { |task| [task.id.split("/", 2).last, task.remaining] })
          end
        horizon(taking, kept: kept).endings_at_least(@load.from, @load.next_lesson)
      end

      # @param of [Array<PieceInHand>]
      # @return [Hash{String => Array(Date, Date)}] first and last day of each step, by its key
      def schedule(
        of = @load.record.pieces,
        practice: @load.practice,
        from: @load.from,
        next_lesson: @load.next_lesson
      ) = horizon(pieces(of), practice: practice).schedule(from, next_lesson)

      # @return [Planning::Overrides]
      def overrides =
        @overrides ||=
          Planning::Overrides.new(@load.record.overrides_of(@load.next_lesson).overrides)

      # @return [Set<String>] ids that overrides may name
      def known = @load.steps.keys.to_set | @load.lines.keys

      private

      def horizon(pieces, practice: @load.practice, kept: 1) =
        Rows::Horizon.new(
          pieces,
          practice: practice,
          limits: limits,
          beside: @load.beside,
          kept: kept
        )

      # Those in hand, the same for each forecast.
      def pieces(of = @load.record.pieces)
        return made(of) unless of.equal?(@load.record.pieces)

        @pieces ||= made(of)
      end

      # Due dates first, then what the teacher put first, then the order of the pieces.
      def made(of)
        alone = of.find { |piece| Backwards.alone?(piece) }
        of
          .sort_by
          .with_index { |piece, at| [piece.due_on || Constants::LAST_DATE, -piece.priority, at] }
          .map do |piece|
            Rows::Piece.new(
              id: piece.id,
              title: piece.title,
              progress: piece.progress,
              turns: SectionOrder.sections(piece),
              timing: @load.timing,
              pace: piece.progress.pace,
              deadline: Backwards.deadline(piece),
              rests_until: (alone.due_on if alone && alone != piece)
            )
          end
      end

      def limits
        student = @load.record.student
        Rows::Limits.usual(child: student.child?, reads: student.reads, rows: student.rows_a_week)
      end
    end
  end
end
