# frozen_string_literal: true

module Stairwell
  module Progress
    # The standing of every step of a student's piece.
    class Piece
      include Experience

      # @return [Array<Practice::Step>] with the smaller forms of those that did
      #   not go
      attr_reader :steps
      # @return [Array<Practice::Step>] without those
      attr_reader :own

      # @param introduce_first [Boolean] whether a section opens only when it was introduced
      # @param folds [Hash{String => Fold}] by step id, where they are known
      # @param closure [Closure] of the same steps
      def initialize(steps, events, introduce_first: false, folds: {}, closure: Closure.new(steps))
        @events = events
        @folds = folds
        @introduce_first = introduce_first
        sorted = events.group_by(&:class)
        @marks = Progress.lasting(sorted.fetch(Mark, [])).group_by(&:step_id)
        @results = sorted.fetch(LessonResult, []).group_by(&:step_id)
        @asked = sorted.fetch(Asked, []).group_by(&:step_id)
        @simplified =
          sorted
            .fetch(Simplified, [])
            .group_by(&:step_id)
            .transform_values { |all| all.max_by(&:at) }
        @introduced =
          sorted
            .fetch(Introduction, [])
            .group_by(&:what)
            .transform_values { |all| all.max_by(&:at).introduced }
        @own = steps
        @closure = closure
        @contained = @closure.results(@results.values.flatten)
        @steps = steps.flat_map { |step| simplification(step) }
      end

      # @return [Hash{String => Standing}] by step id, in the order of the steps
      def standings
        @standings ||=
          begin
            folds = @steps.to_h { |step| [step.id, fold(step)] }
            @steps.to_h { |step| [step.id, standing(step, folds)] }.freeze
          end
      end

      # @param steps [Array<Practice::Step>] as they would be otherwise
      # @return [Piece] with the same events
      def with_steps(steps, introduce_first: @introduce_first) =
        Piece.new(steps, @events, introduce_first: introduce_first)

      # @param events [Array] that came after those it knows
      # @return [Piece]
      def after(events) = anew(@events + events, events)

      # @param asked [Array<Asked>] in place of those it knows
      # @return [Piece]
      def with_asked(asked) =
        Piece.new(@own, @events.grep_v(Asked) + asked, introduce_first: @introduce_first)

      # @param date [Date]
      # @return [Piece] as it was when that day began
      def before(date) =
        without { |event| event.respond_to?(:date) && !event.is_a?(Asked) && event.date >= date }

      # @param date [Date]
      # @return [Piece] as if nothing had been tapped that day
      def without_taps_of(date) = without { |event| event.is_a?(Mark) && event.date == date }

      # @param date [Date]
      # @return [Piece] as it was before what was heard that day
      def without_results_of(date) =
        without { |event| event.is_a?(LessonResult) && event.date == date }

      # @param step [Practice::Step]
      # @return [Boolean] whether the teacher has shown all it takes
      def introduced?(step)
        return false if step.introduced_by == :stage && !@introduced[stage_name(step)]

        !@introduce_first || step.parts.all? { |part| @introduced[part] }
      end

      # @param step [Practice::Step]
      # @return [Array<String>] what the teacher shows of it: its stage, its sections
      def shown_of(step) = [stage_name(step), *step.parts]

      # @param step [Practice::Step]
      # @return [String, nil] the first thing it takes that the teacher has not shown
      def introducing(step) =
        introductions
          .find { |what, introduced| !introduced && shown_of(step).include?(what) }
          &.first

      # @return [Array<Mark>] that say that something hurt
      def hurts = @marks.values.flatten.select { |mark| mark.kind == :hurts }

      # @return [Time, nil] when something of it was heard last; what was said and taken back the
      #   same day was not
      def heard_at =
        @results
          .values
          .flatten
          .group_by { |one| [one.step_id, one.date] }
          .values
          .map { |all| all.max_by(&:at) }
          .reject { |one| one.result == :not_heard }
          .map(&:at)
          .max

      # @return [Array<Array(String, Boolean)>] what can be introduced, in the order
      #   of the piece, and whether it was: sections where they open only then,
      #   and stages that do
      def introductions
        sections = @introduce_first ? @own.flat_map(&:parts) : []
        stages = @own.select { |step| step.introduced_by == :stage }.map { |step| stage_name(step) }
        (sections | stages).map { |what| [what, @introduced[what] == true] }
      end

      # @return [Array<String>] sections that were introduced, the first one first
      def introduced_in_order
        @events
          .grep(Introduction)
          .select { |one| @introduced[one.what] }
          .group_by(&:what)
          .transform_values { |all| all.map(&:at).max }
          .sort_by(&:last)
          .map(&:first)
      end

      # @return [Array<Practice::Step>] steps that did not go and are not done,
      #   whose smaller form can be chosen
      def troubled = @troubled ||= @own.select { |step| trouble?(step) }

      # @return [Simplified, nil] the form chosen for a step, :none where declined
      def simplified(step) = @simplified[step.id]

      # @param step [Practice::Step]
      # @return [Rational, nil] the tempo of its easier form at the most; nil where no result says
      def most_tempo(step) = results_of(step.id).filter_map(&:most_tempo).last

      # @return [Rational] estimated work that is steady or secure, as a share
      #   of all, 0 to 1
      def share
        all = @steps.sum(0r, &:work)
        return 0r if all.zero?

        standings.values.select(&:done?).sum(0r) { |one| one.step.work } / all
      end

      # @return [Array<Array(Date, Rational)>] days on which steps became steady that still are, and
      #   which share of all work was steady with them, 0 to 1
      def climbed
        all = @steps.sum(0r, &:work)
        return [] if all.zero?

        standings
          .values
          .select { |one| one.done? && one.steady_on }
          .group_by(&:steady_on)
          .sort
          .inject([]) do |found, (date, reached)|
            [
              *found,
              [date, (found.last&.last || 0r) + reached.sum(0r) { |one| one.step.work } / all]
            ]
          end
      end

      # @return [Array<Planning::Task>] see {Tasks.of}
      def tasks(**said) = Tasks.of(self, **said)

      # @param until_date [Date]
      # @param prefix [String]
      # @return [Array<Planning::Review>] what comes back until then
      def reviews(until_date, prefix: "") = Reviews.new(standings).due(until_date, prefix: prefix)

      # @param id [String] of a step
      # @return [Array<LessonResult>] what was heard of it, by date, the last word of each
      def results_of(id)
        @results
          .fetch(id, [])
          .group_by(&:date)
          .sort
          .map { |_, all| all.max_by(&:at) }
          .reject { |one| one.result == :not_heard }
      end

      # @return [Array<Mark>] all of a step on a day, taken back or not, in the order
      #   they were made
      def marks_of(step_id, date)
        @marks_by_day ||= @events.grep(Mark).group_by { |mark| [mark.step_id, mark.date] }
        @marks_by_day.fetch([step_id, date], []).sort_by(&:at)
      end

      # @return [Date, nil] the day all of it was steady
      def done_on
        days = standings.values.map { |one| one.done? ? one.steady_on : nil }
        days.max if days.any? && days.all?
      end

      # @return [LessonResult, nil] the last result that said something
      def last_result =
        standings.values.filter_map(&:last_result).max_by { |heard| [heard.date, heard.at] }

      private

      # @yieldparam event [Object]
      # @return [Piece] itself where there is nothing to leave out
      def without(&)
        dropped, left = @events.partition(&)
        dropped.empty? ? self : anew(left, dropped)
      end

      # What did not change is not folded again.
      # @param changed [Array] the events that are more or less than before
      # @return [Piece]
      def anew(events, changed)
        undone = changed.grep(Mark).filter_map(&:undoes)
        touched =
          (
            if undone.empty?
              changed
            else
              changed + @events.grep(Mark).select { |mark| undone.include?(mark.key) }
            end
          )
        steps =
          touched.flat_map do |event|
            next [] unless event.respond_to?(:step_id)

            [event.step_id, *(@closure.reach(event.step_id) if event.is_a?(LessonResult))]
          end
        Piece.new(
          @own,
          events,
          introduce_first: @introduce_first,
          folds: @folds.except(*steps),
          closure: @closure
        )
      end

      # What a stage is called that opens when it is introduced.
      def stage_name(step) = step.stage.to_s

      def fold(step)
        @folds[step.id] ||= begin
          asked = @asked.fetch(step.id, []).to_h { |one| [one.date, one.repetitions] }
          results = @results.fetch(step.id, []) + @contained.fetch(step.id, [])
          Fold.new(step, @marks.fetch(step.id, []), results, asked: asked)
        end
      end

      def trouble?(step) = fold(step).then { |fold| fold.troubled? && !fold.full? }

      def simplification(step)
        said = @simplified[step.id]
        return [step] if said&.form == :none || !trouble?(step)

        form = Practice::Simplification.of(step, said&.form, bar: said&.bar, most: most_tempo(step))
        [form, Practice::Simplification.resumed(step, form)]
      end

      def standing(step, folds)
        fold = folds[step.id]
        Standing.new(
          step: step,
          state: state(step, fold, folds),
          credited: fold.credited,
          good_days: fold.good_days,
          last_result: fold.last_result,
          days: fold.days,
          steady_on: fold.steady_on,
          good_dates: fold.good_dates,
          reviews: fold.reviews,
          introduced: introduced?(step),
          fallen: fold.fallen?,
          waits_for_fallen: rests_on_fallen?(step, folds)
        )
      end

      def state(step, fold, folds)
        return :secure if fold.secure?
        return :steady if fold.full?
        return :begun if fold.begun?

        if introduced?(step) && !rests_on_fallen?(step, folds) &&
             step.needs.all? { |id| folds[id].full? }
          :open
        else
          :waiting
        end
      end

      # Whether something it rests on has fallen behind: what it needs, or what that needs.
      def rests_on_fallen?(step, folds)
        (@rests ||= {}).fetch(step.id) do
          @rests[step.id] = step.needs.any? do |id|
            folds[id].fallen? || rests_on_fallen?(by_id[id], folds)
          end
        end
      end

      def by_id = @by_id ||= @steps.to_h { |step| [step.id, step] }
    end
  end
end
