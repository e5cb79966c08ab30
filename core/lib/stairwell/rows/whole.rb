# frozen_string_literal: true

module Stairwell
  module Rows
    # The whole piece, and layers of it section by section, once no section of it is new.
    class Whole < Work
      KIND = :whole

      def holds?(step) = piece.whole.include?(step) || layers.include?(step)

      private

      def steps_on(day)
        open = ahead.open(layers + piece.whole, day)
        return [] if open.empty?

        of_stage = open.select { |step| step.stage == open.first.stage }
        of_stage.first(Constants::SECTIONS_AT_ONCE)
      end

      def times(steps)
        return super if steps.first.section

        steps.map do |step|
          piece.part(
            step,
            step.marks.empty? ? [step.repetitions, Constants::OFTEN_ENOUGH].min : step.marks.size
          )
        end
      end

      def rest(_day) = @reached.empty? ? [] : times(@reached.last(1))

      def layers
        return [] if piece.in_hand.any?

        @layers ||= piece.sections.flat_map { |label| layers_of(label) }
      end

      def layers_of(label)
        path = piece.path(label)
        piece.by_layers? ? path : path - piece.core(label)
      end
    end
  end
end
