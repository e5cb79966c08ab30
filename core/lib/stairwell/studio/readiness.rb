# frozen_string_literal: true

module Stairwell
  module Studio
    # Whether a piece will be ready by the day something is due.
    module Readiness
      # @param likely [Date, nil] when it is ready in half of the futures
      # @param cautious [Date, nil] with caution
      # @param due [Date] the last day whose practice counts
      # @return [Symbol] :ready; :likely, though not with caution; or :late
      def self.by(due, likely:, cautious:)
        return :ready if cautious && cautious <= due

        (likely && likely <= due) ? :likely : :late
      end
    end
  end
end
