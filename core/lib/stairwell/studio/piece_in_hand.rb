# frozen_string_literal: true

module Stairwell
  module Studio
    # A piece that was assigned to a student, and how it goes.
    #
    # - `id`: of the assignment; `piece_id` and `revision`: the page its steps were
    #   made from, `newest_revision` the one there is now
    # - `routine`: key of a routine; `choices`: what else was chosen, as stored
    # - `priority`: 1 before the other pieces, -1 after them
    # - `page` and `newest_page`: {Page}, nil where pages were not loaded; `key`: the
    #   piece's first key as text
    # - `progress`: {Progress::Piece}
    PieceInHand =
      Stairwell.value(
        :id,
        :piece_id,
        :title,
        :revision,
        :routine,
        :hand_order,
        :target_tempo,
        :progress,
        :assigned_on,
        newest_revision: nil,
        priority: 0,
        introduce_first: false,
        due_on: nil,
        choices: {
        },
        page: nil,
        newest_page: nil,
        key: nil
      ) do
        # @return [String] put before the ids of its steps, to plan several pieces at
        #   once
        def prefix = "#{id}/"

        # @param prefixed [Boolean] for planning several pieces at once
        # @param progress [Progress::Piece] with other steps, or as it was
        # @param timing [Progress::Timing] what the student takes beside the estimates
        # @return [Array<Planning::Task>] in the order the teacher chose for its sections
        def tasks(prefixed: false, progress: self.progress, timing: Progress::Timing.new)
          progress.tasks(
            prefix: prefixed ? prefix : "",
            turns: SectionOrder.turns(self),
            timing: timing
          )
        end

        # @param step_id [String]
        # @return [Progress::Standing, nil]
        def standing(step_id) = progress.standings[step_id]

        # @return [Integer] progress in whole percent of estimated work
        def percent = (progress.share * 100).floor

        # The section that is being learnt: the first with a step under way, or the
        # first that is open.
        # @return [String, nil]
        def section_in_hand
          of_sections = progress.standings.values.select { |one| one.step.section }
          (
            of_sections.find { |one| one.state == :begun } ||
              of_sections.find { |one| one.state == :open }
          )&.step&.section
        end

        # @param events [Array] see {Progress.piece}
        # @return [PieceInHand] after these too
        def after(*events) = with(progress: progress.after(events))

        # @param steps [Array<Practice::Step>]
        # @return [PieceInHand] with other steps and the same events
        def with_steps(steps, **changes) =
          with(
            progress:
              progress.with_steps(
                steps,
                introduce_first: changes.fetch(:introduce_first, introduce_first)
              ),
            **changes
          )
      end
  end
end
