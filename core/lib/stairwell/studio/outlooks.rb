# frozen_string_literal: true

module Stairwell
  module Studio
    # Looks ahead for one student: when each piece will be ready as the student
    # really practises, and what would help where that is too late.
    class Outlooks
      # The dates a page shows: as it stood before the day's taps, so that they are the same on
      # every page and stay so while somebody practises.
      # @param record [Record]
      # @return [Hash{Integer => Outlook}] by assignment
      def self.settled(record) = new(record.without_taps).to_h

      # @param record [Record]
      def initialize(record)
        @record = record
        @load = Workload.new(record)
      end

      # @return [Workload] what was looked at
      attr_reader :load

      # @return [Hash{Integer => Outlook}] by assignment
      def to_h
        return {} if @load.tasks.empty?

        found =
          Planning.forecasts(
            **@load.plan,
            group: Workload::GROUP,
            habit: habit,
            seed: @record.student.id,
            stretch: @record.settings.promises.stretch
          ) { |tasks, kept| @load.in_rows.endings(tasks, kept) }
        @record.pieces.to_h { |one| [one.id, outlook(one, found.fetch(one.id))] }
      end

      # @return [Planning::Habit] as far as it was seen
      def habit = @habit ||= Planning::Habit.new(seen, studio: @record.settings.habit)

      # @return [Planning::Habit::Seen]
      def seen
        tried = @record.pieces.map { |one| one.progress.tried }
        days = planned(Constants::LONG_RUN_WEEKS)
        Planning::Habit::Seen.new(
          planned: days.size,
          kept: (days & @record.practised_on).size,
          tried: tried.sum(&:first),
          went: tried.sum(&:last),
          learnt:
            @record
              .pieces
              .map { |one| one.progress.learnt }
              .inject({}) { |all, one| all.merge(one) { |_, a, b| a + b } }
        )
      end

      # @return [Rational, nil] share of planned days that were practised lately; nil where none
      #   has passed
      def adherence =
        Progress::Pace.adherence(planned(Constants::HABIT_WEEKS), @record.practised_on)

      # @return [Phrase] on what the dates rest
      def basis
        days = planned(Constants::LONG_RUN_WEEKS)
        weeks = days.empty? ? 0 : ((@record.today - days.min) / 7r).ceil
        return Phrase["studio.outlooks.from_weeks", count: weeks] if weeks.positive?

        Phrase[
          (
            if @record.settings.habit.planned.positive?
              "studio.outlooks.from_the_studio"
            else
              "studio.outlooks.from_what_is_usual"
            end
          )
        ]
      end

      private

      # Days gone by that had something to do.
      def planned(weeks) =
        @record
          .weeks
          .planned_since(@record.today - 7 * weeks)
          .select { |date| date < @record.today }
          .uniq

      def outlook(piece, found) =
        Outlook.new(
          planned: found.planned,
          likely: found.middle,
          cautious: found.cautious,
          due_on: piece.due_on,
          stretch: @record.settings.promises.stretch,
          today: @record.today,
          done: piece.progress.standings.each_value.all?(&:done?)
        )
    end
  end
end
