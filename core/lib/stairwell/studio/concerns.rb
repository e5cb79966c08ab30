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
          attention.forecast(one.title, outlook.cautious, one.due_on) if outlook
          attention.piece(one.title, one.progress, looked_after: looked_after?(one, week))
        end
        SetAside
          .new(record)
          .to_a
          .each { |one| attention.hurts(one.piece.title, one.step.title, one.date) }
        attention.practice(*Practised.new(week, record.pieces).until(record.today))
        # On a lesson day the plan may end today: the next one follows from it. A week of the
        # calendar is followed by another without anybody's doing.
        if record.pieces.any?
          attention.plan(!week.nil? && (!week.over?(record.today) || !week.with_lesson))
        end
        attention.to_a
      end

      # Whether a row of the week plays through what is steady of a piece.
      def looked_after?(piece, week) =
        !week.nil? &&
          week.rows.any? do |row|
            row.assignment_id == piece.id && %i[grow whole keep_fresh].include?(row.kind)
          end
      private_class_method :looked_after?
    end
  end
end
