# frozen_string_literal: true

module Stairwell
  module Progress
    # The standing of every step of a student's piece.
    class Piece
      # @return [Array<Practice::Step>] with the smaller forms of those that did
      #   not go
      attr_reader :steps

      def initialize(steps, events)
        @events = events
        marks, heard = events.partition { |event| event.is_a?(Mark) }
        @marks = Progress.lasting(marks).group_by(&:step_id)
        @heard = heard.group_by(&:step_id)
        @steps = steps.flat_map { |step| (fold(step).then { |fold| fold.troubled? && !fold.full? }) ? [Practice::Smaller.of(step), Practice::Smaller.resumed(step)] : [step] }
      end

      # @return [Hash{String => Standing}] by step id, in the order of the steps
      def standings
        @standings ||= begin
          folds = @steps.to_h { |step| [step.id, fold(step)] }
          @steps.to_h { |step| [step.id, standing(step, folds)] }.freeze
        end
      end

      # @param steps [Array<Practice::Step>] as they would be otherwise
      # @return [Piece] with the same events
      def with_steps(steps) = Piece.new(steps, @events)

      # @return [Rational] estimated work that is steady or secure, as a share
      #   of all, 0 to 1
      def share
        all = @steps.sum(0r, &:work)
        return 0r if all.zero?

        standings.values.select(&:done?).sum(0r) { |one| one.step.work } / all
      end

      # @param prefix [String] put before each id, to plan several pieces at once
      # @return [Array<Planning::Task>]
      def tasks(prefix: "")
        standings.values.map do |one|
          step = one.step
          Planning::Task.new(
            id: prefix + step.id, title: step.title, minutes: step.minutes, repetitions: step.repetitions,
            good_days: one.good_days, credited: one.credited, begun: %i[begun steady secure].include?(one.state),
            hard: step.hard, join: step.join, needs: step.needs.map { |id| prefix + id }, after: step.after.map { |id| prefix + id }
          )
        end
      end

      # @param until_date [Date]
      # @param prefix [String]
      # @return [Array<Planning::Review>] what comes back until then
      def reviews(until_date, prefix: "") = Reviews.new(standings).due(until_date, prefix: prefix)

      # @return [Array<Array(Integer, Integer)>] of each step that became steady
      #   by practice: the good days it took, and its estimate
      def results
        standings.values.select { |one| one.done? && one.good_dates.any? }.map { |one| [one.good_dates.size, one.step.good_days] }
      end

      # @return [Heard, nil] the last result that said something
      def last_heard = standings.values.filter_map(&:last_heard).max_by { |heard| [heard.date, heard.at] }

      private

      def fold(step) = Fold.new(step, @marks.fetch(step.id, []), @heard.fetch(step.id, []))

      def standing(step, folds)
        fold = folds[step.id]
        Standing.new(
          step: step, state: state(step, fold, folds), credited: fold.credited, good_days: fold.good_days,
          last_heard: fold.last_heard, days: fold.days, steady_on: fold.steady_on, good_dates: fold.good_dates, reviews: fold.reviews
        )
      end

      def state(step, fold, folds)
        return :secure if fold.secure?
        return :steady if fold.full?
        return :begun if fold.begun?

        (step.needs.all? { |id| folds[id].full? }) ? :open : :waiting
      end
    end
  end
end
