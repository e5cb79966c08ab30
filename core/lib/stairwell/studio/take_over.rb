# frozen_string_literal: true

module Stairwell
  module Studio
    # Makes a piece's steps anew from the page, the routine and the choices as they
    # are now. Marks and results stay; steps that are the same keep theirs.
    module TakeOver
      # What moved, as titles of steps: `gone` without any credit, `lost` with some; `kept` have
      # theirs.
      Moved = Stairwell.value(:added, :gone, :changed, kept: [], lost: [])

      module_function

      # @param record [Record]
      # @param piece [PieceInHand] with its choices as they are to be
      # @return [PieceInHand]
      # @raise [RefusedError] where there is nothing to learn
      def renewed(record, piece)
        steps =
          Assigned.steps(piece.newest_page.map, piece, record.routine(piece.routine), record.tempos)
        choices = SectionOrder.settled(piece.choices, piece.newest_page.map)
        piece.with_steps(
          steps,
          revision: piece.newest_revision,
          page: piece.newest_page,
          choices: choices
        )
      rescue ContradictionError => error
        raise RefusedError.new(error.message, code: :no_steps, field: "piece_id")
      end

      # @param before [PieceInHand]
      # @param after [PieceInHand]
      # @return [Moved]
      def moved(before, after)
        was, now =
          [before, after].map { |piece| piece.progress.own.to_h { |step| [step.id, step] } }
        lost, gone =
          (was.keys - now.keys)
            .partition { |id| credited?(before, id) }
            .map { |ids| ids.map { |id| was[id].title } }
        Moved.new(
          added: (now.keys - was.keys).map { |id| now[id].title },
          gone: gone,
          lost: lost,
          kept:
            (was.keys & now.keys).select { |id| credited?(before, id) }.map { |id| now[id].title },
          changed:
            (was.keys & now.keys).reject { |id| same?(was[id], now[id]) }.map { |id| now[id].title }
        )
      end

      def credited?(piece, id) = piece.progress.standings[id]&.credited.to_i.positive?

      def same?(one, other) =
        one.with(arithmetic: nil, title: nil) == other.with(arithmetic: nil, title: nil)
      private_class_method :credited?, :same?
    end
  end
end
