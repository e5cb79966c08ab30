# frozen_string_literal: true

module Stairwell
  module Studio
    # What was tapped of a step on a day.
    module Tapped
      module_function

      # @param marks [Array<Progress::Mark>] of that step on that day, taken back or not
      # @return [Hash] :done, :struggle, :hurts, :last_mark (the newest that can be taken back),
      #   :keys
      def of(marks)
        lasting = Progress.lasting(marks)
        {
          done: lasting.count { |mark| mark.kind == :repetition },
          struggle: lasting.any? { |mark| mark.kind == :struggle },
          hurts: lasting.any? { |mark| mark.kind == :hurts },
          last_mark: lasting.max_by(&:at)&.key,
          keys: marks.map(&:key)
        }
      end

      # @param piece [PieceInHand]
      # @return [Hash] as {of}
      def on(piece, step_id, date) = of(piece.progress.marks_of(step_id, date))
    end
  end
end
