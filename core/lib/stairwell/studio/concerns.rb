# frozen_string_literal: true

module Stairwell
  module Studio
    # What needs attention about one student.
    module Concerns
      module_function

      # @param record [Record]
      # @param outlooks [Hash{Integer => Outlook}]
      # @param week [Planning::PlannedWeek, nil] under way
      # @return [Array<Progress::Concern>] the most urgent first
      def of(record, outlooks, week: record.week)
        return [] if record.student.paused_on

        attention = Progress::Attention.new(record.today)
        record.pieces.each do |one|
          outlook = outlooks[one.id]
          attention.forecast(one.title, outlook.cautious, one.due_on) if outlook&.late?
          attention.piece(one.title, one.progress, looked_after: looked_after?(one, week))
        end
        SetAside
          .new(record)
          .to_a
          .each { |one| attention.hurts(one.piece.title, one.step.title, one.date) }
        thin(record, attention)
        attention.practice(*Practised.new(week, record.pieces).until(record.today))
        # On a lesson day the plan may end today: the next one follows from it. A week of the
        # calendar is followed by another without anybody's doing.
        if record.pieces.any?
          attention.plan(!week.nil? && (!week.over?(record.today) || !week.with_lesson))
        end
        attention.to_a
      end

      # Pieces that were given before these weeks began.
      def thin(record, attention)
        since = record.today - 7 * Constants::THIN_WEEKS
        days = record.weeks.planned_since(since).select { |date| date < record.today }.uniq
        kept = [(days & record.practised_on).size, days.size]
        record
          .pieces
          .select { |one| one.assigned_on <= since }
          .each do |one|
            attention.thin(one.title, one.progress.share, kept, smaller(record.student))
          end
      end

      # Half the rows and half the minutes, two rows and five minutes at least.
      def smaller(student)
        rows =
          Rows::Limits.usual(
            child: student.child?,
            reads: student.reads,
            rows: student.rows_a_week
          ).rows
        [[rows / 2, 2].max, [(student.minutes_a_day / 10r).ceil * 5, 5].max]
      end

      # Whether a row of the week plays through what is steady of a piece.
      def looked_after?(piece, week) =
        !week.nil? &&
          week.rows.any? do |row|
            row.assignment_id == piece.id && %i[grow whole keep_fresh].include?(row.kind)
          end
      private_class_method :thin, :smaller, :looked_after?
    end
  end
end
