# frozen_string_literal: true

module Stairwell
  module Planning
    # How a student practises and learns, as a forecast takes it: what was seen of them,
    # drawn toward what the studio's students do, and those toward what is usual, the more
    # the less was seen.
    #
    # - `seen`, `studio`: {Seen}
    class Habit
      # What was seen: practice days that were planned and kept; steps that were tried on a
      # day, and days of these that went well; and by kind of step {Learnt}.
      Seen =
        Stairwell.value(planned: 0, kept: 0, tried: 0, went: 0, learnt: {}) do
          # @param other [Seen]
          # @return [Seen] of both
          def +(other)
            with(
              planned: planned + other.planned,
              kept: kept + other.kept,
              tried: tried + other.tried,
              went: went + other.went,
              learnt: learnt.merge(other.learnt) { |_, one, two| one + two }
            )
          end

          # @return [Hash] JSON-ready
          def dump =
            to_h.merge(
              learnt:
                learnt.transform_values do |one|
                  [one.taken.to_f.round(2), one.gained.to_f.round(2), one.steps]
                end
            )

          # @return [Learnt] of all kinds together
          def all_learnt = learnt.values.inject(Learnt.new, :+)
        end

      # @param data [Hash{String => Object}] as {Seen#dump} gives, or nothing
      # @return [Seen]
      def Seen.load(data)
        learnt =
          data
            .fetch("learnt", {})
            .to_h do |kind, (taken, gained, steps)|
              [kind.to_sym, Learnt.new(taken: taken.to_r, gained: gained.to_r, steps: steps)]
            end
        new(
          **%w[planned kept tried went].to_h { |name| [name.to_sym, data.fetch(name, 0)] },
          learnt: learnt
        )
      end

      # Good days that steps took, and those that estimates had given for as much; of how
      # many steps.
      Learnt =
        Stairwell.value(taken: 0r, gained: 0r, steps: 0) do
          def +(other) =
            with(
              taken: taken + other.taken,
              gained: gained + other.gained,
              steps: steps + other.steps
            )

          # @return [Float] logarithm of what one estimated day took; pulled toward 0 a little,
          #   so that it is one always
          def log = Math.log((taken + 1).to_f / (gained + 1))
        end

      # A share that is known so well: its middle, and its standard deviation.
      Share = Stairwell.value(:mean, :deviation)

      # @param seen [Seen] of the student
      # @param studio [Seen] of all its students
      def initialize(seen = Seen.new, studio: Seen.new)
        @seen = seen
        @studio = studio
      end

      # @return [Share] of practice days that are kept in the long run
      def kept = share(:kept, :planned)

      # @return [Share] of days on which a step goes well
      def went = share(:went, :tried)

      # @param kind [Symbol] of step
      # @return [Float] good days that one estimated takes
      def pace(kind)
        own = @seen.learnt.fetch(kind, Learnt.new)
        weight = own.steps.fdiv(own.steps + Constants::KIND_STEPS)
        Math.exp(((1 - weight) * centre) + (weight * own.log))
      end

      # @return [Float] how far that may be off: standard deviation of its logarithm
      def spread = Math.sqrt(1 / ((1 / (Constants::PACE_DIFFERS**2)) + evidence))

      # @return [Boolean] whether nothing was seen of the student yet
      def none? = @seen.planned.zero? && @seen.tried.zero?

      private

      def share(hits, tries)
        usual, between = Constants::USUAL.fetch(hits)
        studio =
          toward(
            usual,
            Constants::USUAL_WEIGHT,
            @studio.public_send(hits),
            @studio.public_send(tries)
          )
        mean = toward(studio, between, @seen.public_send(hits), @seen.public_send(tries))
        Share.new(
          mean: mean,
          deviation:
            Math.sqrt(mean * (1 - mean) / (between + thinned(@seen.public_send(tries)) + 1))
        )
      end

      # What was seen, as if so many average days had been seen besides.
      def toward(middle, weight, hits, tries) =
        ((middle * weight) + thinned(hits)) / (weight + thinned(tries))

      # Days of one week resemble each other: they say less than as many that do not.
      def thinned(count) = count / Constants::ALIKE_DAYS

      # Of the logarithm of the student's pace.
      def centre
        studio = @studio.all_learnt
        beforehand =
          ((Constants::USUAL_PACE * Constants::USUAL_WEIGHT) + (studio.log * studio.steps)) /
            (Constants::USUAL_WEIGHT + studio.steps)
        own = @seen.all_learnt
        ((beforehand / (Constants::PACE_DIFFERS**2)) + (own.log * evidence)) /
          ((1 / (Constants::PACE_DIFFERS**2)) + evidence)
      end

      def evidence = @seen.all_learnt.steps / (2 * Constants::STEPS_DIFFER**2)
    end
  end
end
