# frozen_string_literal: true

module Stairwell
  module Studio
    # Whether a piece will be ready by the day something is due.
    module Readiness
      # @param middle [Date, nil] when it is ready in the middle of the futures
      # @param cautious [Date, nil] with caution
      # @param due [Date] the last day whose practice counts
      # @return [Symbol] :ready; :likely, though not with caution; or :late
      def self.by(due, middle:, cautious:)
        return :ready if cautious && cautious <= due

        (middle && middle <= due) ? :likely : :late
      end
    end
  end
end
