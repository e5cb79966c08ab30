# frozen_string_literal: true

module Stairwell
  module Planning
    # One thing to do on a day of a planned week, complete in itself: a step or a
    # review of one, or more of one than is needed (with its piece, place and tempo), a run,
    # extra work, or what the teacher added. `kind` as of {Item}; `row` is the id of its
    # {PlannedRow}, nil in weeks that were planned before there were rows; `stage` what that row has
    # come to.
    PlannedItem =
      Stairwell.value(
        :id,
        :kind,
        :title,
        :minutes,
        :why,
        repetitions: nil,
        pinned: false,
        breaks: nil,
        assignment_id: nil,
        step_id: nil,
        piece: nil,
        section: nil,
        place: nil,
        tempo: nil,
        begins: false,
        arithmetic: "",
        one_of: [],
        row: nil,
        stage: nil
      ) do
        # @return [Boolean] whether it is a step or a review of one
        def step? = tapped? && kind != :more

        # @return [Boolean] whether its repetitions are tapped on a sheet
        def tapped? = !step_id.nil?

        # @return [String] the step it is, or is more of
        def of = More.of(step_id)

        # @return [Array(Integer, String)] what marks and results name it by
        def key = [assignment_id, step_id]
      end
  end
end
