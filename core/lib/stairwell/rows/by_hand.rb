# frozen_string_literal: true

module Stairwell
  module Rows
    # A step the teacher put on a day and that lies in no other row.
    class ByHand < Work
      KIND = :other_work

      attr_reader :step

      # @param step [Practice::Step]
      def initialize(piece, days, step)
        super(piece, days)
        @step = step
      end

      def id = "#{super}/#{step.id}"

      def holds?(step) = step.id == @step.id

      # Only where it was put.
      def parts(_day) = []
    end
  end
end
