# frozen_string_literal: true

module Stairwell
  module Studio
    # A piece in hand as it was before its page was taken over: of which piece and revision its
    # steps were, and what was chosen. With it that can be taken back.
    Former =
      Stairwell.value(:piece_id, :revision, :steps, :choices) do
        # @return [Hash{String => Object}] JSON-ready
        def to_data =
          {
            "piece_id" => piece_id,
            "revision" => revision,
            "choices" => choices,
            "steps" => steps.map(&:to_data)
          }
      end

    # @param piece [PieceInHand]
    # @return [Former]
    def Former.of(piece) =
      new(
        piece_id: piece.piece_id,
        revision: piece.revision,
        steps: piece.progress.own,
        choices: piece.choices
      )

    # @param data [Hash{String => Object}] as {Former#to_data} gives
    # @return [Former]
    def Former.load(data) =
      new(
        piece_id: data["piece_id"],
        revision: data["revision"],
        choices: data["choices"],
        steps: data["steps"].map { |step| Practice::Step.from_data(step) }
      )
  end
end
