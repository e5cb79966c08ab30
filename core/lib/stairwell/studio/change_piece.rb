# frozen_string_literal: true

module Stairwell
  module Studio
    # A teacher changes what was chosen for a piece, takes its page over as it is now,
    # takes one of the ways out where it is late, or ends it.
    class ChangePiece
      # How a piece ends.
      ENDED = %w[passed kept set_aside].freeze

      # @param record [Record]
      # @param id [Integer] of the assignment
      # @raise [MissingError]
      def initialize(record, id)
        @record = record
        @piece = record.piece(id)
      end

      # @param plain [Hash] due_on:, priority:, introduce_first:
      # @param chosen [Hash] routine:, hand_order:, target_tempo:
      # @param choices [Hash{String => Object}] of {Assigned::CHANGED}
      # @return [Change] told: {TakeOver::Moved}
      # @raise [RefusedError]
      def call(plain: {}, chosen: {}, choices: {})
        piece = @piece.with_steps(@piece.progress.own, **plain)
        return changed(piece) if chosen.empty? && choices.empty?

        # What is chosen now holds for the usual plan too; what was left out for a date stays out.
        taken = Backwards.taken(piece)
        piece = Backwards.usual(piece)
        piece = piece.with(**chosen, choices: piece.choices.merge(choices))
        changed(TakeOver.renewed(@record, Backwards.applied(piece, taken)))
      end

      # Plans it backwards from its date, with these measures; as usual again with none.
      # @param measures [Array<String>] of {Backwards::MEASURES}
      # @return [Change] told: {TakeOver::Moved}
      # @raise [RefusedError] where it has no date, or nothing would be left to learn
      def backwards(measures)
        changed(Backwards.new(@record, @piece).with(measures).piece(@piece.id))
      end

      # @return [Change] told: {TakeOver::Moved}
      # @raise [RefusedError]
      def take_over =
        changed(TakeOver.renewed(@record, @piece)).with(former: { @piece.id => Former.of(@piece) })

      # The same piece, as another entry of the library has it.
      # @param piece_id [Integer]
      # @param page [Page] of that one, as it is for the student
      # @return [Change] told: {TakeOver::Moved}
      # @raise [RefusedError]
      def move_to(piece_id, page:, revision:, title:)
        piece =
          @piece.with(
            piece_id: piece_id,
            title: title,
            newest_page: page,
            newest_revision: revision
          )
        changed(TakeOver.renewed(@record, piece)).with(former: { @piece.id => Former.of(@piece) })
      end

      # The piece as it was before its page was taken over; marks and results stay.
      # @param former [Former, nil]
      # @return [Change] told: {TakeOver::Moved}
      # @raise [RefusedError] where there is nothing to take back
      def take_back(former)
        unless former
          raise RefusedError.new(
                  Phrase["studio.change_piece.nothing_to_take_back"],
                  code: :not_taken_over
                )
        end

        piece =
          @piece.with_steps(
            former.steps,
            piece_id: former.piece_id,
            revision: former.revision,
            choices: former.choices
          )
        changed(piece).with(former: { @piece.id => nil })
      end

      # @param change [String] of one of the options of the piece
      # @return [Change]
      # @raise [RefusedError] when it helps no more
      def take(change)
        taken = WaysOut.new(@record, @piece).take(change)
        piece = taken.piece(@piece.id)
        student = taken.student unless taken.student == @record.student
        Change.new(
          record: taken,
          student: student,
          pieces: (piece == @piece) ? [] : [piece],
          told: TakeOver.moved(@piece, piece)
        ).planned
      end

      # @param ended [String, nil] of {ENDED}, or nil to take it up again
      # @param keep_for [Date, nil] a date it is kept ready for
      # @return [Change]
      def finish(ended, keep_for: nil)
        keep_for = nil unless ended == "kept"
        if keep_for
          kept =
            KeptPiece.new(
              id: @piece.id,
              title: @piece.title,
              keep_for: keep_for,
              steps: @piece.progress.own
            )
        end
        held = @record.tempos.to_h
        record =
          (
            if ended
              @record.with(
                pieces: @record.pieces - [@piece],
                kept_pieces: [*@record.kept_pieces, kept].compact
              )
            else
              @record
            end
          )
        Change.new(
          record: record.with(student: record.student.with(held: held)),
          ended: {
            @piece.id => [ended, keep_for]
          },
          held: held
        ).planned
      end

      private

      def changed(piece)
        Change.new(
          record: @record.with_piece(piece),
          pieces: [piece],
          told: TakeOver.moved(@piece, piece)
        ).planned
      end
    end
  end
end
