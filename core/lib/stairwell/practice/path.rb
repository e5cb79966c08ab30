# frozen_string_literal: true

module Stairwell
  module Practice
    # The steps of a piece in the order in which one comes to them: each as soon as what it waits
    # for is done, where several might stand the first of the piece.
    module Path
      # @param steps [Array<Step>]
      # @return [Array<Step>] those that never could stand are left out
      def self.of(steps)
        left, done = steps.dup, Set.new
        found = []
        while (
                following =
                  left.find { |step| (step.needs + step.after).all? { |id| done.include?(id) } }
              )
          found << left.delete(following)
          done << following.id
        end
        found
      end
    end
  end
end
