# frozen_string_literal: true

module Stairwell
  module Studio
    # Looks ahead for one student: when each piece will be ready as the student
    # really practises, and what would help where that is too late.
    class Outlooks
      # @param record [Record]
      def initialize(record)
        @record = record
        @load = Workload.new(record)
      end

      # @return [Workload] what was looked at
      attr_reader :load

      # @param options [Boolean] whether to look for what would help
      # @return [Hash{Integer => Outlook}] by assignment
      def to_h(options: false)
        return {} if @load.tasks.empty?

        found = Planning.forecasts(
          **@load.plan, group: Workload::GROUP, adherence: adherence, known: @record.pieces.sum { |one| one.progress.days_taken.size }, seed: @record.student.id
        )
        @record.pieces.to_h { |one| [one.id, outlook(one, found.fetch(one.id), options)] }
      end

      # @return [Rational] share of planned days that were practised lately
      def adherence
        since = @record.today - 7 * Constants::HABIT_WEEKS
        planned = @record.weeks.planned_since(since)
        Progress::Pace.adherence(planned.select { |date| date < @record.today }, @record.practised_on.select { |date| date >= since })
      end

      private

      def outlook(piece, found, options)
        outlook = Outlook.new(planned: found.planned, middle: found.middle, cautious: found.cautious, due_on: piece.due_on)
        (options && outlook.late?) ? outlook.with(options: WaysOut.new(@record, piece, @load).to_a) : outlook
      end
    end
  end
end
