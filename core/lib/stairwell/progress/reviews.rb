# frozen_string_literal: true

module Stairwell
  module Progress
    # Steady is not gone: what comes back, and when. A steady step comes back
    # twice a week, once through, unless something that is practised now holds
    # it; a secure one at growing distances.
    class Reviews
      # @param standings [Hash{String => Standing}] of one piece
      def initialize(standings)
        @standings = standings
        @later = Hash.new { |all, id| all[id] = [] }
        standings.each_value do |one|
          (one.step.needs + one.step.after).each { |id| @later[id] << one.step.id }
        end
      end

      # @param until_date [Date] reviews due after it are left out
      # @param prefix [String] put before each id
      # @return [Array<Planning::Review>] by due date; a steady step twice where
      #   both times fall before that date
      def due(until_date, prefix: "")
        @standings
          .values
          .select { |one| one.done? && !one.held? }
          .flat_map { |one| dates(one, until_date).map { |date| review(one, date, prefix) } }
          .sort_by(&:due)
      end

      private

      # Exact minutes.
      def minutes_once(step) =
        Practice::Estimate.seconds(
          counts: step.counts,
          tempo: step.tempo || Constants::ASSUMED_TEMPO
        ) / 60

      def dates(one, until_date)
        return [] if covered?(one)

        last = last_time(one)
        if one.state == :secure
          return(
            [
              last +
                (Constants::SECURE_REVIEW_DAYS[one.reviews] || Constants::SECURE_REVIEW_DAYS.last)
            ].select { |date| date <= until_date }
          )
        end

        [last + Constants::REVIEW_DAYS, last + 2 * Constants::REVIEW_DAYS].select do |date|
          date <= until_date
        end
      end

      # Whether a step that is open, under way or comes back itself builds on it
      # and has all its bars and its hand, so that it is played anyway.
      def covered?(one)
        bars = bars(one.step)
        built_on(one.step.id).any? do |id|
          later = @standings.fetch(id)
          later.state != :waiting && [:both, one.step.hands].include?(later.step.hands) &&
            (bars - bars(later.step)).empty?
        end
      end

      # @return [Set<String>] ids of what waits for a step, directly or not
      def built_on(id)
        @built_on ||= {}
        @built_on[id] ||= @later[id].each_with_object(@later[id].to_set) do |later, all|
          all.merge(built_on(later))
        end
      end

      def bars(step) = (@bars ||= {})[step.id] ||= step.spans.flat_map(&:bars)

      def last_time(one) = [one.days.keys.max, one.last_result&.date, one.steady_on].compact.max

      def review(one, date, prefix)
        step = one.step
        Planning::Review.new(
          id: prefix + step.id,
          due: date,
          minutes: Constants::READY + minutes_once(step),
          title: step.title
        )
      end
    end
  end
end
