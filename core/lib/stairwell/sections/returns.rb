# frozen_string_literal: true

module Stairwell
  module Sections
    # Which stretches of bars come back: runs of bars each of which is like the one so many bars
    # before, literally, moved, in rhythm, or with its tune over something else.
    class Returns
      # `from` comes back `by` bars later, for `size` bars; `worth` on average, from 0 to 1.
      Run =
        Stairwell.value(:from, :by, :size, :worth) do
          # @return [Array<Array(Integer, Integer)>] each bar of the first place, and the one behind
          #   it, with the one it is in the other
          def pairs = (from..from + size).map { |bar| [bar, bar + by] }

          # @return [Array<Integer>] where its places begin, and where what follows does
          def edges = [from, from + by, from + size, from + by + size]

          # @return [Float] how much it tells of where a phrase begins: more the longer it is; what
          #   comes back at once tells it in fewer bars
          def telling =
            worth *
              [size * ((size == by) ? Constants::AT_ONCE_TELLS : 1), Constants::RETURN_TELLS].min /
              Constants::RETURN_TELLS
        end

      # @param first [Integer] bar, behind a pickup
      # @param last [Integer] bar
      # @param stretches [Stretches]
      def initialize(first, last, stretches)
        @bars = (first..last)
        @stretches = stretches
      end

      # @return [Array<Run>]
      def runs
        @runs ||=
          pairs
            .group_by { |one, other| other - one }
            .select { |by, _| by > 1 }
            .flat_map { |by, found| along(by, found.map(&:first).to_set) }
      end

      private

      # Only bars that have something in common are compared, each with those that share most, so
      # that long pieces take no longer for each bar than short ones.
      def pairs
        known = Hash.new { |all, trait| all[trait] = [] }
        @bars.flat_map do |bar|
          shared =
            traits(bar)
              .flat_map do |trait|
                known[trait].last(Constants::MOST_COMPARED).tap { known[trait] << bar }
              end
              .tally
          shared
            .max_by(Constants::MOST_LIKE) { |earlier, count| [count, earlier] }
            .map { |earlier, _| [earlier, bar] }
        end
      end

      # Two notes of the tune that follow each other, and the distance between two, with when they
      # sound; the rhythm of the whole; silence.
      def traits(bar)
        window = @stretches[bar]
        return [:silent] if window.empty?

        tune = window.tune.map { |note| note.first(2) }
        following =
          tune
            .each_cons(2)
            .flat_map do |(at, step), (next_at, next_step)|
              [[at, step, next_at, next_step], [at, next_at, next_step - step]]
            end
        [
          *tune.map { |note| [:note, *note] }.first(2),
          *following,
          [:rhythm, tune.map(&:first)],
          [:left, window.left.map { |note| note.first(2) }]
        ].uniq
      end

      def along(by, candidates)
        worth =
          candidates
            .to_h { |bar| [bar, @stretches.worth(bar, bar + by)] }
            .select { |_, one| one >= Constants::RETURN_LEAST }
        worth
          .keys
          .sort
          .slice_when { |a, b| b != a + 1 }
          .select { |run| run.size >= Constants::RETURN_BARS }
          .map do |run|
            Run.new(
              from: run.first,
              by: by,
              size: run.size,
              worth: worth.values_at(*run).sum / run.size
            )
          end
      end
    end
  end
end
