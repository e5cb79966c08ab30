# frozen_string_literal: true

require "forwardable"

module Stairwell
  module Rows
    # A piece in hand: its places, and how they stand.
    class Piece
      extend Forwardable

      # @!method path(label)
      #   @return [Array<Practice::Step>] see {Places}, as the others
      def_delegators :@places,
                     :printed,
                     :path,
                     :core,
                     :bars,
                     :hard_places,
                     :joining,
                     :whole,
                     :by_layers?

      attr_reader :id, :title, :progress, :timing, :deadline, :rests_until

      # @param progress [Progress::Piece]
      # @param turns [Array<String>] labels of its sections in the order in which they are learnt
      # @param timing [Progress::Timing] what the student takes beside the estimates
      # @param pace [Numeric] days it really takes for one estimated
      # @param deadline [Deadline, nil] where it is planned backwards from a date
      # @param rests_until [Date, nil] where another piece comes first until then
      def initialize(
        id:,
        title:,
        progress:,
        turns: [],
        timing: Progress::Timing.new,
        pace: 1,
        deadline: nil,
        rests_until: nil
      )
        @id = id
        @title = title
        @progress = progress
        @turns = turns
        @timing = timing
        @pace = pace
        @deadline = deadline
        @rests_until = rests_until
        @standings = progress.standings
        @places = Places.new(progress.steps)
        begin_week
      end

      # @param days [Hash{String => Integer}] by step id the good days it still takes
      # @return [Piece] as it is for a student who takes so many
      def taking(days)
        taken =
          with_standings(
            @standings.to_h do |id, standing|
              left = days[id] unless standing.done?
              [id, left ? standing.with(good_days: standing.credited + left) : standing]
            end
          )
        taken.tap(&:as_estimated)
      end

      # @return [Piece] as the week that was laid out leaves it
      def after_week =
        with_standings(
          @standings.to_h do |id, standing|
            next id, standing if standing.done?

            credited = ahead.good_days(id)
            state = ahead.done?(id) ? :steady : ((credited.positive? && :begun) || standing.state)
            [
              id,
              standing.with(
                credited: credited,
                state: state,
                fallen: standing.fallen && !ahead.done?(id)
              )
            ]
          end
        )

      # @param bars [Integer] that are introduced at a lesson
      # @return [Piece] with the next sections introduced, at least one
      def introduced(bars)
        return self if hidden.empty?

        # What is played like another section has nothing of its own to show, nor has a stage.
        sized = hidden.reject { |name| bars(name).zero? }
        left = sized - first_labels(sized, bars)
        standings =
          @standings.transform_values do |standing|
            blocked = progress.shown_of(standing.step) & left
            blocked.empty? ? standing.with(introduced: true) : standing
          end
        with_standings(standings).tap { |piece| piece.hidden = left }
      end

      # @param labels [Array<String>]
      # @param most [Integer] bars
      # @return [Array<String>] the first of them, at least one, as far as they have so many bars
      def first_labels(labels, most)
        total = 0
        labels.take_while.with_index do |label, index|
          total += bars(label)
          index.zero? || total <= most
        end
      end

      # @return [Ahead] of the week that is being laid out
      attr_reader :ahead

      # @return [void]
      def begin_week =
        @ahead = Ahead.new(@standings, deadline: deadline) { |standing| left(standing) }

      # @param date [Date]
      # @return [Boolean] whether it rests that day
      def rests?(date) = !rests_until.nil? && date <= rests_until

      # @return [Array<String>] labels of sections in the order in which they are learnt
      def sections = @sections ||= (@turns & printed) | printed

      # @param label [String]
      # @return [Boolean] whether both hands are steady there now
      def steady?(label) = core(label).all? { |step| @standings[step.id].done? }

      # @param label [String]
      # @return [Boolean] whether its core is done by now in the week that is laid out
      def done?(label) = core(label).all? { |step| ahead.done?(step.id) }

      # @param label [String]
      # @return [Boolean] whether the teacher has shown it
      def introduced?(label) =
        path(label).empty? || path(label).any? { |step| @standings[step.id].introduced }

      # @param label [String]
      # @return [Boolean] whether all of its core was played before
      def played?(label)
        core(label).all? do |step|
          @standings[step.id].then do |standing|
            standing.done? || standing.state == :begun || standing.last_result
          end
        end
      end

      # @param label [String]
      # @return [Boolean] whether a hard place in it is still to be practised
      def hard_place_in?(label)
        hard_places.any? { |step| step.section == label && !@standings[step.id].done? }
      end

      # @return [Array<String>] sections that were introduced and aren't steady yet
      def in_hand
        return [] if by_layers?

        @in_hand ||= sections.select { |label| introduced?(label) && !steady?(label) }
      end

      # @return [Array<String>] sections that go, in the order of the page
      def known
        @known ||= printed.select { |label| path(label).any? && steady?(label) && !held?(label) }
      end

      # @param label [String]
      # @return [Practice::Step] as it is played when it is kept fresh: the last of its steps that
      #   is steady
      def latest(label)
        done = path(label).select { |step| @standings[step.id].done? }
        done.reverse.find { |step| step.hands == :both } || done.last
      end

      # @return [Practice::Step, nil] the whole as it goes by now: the last of its steps that is
      #   steady
      def known_whole =
        whole.reverse.find do |step|
          step.hands == :both && @standings[step.id].done? && !@standings[step.id].held?
        end

      # @param label [String]
      # @return [Date, nil] when it was last played or heard
      def played_on(label)
        path(label)
          .map { |step| @standings[step.id] }
          .flat_map do |standing|
            [standing.days.keys.max, standing.last_result&.date, standing.steady_on]
          end
          .compact
          .max
      end

      # @param id [String]
      # @return [Practice::Step, nil]
      def step(id) = @standings[id]&.step

      # @param step [Practice::Step]
      # @return [Progress::Standing]
      def standing(step) = @standings[step.id]

      # @param step [Practice::Step]
      # @param times [Integer]
      # @return [Part]
      def part(step, times = step.repetitions)
        Part.new(
          id: step.id,
          piece: self,
          step: step,
          times: times,
          each: minutes_once(step),
          steady: ahead.done?(step.id),
          fewest: step.least
        )
      end

      # @param step [Practice::Step]
      # @return [Array<Phrase::Text>] what it breaks to play it by now: it wasn't introduced, what
      #   it rests on isn't done
      def breaks(step)
        said = []
        unless @standings[step.id].introduced
          said << Phrase["planning.overrides.not_introduced_yet"]
        end
        open = step.needs.reject { |id| ahead.done?(id) }
        return said if open.empty?

        said << Phrase[
          "planning.overrides.before_done",
          names: Phrase.some(open.filter_map { |id| step(id)&.title }),
          count: open.size
        ]
      end

      # @return [Boolean] whether anything of it is left to learn
      def open? = @standings.values.any? { |standing| !standing.done? }

      # @return [Boolean] whether nothing is, once the week that is laid out was played; before a
      #   date it's enough that the whole goes
      def over?
        last = (deadline && whole.any?) ? whole.map(&:id) : @standings.keys
        last.all? { |id| ahead.done?(id) }
      end

      protected

      attr_writer :standings, :hidden

      # The days that are left are known: neither the pace nor the hurry changes them.
      def as_estimated
        @pace = 1
        @deadline = deadline&.with(one_day: false)
        begin_week
      end

      # What depends on how it stands is worked out again.
      def forget
        @in_hand = @known = nil
        begin_week
      end

      private

      # Names of sections and stages that the teacher hasn't introduced yet, in their turns.
      def hidden
        @hidden ||=
          begin
            names = progress.introductions.reject(&:last).map(&:first)
            (@turns & names) | names
          end
      end

      def with_standings(standings)
        dup.tap do |copy|
          copy.standings = standings
          copy.forget
        end
      end

      # Good days that a step still takes, at the pace of this piece.
      def left(standing)
        left = [standing.good_days - standing.credited, 0].max
        return left if left.zero?

        deadline&.one_day ? 1 : [1, (@pace * left).round].max
      end

      def held?(label) = path(label).any? { |step| @standings[step.id].held? }

      # Exact minutes, longer while it is new.
      def minutes_once(step)
        step.once / 60 * timing.factor(step.kind) *
          Practice::Estimate.first_days(ahead.good_days(step.id), step.new)
      end
    end
  end
end
