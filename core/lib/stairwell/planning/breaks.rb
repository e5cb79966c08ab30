# frozen_string_literal: true

module Stairwell
  module Planning
    # Says what a thing breaks that the teacher put on a day.
    class Breaks
      # @param ledger [Ledger]
      # @param by_id [Hash{String => Task}]
      # @param practice [Practice]
      def initialize(ledger, by_id, practice)
        @ledger = ledger
        @by_id = by_id
        @practice = practice
      end

      # @param task [Task]
      # @param put [Array<Task>] all the teacher put on the same day
      # @param over [Rational] minutes by which the day is too long
      # @return [String, nil]
      def of(task, put:, over:)
        said = []
        said << Phrase["planning.overrides.not_introduced_yet"] unless task.introduced
        said << too_soon(task, put.map(&:id))
        said << too_many(task, put)
        if over.positive?
          said << Phrase["planning.overrides.the_day_is_too_long", minutes: Units.minutes(over)]
        end
        said.compact.then { |all| Phrase.list(all, by: :semicolon) if all.any? }
      end

      private

      def too_many(task, put)
        starts = put.take(put.index(task) + 1).count { |one| !@ledger.begun?(one.id) }
        if starts > @practice.begin_per_day && !@ledger.begun?(task.id)
          Phrase[
            "planning.overrides.new_steps_on_one_day_are",
            count: starts,
            most: @practice.begin_per_day
          ]
        end
      end

      def too_soon(task, beside)
        open =
          @ledger.open_needs(task.id) |
            task.after.reject { |id| @ledger.over?(id) || beside.include?(id) }
        return if open.empty?

        Phrase[
          "planning.overrides.before_done",
          names: Phrase.some(open.map { |id| @by_id[id].name }),
          count: open.size
        ]
      end
    end
  end
end
