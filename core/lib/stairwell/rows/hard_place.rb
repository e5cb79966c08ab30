# frozen_string_literal: true

module Stairwell
  module Rows
    # A spot or a hard join that isn't steady.
    class HardPlace < Work
      KIND = :hard_place

      attr_reader :step

      # @param step [Practice::Step]
      def initialize(piece, days, step)
        super(piece, days)
        @step = step
      end

      def id = "#{super}/#{step.id}"

      def holds?(step) = step.id == @step.id

      private

      def steps_on(day) = ahead.open([step], day)
    end
  end
end
