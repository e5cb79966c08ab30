# frozen_string_literal: true

module Stairwell
  module Studio
    # The steps of the week that ends, and others that were begun, in the order in which they are
    # heard: row by row, and in a week without rows what most later steps wait for first. The order
    # does not change while they are heard.
    class LessonSteps
      # @param record [Record]
      def initialize(record)
        @record = record
        @week = record.week
        @asked = @week ? @week.asked : {}
        @reached = ReachedSteps.new(record)
        # As the lesson began: what is said of one step at it does not hide what hurt at another.
        before =
          record.with(
            pieces:
              record.pieces.map do |one|
                one.with(progress: one.progress.without_results_of(record.today))
              end
          )
        @hurt = SetAside.new(before).to_a.to_h { |one| [[one.piece.id, one.step.id], one.date] }
      end

      # @return [Array<LessonStep>]
      def to_a
        found =
          @record.pieces.flat_map do |one|
            one
              .progress
              .standings
              .values
              .select { |standing| worth?(one, standing) }
              .map { |standing| lesson_step(one, standing) }
          end
        ranks = ranked(found)
        places = ranks.each_with_index.to_h { |rank, at| [rank.id, at] }
        first = ranks.find { |rank| rank.waiting.positive? }
        found
          .sort_by
          .with_index do |one, at|
            key = [one.piece.id, one.step.id]
            [@reached.place(key) || Constants::MANY_ROWS, places.fetch(one.task_id, ranks.size), at]
          end
          .map { |one| (one.task_id == first&.id) ? one.with(first: why(first)) : one }
      end

      private

      def worth?(piece, standing)
        key = [piece.id, standing.step.id]
        @asked.key?(key) || @hurt.key?(key) || @record.heard_today.key?(key) ||
          standing.state == :begun
      end

      def lesson_step(piece, standing)
        key = [piece.id, standing.step.id]
        LessonStep.new(
          piece: piece,
          standing: standing,
          heard: @record.heard_today[key],
          hurt_on: @hurt[key],
          boxes: boxes(@asked.fetch(key, {}), standing),
          row: @reached.row(key),
          reached: !@reached.rows? || @reached.reached?(key)
        )
      end

      # Ranked as the lesson began, without what was heard today.
      def ranked(found)
        tasks =
          @record.pieces.flat_map do |one|
            one.progress.without_results_of(@record.today).tasks(prefix: one.prefix)
          end
        known = tasks.to_h { |task| [task.id, task] }
        open = found.map(&:task_id).select { |id| known.key?(id) && known[id].remaining.positive? }
        Planning::Decisive.rank(tasks, open)
      end

      def why(rank) = Phrase["studio.lesson_steps.later_steps_wait", count: rank.waiting]

      # Every practice day of the week, so that the boxes of all steps line up, and
      # other days on which the step was practised.
      def boxes(asked, standing)
        days = @week ? @week.dates : []
        practised = standing.days.keys.select { |date| date >= (days.min || (@record.today - 6)) }
        (days | practised).sort.map do |date|
          day = standing.days.fetch(date, { repetitions: 0, struggle: false })
          DayBox.new(
            date: date,
            planned: asked.key?(date),
            of: asked.fetch(date, standing.step.repetitions),
            **day
          )
        end
      end
    end
  end
end
