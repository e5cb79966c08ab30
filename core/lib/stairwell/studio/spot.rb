# frozen_string_literal: true

module Stairwell
  module Studio
    # A place that did not go becomes a spot on the student's own page, and steps
    # of its own follow.
    module Spot
      module_function

      # @param changed [Change]
      # @param assignment_id [Integer]
      # @param bar [Integer] index in the piece
      # @return [Change] with the spot; the same where the page cannot say it, or
      #   has one there already: the result itself is kept
      def mark(changed, assignment_id, bar)
        piece = changed.record.piece(assignment_id)
        page = piece.newest_page
        map = page.map
        if bar > map.bars.size || map.markings.spots.any? { |spot| spot.span.cover?(bar) }
          return changed
        end

        layer =
          Formats::PageScript::Layer.change(
            page.own_layer,
            base: page.base,
            put: ["spot: #{map.bar(bar).name}"],
            drop: []
          )
        renewed =
          TakeOver.renewed(changed.record, piece.with(newest_page: page.with_own_layer(layer)))
        changed.with(
          record: changed.record.with_piece(renewed),
          pieces: [*changed.pieces, renewed],
          layers: {
            piece.piece_id => layer
          }
        )
      rescue UnreadableError, ContradictionError
        changed
      end
    end
  end
end
