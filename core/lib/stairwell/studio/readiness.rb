# frozen_string_literal: true

module Stairwell
  module Studio
    # Whether a member of a class will be ready by the hour a unit is due, and what would
    # help.
    #
    # - `state`: :ready, :likely (in the middle of the futures, though not with caution),
    #   :late, or :none where nothing is in hand for it
    # - `outlook`: {Outlook}, nil where nothing is in hand
    Readiness = Stairwell.value(:state, outlook: nil)

    # @param record [Record]
    # @param assignment_id [Integer, nil] the piece in hand for the unit
    # @param due [Date] the last day whose practice counts
    # @return [Readiness]
    def Readiness.of(record, assignment_id, due)
      piece = record.pieces.find { |one| one.id == assignment_id } or return new(state: :none)
      return new(state: :ready) if piece.progress.standings.each_value.all?(&:done?)

      outlook = Outlooks.new(record.with_piece(piece.with(due_on: due))).to_h(options: true)[piece.id] or return new(state: :none)
      new(state: by(outlook, due), outlook: outlook)
    end

    def Readiness.by(outlook, due)
      return :ready if outlook.cautious && outlook.cautious <= due

      (outlook.middle && outlook.middle <= due) ? :likely : :late
    end
    Readiness.private_class_method :by
  end
end
