# frozen_string_literal: true

module Stairwell
  module Progress
    # How fast a student learns beside the estimates, and how many practice days
    # are kept.
    module Pace
      module_function

      # @param results [Array<Array(Integer, Integer)>] for each step that became
      #   steady: the good days it took, and its estimate without pace
      # @return [Rational] 1 is average, more is slower
      def of(results)
        logs = results.map { |actual, estimate| Math.log([actual, 1].max / [estimate, 1].max.to_f) }
        Math
          .exp(logs.sum / (logs.size + Constants::RESULTS_ASSUMED))
          .rationalize(1 / 1000r)
          .clamp(Constants::PACE_BOUNDS.begin, Constants::PACE_BOUNDS.end)
      end

      # @param planned [Array<Date>] practice days that had something to do
      # @param practised [Array<Date>] days with at least one mark
      # @return [Rational, nil] share of the planned days that were practised, 0 to 1;
      #   nil where no planned day has passed
      def adherence(planned, practised)
        planned = planned.uniq
        planned.empty? ? nil : Rational((planned & practised).size, planned.size)
      end
    end
  end
end
