# frozen_string_literal: true

module Stairwell
  module Rows
    # What is steady and lies in no other row, as one thing.
    class KeepFresh < Work
      KIND = :keep_fresh

      # @param labels [Array<String>]
      def initialize(piece, days, labels)
        super(piece, days)
        @labels = labels
      end

      def holds?(step) = @labels.include?(step.section)

      def learning? = false

      def parts(_day)
        times = @labels.one? ? Constants::OFTEN_ENOUGH : 1
        @labels.map { |label| piece.part(piece.latest(label), times).with(steady: true) }
      end
    end
  end
end
